package chalktrace.app.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.testing.BareSession;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

/** Work in the background that reads the marks and names the shot, and is let go when something has happened meanwhile. */
@ExtendWith(ApplicationExtension.class)
class ProposalsTest {

    private static final String DONE = "what the work made";
    private static final Edit MARK = new Edit("mark", shot -> shot.withMarks(List.of(new Mark(3, Mark.Kind.KEY))));
    private static final Edit UNRELATED =
            new Edit("write", shot -> shot.withSpeech(shot.speech().withScript("now")));

    @TempDir
    Path folder;

    private final CountDownLatch released = new CountDownLatch(1);
    private final AtomicInteger runs = new AtomicInteger();
    private BareSession bare;

    @BeforeEach
    void open() {
        bare = new BareSession(folder, Shots.empty());
    }

    @AfterEach
    void close() {
        released.countDown();
        bare.close();
    }

    private void startLong() {
        bare.run(() -> bare.session.proposals().proposeLong("work", shot -> List.of(shot.marks()), this::work));
    }

    private void startShort() {
        bare.run(() -> bare.session.proposals().propose("work", shot -> List.of(shot.marks()), this::work));
    }

    /** Names the shot after how many marks it saw. */
    private Proposals.Outcome work(Shot shot, Jobs.Job job) throws InterruptedException {
        runs.incrementAndGet();
        released.await();
        String name = DONE + " of " + shot.marks().size();
        return Proposals.Outcome.of(new Edit("work", now -> now.withName(name)));
    }

    private void apply(Edit edit) {
        bare.run(() -> bare.session.document().apply(edit));
    }

    private void letGo() {
        released.countDown();
        bare.await(() -> bare.session.jobs().running().stream()
                .noneMatch(job -> job.name().equals("work")));
    }

    private List<Notices.Offer> offers() {
        return bare.get(() -> bare.session.notices().latestProperty().get() == null
                ? List.of()
                : bare.session.notices().latestProperty().get().offers());
    }

    @Test
    void whatItReadIsUnchangedSoItIsCommittedBesideOtherEdits() {
        startLong();
        apply(UNRELATED);
        letGo();
        assertThat(bare.shot().name()).isEqualTo(DONE + " of 0");
        assertThat(bare.shot().speech().script()).isEqualTo("now");
    }

    @Test
    void itNeverLandsOnAnotherShot() {
        startLong();
        bare.run(() -> bare.session.shelf().startNew(Shots.empty()));
        letGo();
        assertThat(bare.shot().name()).isEqualTo("test");
        assertThat(offers()).isEmpty();
    }

    @Test
    void longWorkWhoseGroundHasChangedIsOfferedToBeRunAgain() {
        startLong();
        apply(MARK);
        letGo();
        assertThat(bare.shot().name()).isEqualTo("test");
        assertThat(offers()).hasSize(1);
        bare.run(() -> offersNow().get(0).does().run());
        bare.await(() -> bare.session.shot().name().equals(DONE + " of 1"));
    }

    private List<Notices.Offer> offersNow() {
        return bare.session.notices().latestProperty().get().offers();
    }

    @Test
    void shortWorkIsRunAnewByItself() {
        startShort();
        apply(MARK);
        released.countDown();
        bare.await(() -> bare.session.shot().name().equals(DONE + " of 1"));
        assertThat(runs).hasValue(2);
    }

    @Test
    void itWaitsForTheEndOfADrag() {
        startLong();
        bare.run(() -> bare.session.document().preview(UNRELATED));
        letGo();
        assertThat(bare.shot().name()).isEqualTo("test");
        bare.run(() -> bare.session.document().preview(null));
        assertThat(bare.shot().name()).isEqualTo(DONE + " of 0");
    }

    @Test
    void whatWasUndoneMeanwhileCanStillBeRedone() {
        apply(UNRELATED);
        startLong();
        bare.run(() -> bare.session.document().undo());
        letGo();
        assertThat(bare.shot().name()).isEqualTo("test");
        assertThat(bare.get(() -> bare.session.document().redoName())).contains("write");
        bare.run(() -> offersNow().get(0).does().run());
        assertThat(bare.shot().name()).isEqualTo(DONE + " of 0");
    }

    @Test
    void workThatRunsOutOfMemoryEndsAndSaysSo() {
        bare.run(() -> bare.session.proposals().propose("work", Proposals.Reads.NOTHING, (shot, job) -> {
            throw new OutOfMemoryError("Java heap space");
        }));
        letGo();
        bare.await(() -> bare.session.notices().latestProperty().get() != null);
        assertThat(bare.get(() -> bare.session.notices().latestProperty().get().text()))
                .contains("not enough memory")
                .contains("work");
        startShort();
        bare.await(() -> bare.session.shot().name().equals(DONE + " of 0"));
    }
}
