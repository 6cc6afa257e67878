package chalktrace.app.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.testing.BareSession;
import chalktrace.app.words.FindingWords;
import chalktrace.core.check.Finding;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

@ExtendWith(ApplicationExtension.class)
class TimingSessionTest {

    @TempDir
    Path folder;

    private BareSession bare;
    private Timing timing;

    private void open(Shot shot) {
        bare = new BareSession(folder, shot);
        timing = bare.session.timing();
    }

    @AfterEach
    void close() {
        bare.close();
    }

    private List<String> runs() {
        return Shots.level(bare.shot()).exposures().runs().stream()
                .map(run -> run.start() + ":" + run.frames() + ":" + run.drawing())
                .toList();
    }

    private void span(int start, int frames) {
        bare.run(() -> timing.spanProperty().set(new Timing.Span(List.of(Shots.LEVEL), FrameRange.of(start, frames))));
    }

    private String notice() {
        return bare.get(() -> bare.session.notices().latestProperty().get() == null
                ? ""
                : bare.session.notices().latestProperty().get().text());
    }

    @Test
    void whatTwosWouldDoIsSaidFirstAndThenDone() {
        // Common practice: keys 1, 8, 12, 19 and breakdowns 5, 10, 14 come to 1, 5, 9, 11, 13, 15, 19; twos then want
        // 3, 7, 17.
        open(Shots.showing(Exposure.of(0, 7, 1), Exposure.of(7, 12, 2))
                .withMarks(Stream.concat(
                                Stream.of(0, 7, 11, 18).map(frame -> new Mark(frame, Mark.Kind.KEY)),
                                Stream.of(4, 9, 13).map(frame -> new Mark(frame, Mark.Kind.BREAKDOWN)))
                        .toList()));
        String words = bare.get(() -> timing.proposalWords(2));
        assertThat(words).contains("8 to 9, 10 to 11, 12 to 13, 14 to 15").contains("3, 7, 17");
        bare.run(() -> timing.moveOnto(2));
        assertThat(bare.shot().marks()).extracting(Mark::frame).containsExactly(0, 4, 8, 10, 12, 14, 18);
        assertThat(Shots.level(bare.shot()).exposures().at(8).map(Exposure::drawing))
                .hasValue(2);
        bare.run(() -> bare.session.document().undo());
        assertThat(bare.shot().marks()).extracting(Mark::frame).containsExactly(0, 4, 7, 9, 11, 13, 18);
    }

    @Test
    void withoutASpanItIsTheShowingAtTheGate() {
        open(Shots.showing(Exposure.of(4, 6, 1)));
        bare.run(() -> bare.session.transport().go(7));
        assertThat(bare.get(timing::span).frames()).isEqualTo(FrameRange.of(4, 6));
        bare.run(() -> bare.session.transport().go(20));
        assertThat(bare.get(timing::span).frames()).isEqualTo(FrameRange.of(20, 1));
    }

    @Test
    void framesPutIntoTheShotTakeTheWordsAlongOnlyWhenThatIsWanted() {
        open(Shots.showing(Exposure.of(0, 2, 1), Exposure.of(10, 2, 2))
                .withWords(List.of(new Word("word-1", "now", 0.5, 0.75))));
        span(6, 1);
        bare.run(() -> {
            timing.soundAlongProperty().set(false);
            timing.insertInShot(12);
        });
        assertThat(runs()).containsExactly("0:2:1", "22:2:2");
        assertThat(bare.shot().words().get(0).startSeconds()).isEqualTo(0.5);
        bare.run(() -> {
            bare.session.document().undo();
            timing.soundAlongProperty().set(true);
            timing.insertInShot(12);
        });
        assertThat(bare.shot().words().get(0).startSeconds()).isCloseTo(1.0, within(1e-9));
        assertThat(bare.shot().setup().length()).isEqualTo(60);
        span(6, 12);
        bare.run(timing::removeFromShot);
        assertThat(runs()).containsExactly("0:2:1", "10:2:2");
        assertThat(bare.shot().words().get(0).startSeconds()).isCloseTo(0.5, within(1e-9));
    }

    @Test
    void whatCantBeDoneIsSaidAndNothingIs() {
        open(Shots.showing(Exposure.of(0, 2, 1)));
        Shot before = bare.shot();
        span(0, 48);
        bare.run(timing::removeFromShot);
        assertThat(notice()).contains("at least one frame");
        span(60, 4);
        bare.run(timing::removeFromShot);
        assertThat(notice()).contains("outside the shot");
        assertThat(bare.shot()).isEqualTo(before);
    }

    @Test
    void aSpanThatEndsAsItStartsSaysThatItWouldShowTwice() {
        open(Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2), Exposure.of(4, 2, 1)));
        span(0, 4);
        bare.run(() -> timing.repeat(2));
        assertThat(notice()).isEmpty();
        assertThat(runs()).startsWith("0:2:1", "2:2:2", "4:2:1", "6:2:2");
        bare.run(() -> bare.session.document().undo());
        span(0, 6);
        bare.run(() -> timing.repeat(2));
        assertThat(notice()).contains("twice");
    }

    @Test
    void missingDrawingsOnTwosAreEmptyAndTheChecksSaySo() {
        open(Shots.showing(Exposure.of(0, 2, 1), Exposure.of(6, 2, 2)));
        span(0, 8);
        bare.run(() -> timing.makeMissing(2));
        assertThat(runs()).containsExactly("0:2:1", "2:2:3", "4:2:4", "6:2:2");
        bare.await(() -> timing.findingsProperty().get().size() == 2);
        List<Finding> found = bare.get(() -> timing.findingsProperty().get());
        assertThat(found).allMatch(finding -> finding.check().equals("empty-shown"));
        // Frames are told in the shot's numbering, from 1.
        assertThat(bare.get(() -> FindingWords.onScreen(bare.shot(), found.get(0))))
                .contains("drawing 3")
                .contains("frame 3");
    }
}
