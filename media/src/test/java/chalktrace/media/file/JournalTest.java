package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.media.testing.FullShot;
import chalktrace.media.testing.RandomEdits;
import chalktrace.media.testing.Variations;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.awt.geom.AffineTransform;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.Executor;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Unsaved work comes back as it was at its last commit, whatever the machine did to the rest. */
class JournalTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @TempDir
    Path folder;

    private Path file;
    private Path otherwise;
    private Shot opened;

    @BeforeEach
    void save() throws Exception {
        file = folder.resolve("shot.chalk");
        otherwise = folder.resolve("state");
        ShotFile.fresh().save(FullShot.of(folder), file);
        opened = ShotFile.open(file).shot();
    }

    private Journal journal() throws IOException {
        return Journal.of(file, saved(opened), otherwise);
    }

    private static SavedShot saved(Shot shot) {
        return new SavedShot(shot, Optional.empty());
    }

    /** What would be found if this session's program were killed now: of one that lives, a copy of its folder. */
    private static Leftover left(Path session) throws Exception {
        Path killed = session;
        if (Presence.look(Drive.REAL, session.resolve(Journal.HERE)) == Presence.State.LIVES) {
            killed = Files.createDirectories(session.getParent()
                    .resolveSibling("killed")
                    .resolve(UUID.randomUUID().toString()));
            try (Stream<Path> all = Files.list(session)) {
                for (Path file :
                        all.filter(path -> !path.endsWith(Journal.HERE)).toList()) {
                    Files.copy(file, killed.resolve(file.getFileName()));
                }
            }
        }
        return Leftover.read(killed).orElseThrow();
    }

    @Test
    void cutAfterAnyWriteTheLastCommitComesBack() throws Exception {
        assertEachComesBack(RandomEdits.of(opened, 60));
    }

    @Test
    void whateverIsChangedInAShotIsKept() throws Exception {
        List<Shot> shots = new ArrayList<>(Variations.of(opened).stream()
                .map(variation -> (Shot) variation.value())
                .filter(shot -> shot.mediaFiles().stream()
                        .allMatch(media -> Path.of(media).isAbsolute()))
                .toList());
        long seed = System.nanoTime();
        System.out.println("changes in an order of seed " + seed);
        Collections.shuffle(shots, new Random(seed));
        assertEachComesBack(shots);
    }

    /** Keeps one after the other, and looks at what is left after a cut behind some of them and between. */
    private void assertEachComesBack(List<Shot> shots) throws Exception {
        Journal journal = journal();
        List<Long> ends = new ArrayList<>();
        Path records = journal.folder().resolve("journal-1");
        for (Shot shot : shots) {
            journal.keep(shot, false);
            ends.add(Files.size(records));
        }
        journal.close();
        byte[] whole = Files.readAllBytes(records);
        Leftover left = left(journal.folder());
        Random random = new Random(whole.length);
        for (int round = 0; round < 120; round++) {
            int length = round < ends.size() ? ends.get(round).intValue() : random.nextInt(whole.length);
            Files.write(records, Arrays.copyOf(whole, length));
            int kept = (int) ends.stream().filter(end -> end <= length).count();
            Leftover.Recovered recovered = left.recover();
            assertThat(recovered.missing()).isEmpty();
            assertThat(recovered.shot()).as("cut at " + length).isEqualTo(kept == 0 ? opened : shots.get(kept - 1));
        }
    }

    @Test
    void whatWasKeptIsForcedToTheDiskBeforeItReturns() throws Exception {
        List<Long> forced = new ArrayList<>();
        JournalFile.Disk disk = new JournalFile.Disk() {
            @Override
            public void force(FileChannel channel) throws IOException {
                channel.force(true);
                forced.add(channel.size());
            }
        };
        Journal journal = Journal.of(disk, file, saved(opened), otherwise);
        for (Shot shot : RandomEdits.of(opened, 10)) {
            journal.keep(shot, false);
            assertThat(forced.get(forced.size() - 1))
                    .isEqualTo(Files.size(journal.folder().resolve("journal-1")));
        }
        journal.close();
    }

    @Test
    void aFullDiskIsSaidAndWhatWasKeptBeforeStaysAndTheNextOneGoesOn() throws Exception {
        boolean[] full = new boolean[1];
        JournalFile.Disk disk = new JournalFile.Disk() {
            @Override
            public void write(FileChannel channel, ByteBuffer bytes) throws IOException {
                if (full[0]) {
                    bytes.limit(bytes.limit() / 2);
                    channel.write(bytes);
                    throw new IOException("No space left on device");
                }
                JournalFile.Disk.super.write(channel, bytes);
            }
        };
        Journal journal = Journal.of(disk, file, saved(opened), otherwise);
        Shot first = opened.withName("first");
        Shot second = first.withMarks(List.of(new Mark(3, Mark.Kind.KEY)));
        journal.keep(first, false);
        full[0] = true;
        assertThatThrownBy(() -> journal.keep(second, false)).hasMessageContaining("No space left");
        assertThat(left(journal.folder()).recover().shot()).isEqualTo(first);
        full[0] = false;
        journal.keep(second, false);
        Leftover.Recovered recovered = left(journal.folder()).recover();
        assertThat(recovered.shot()).isEqualTo(second);
        assertThat(recovered.missing()).isEmpty();
        journal.close();
    }

    @Test
    void ofADamagedJournalAllThatIsWholeComesBackAndTheRestIsNamed() throws Exception {
        Journal journal = journal();
        Shot one = opened.withLevel(Shots.LEVEL, level -> RandomEdits.drawn(level, 1, 5));
        Shot two = one.withLevel(Shots.LEVEL, level -> RandomEdits.drawn(level, 2, 6));
        journal.keep(one, false);
        Path records = journal.folder().resolve("journal-1");
        int damaged = (int) Files.size(records) + 40;
        journal.keep(two, false);
        journal.keep(two.withName("named after that"), false);
        journal.close();
        byte[] bytes = Files.readAllBytes(records);
        bytes[damaged] ^= 0x55;
        Files.write(records, bytes);
        Leftover.Recovered recovered = left(journal.folder()).recover();
        assertThat(recovered.missing()).hasSize(1);
        assertThat(recovered.shot().name()).isEqualTo("named after that");
        assertThat(Shots.level(recovered.shot()).drawing(1))
                .isEqualTo(Shots.level(one).drawing(1));
    }

    @Test
    void aDrawingThatCanNotBeReadIsLeftOutAndNamed() throws Exception {
        Journal journal = journal();
        journal.keep(opened.withName("later"), false);
        journal.close();
        Leftover left = left(journal.folder());
        byte[] base = Files.readAllBytes(journal.folder().resolve("base-1"));
        int at = new String(base, StandardCharsets.ISO_8859_1).indexOf("drawings/level-1/1.svg") + 120;
        base[at] ^= 0x55;
        Files.write(journal.folder().resolve("base-1"), base);
        Leftover.Recovered recovered = left.recover();
        assertThat(recovered.shot().name()).isEqualTo("later");
        assertThat(recovered.missing()).singleElement().asString().contains("drawing 1");
        assertThat(Shots.level(recovered.shot()).drawing(2))
                .isEqualTo(Shots.level(opened).drawing(2));
    }

    @Test
    void anotherSessionOnTheSameShotIsNeitherListedNorTouchedWhileItRuns() throws Exception {
        Journal first = journal();
        first.keep(opened.withName("first"), false);
        Journal looking = journal();
        assertThat(new UnsavedWork(otherwise).of(file)).isEmpty();
        looking.discard();
        assertThat(left(first.folder()).recover().shot().name()).isEqualTo("first");
        first.close();
    }

    @Test
    void severalThatWereLeftAreListedTheLatestFirst() throws Exception {
        for (String name : List.of("one", "two", "three")) {
            Journal journal = journal();
            journal.keep(opened.withName(name), false);
            journal.close();
            Files.setLastModifiedTime(
                    journal.folder().resolve("journal-1"), FileTime.fromMillis(1_000_000L * name.length()));
        }
        List<Leftover> all = new UnsavedWork(otherwise).of(file);
        assertThat(all).hasSize(3);
        assertThat(all.get(0).recover().shot().name()).isEqualTo("three");
    }

    @Test
    void savingPutsTheFileUnderWhatIsKeptAndWhatEqualsItIsNotOffered() throws Exception {
        Journal journal = journal();
        Shot saved = opened.withName("saved");
        Shot after = saved.withMarks(List.of());
        journal.keep(saved, false);
        ShotFile.fresh().save(saved, file);
        journal.saved(saved(saved), saved);
        assertThat(Files.size(journal.folder().resolve("journal-2"))).isZero();
        journal.keep(after, false);
        assertThat(left(journal.folder()).recover().shot()).isEqualTo(after);
        journal.keep(saved, true);
        journal.close();
        assertThat(new UnsavedWork(otherwise).of(file)).isEmpty();
    }

    @Test
    void cutAnywhereInASaveWhatCameMeanwhileStaysKept() throws Exception {
        for (int cut = 0; ; cut++) {
            CutDisk disk = new CutDisk();
            Journal journal = Journal.of(disk, file, saved(opened), otherwise);
            Shot saved = opened.withName("saved " + cut);
            Shot now = saved.withMarks(List.of(new Mark(3, Mark.Kind.KEY)));
            journal.keep(saved, false);
            ShotFile.fresh().save(saved, file);
            journal.keep(now, false);
            disk.left = cut;
            boolean whole = true;
            try {
                journal.saved(saved(saved), now);
            } catch (IOException e) {
                whole = false;
            }
            assertThat(left(journal.folder()).recover().shot())
                    .as("cut at operation " + cut)
                    .isEqualTo(now);
            if (!whole) {
                // The program was not cut after all, the disk is there again: what comes next is kept, and so is
                // another save.
                disk.left = Integer.MAX_VALUE;
                Shot later = now.withName("later " + cut);
                journal.keep(later, false);
                assertThat(left(journal.folder()).recover().shot()).isEqualTo(later);
                journal.saved(saved(saved), later);
                assertThat(left(journal.folder()).recover().shot()).isEqualTo(later);
            }
            journal.discard();
            if (whole) {
                assertThat(cut).isGreaterThan(1);
                return;
            }
        }
    }

    /** Writes half of what it is given and then nothing more, or forces nothing, after so many operations. */
    private static final class CutDisk implements JournalFile.Disk {
        private int left = Integer.MAX_VALUE;

        @Override
        public void write(FileChannel channel, ByteBuffer bytes) throws IOException {
            if (left-- <= 0) {
                bytes.limit(bytes.limit() / 2);
                channel.write(bytes);
                throw new IOException("cut");
            }
            JournalFile.Disk.super.write(channel, bytes);
        }

        @Override
        public void force(FileChannel channel) throws IOException {
            if (left-- <= 0) {
                throw new IOException("cut");
            }
            JournalFile.Disk.super.force(channel);
        }
    }

    @Test
    void whatAnotherProgramWritesIntoTheOpenFileDoesNotReachWhatIsKept() throws Exception {
        Journal journal = journal();
        Shot mine = opened.withName("mine");
        journal.keep(mine, false);
        Files.write(file, new byte[0]);
        assertThat(left(journal.folder()).recover().shot()).isEqualTo(mine);
        journal.close();
    }

    @Test
    void whatWasKeptOfAFileIsFoundThroughALinkToIt() throws Exception {
        Path link = Files.createSymbolicLink(
                Files.createDirectory(folder.resolve("links")).resolve("link.chalk"), file);
        Journal journal = Journal.of(link, saved(opened), otherwise);
        journal.keep(opened.withName("mine"), false);
        journal.close();
        assertThat(new UnsavedWork(otherwise).of(file)).hasSize(1);
        assertThat(new UnsavedWork(otherwise).of(link)).hasSize(1);
    }

    @Test
    void aFileThatSomeoneElseChangedIsNoticedAndItsOldStateStaysUnderTheWork() throws Exception {
        Journal journal = journal();
        Shot mine = opened.withName("mine");
        journal.keep(mine, false);
        journal.close();
        Leftover left = left(journal.folder());
        assertThat(left.fileHasChanged()).isFalse();
        ShotFile.fresh().save(opened.withLevels(List.of()).withCycles(List.of()), file);
        Files.setLastModifiedTime(file, FileTime.fromMillis(99));
        assertThat(left.fileHasChanged()).isTrue();
        assertThat(left.recover().shot()).isEqualTo(mine);
    }

    @Test
    void aShotThatWasNeverSavedComesBackWhole() throws Exception {
        Journal journal = Journal.untitled(folder.resolve("unsaved"));
        journal.keep(opened, false);
        journal.keep(opened.withName("later"), false);
        journal.close();
        assertThat(new UnsavedWork(folder.resolve("unsaved")).untitled())
                .singleElement()
                .satisfies(left -> assertThat(left.recover().shot()).isEqualTo(opened.withName("later")));
    }

    @Test
    void aFolderThatCanNotBeWrittenToHasItsJournalElsewhere() throws Exception {
        Files.write(folder.resolve(".shot.chalk.recovery"), new byte[0]);
        Journal journal = journal();
        journal.keep(opened.withName("later"), false);
        journal.close();
        assertThat(journal.folder().getParent()).isEqualTo(otherwise.toAbsolutePath());
        assertThat(left(journal.folder()).recover().shot().name()).isEqualTo("later");
    }

    @Test
    void aFolderThatHasGoneIsNotMadeAnewForTheJournal() throws Exception {
        Path gone = folder.resolve("gone/shot.chalk");
        Journal journal = Journal.of(gone, saved(opened), otherwise);
        journal.keep(opened.withName("kept all the same"), false);
        journal.close();
        assertThat(gone.getParent()).doesNotExist();
        assertThat(journal.folder()).startsWith(otherwise);
        assertThat(new UnsavedWork(otherwise).of(gone))
                .singleElement()
                .satisfies(left -> assertThat(left.recover().shot().name()).isEqualTo("kept all the same"));
    }

    @Test
    void aLongSessionIsFoldedAndLosesNothing() throws Exception {
        Journal journal = Journal.of(
                new JournalFile.Disk() {
                    @Override
                    public long large() {
                        return 1 << 20;
                    }

                    @Override
                    public Executor beside() {
                        return Runnable::run;
                    }
                },
                file,
                saved(opened),
                otherwise);
        Drawing heavy = scribbled(400);
        Shot shot = opened;
        long most = 0;
        for (int i = 0; i < 90; i++) {
            // All of it moves.
            Drawing next = heavy.withItems(heavy.items().stream()
                    .map(item -> item.transformed(AffineTransform.getTranslateInstance(1, 0)))
                    .toList());
            shot = shot.withLevel(Shots.LEVEL, level -> level.with(next));
            journal.keep(shot, false);
            most = Math.max(most, Files.size(journal.folder().resolve("journal-1")));
        }
        journal.close();
        long written = 90L * DrawingSvg.write(heavy, shot.setup().size(), shot::chalk).length;
        assertThat(most).isLessThan(written * 3 / 4).isGreaterThan(1 << 19);
        assertThat(left(journal.folder()).recover().shot()).isEqualTo(shot);
    }

    private static Drawing scribbled(int strokes) {
        List<DrawingItem> items = new ArrayList<>();
        for (int i = 0; i < strokes; i++) {
            items.add(new DrawingItem.Line(Strokes.line(i, i * 0.37, 1000 - i, i * 0.11)));
        }
        return Drawing.of(1, items);
    }

    @Test
    void aStrokeCostsWhatItIsAndNotItsDrawing() throws Exception {
        Shot full = opened.withLevel(Shots.LEVEL, level -> level.with(scribbled(5000)));
        ShotFile.fresh().save(full, file);
        Shot shot = ShotFile.open(file).shot();
        Journal journal = Journal.of(file, saved(shot), otherwise);
        Path records = journal.folder().resolve("journal-1");
        long seed = System.nanoTime();
        System.out.println("changes of a drawing of seed " + seed);
        Random random = new Random(seed);
        List<Shot> before = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            before.add(shot);
            // Something is drawn or taken away anywhere, or undone.
            shot = random.nextInt(5) == 0
                    ? before.get(Math.max(0, before.size() - 2))
                    : shot.withLevel(
                            Shots.LEVEL,
                            level -> level.with(changed(level.drawing(1).orElseThrow(), random)));
            long length = Files.size(records);
            journal.keep(shot, false);
            assertThat(Files.size(records) - length).isLessThan(30_000);
        }
        Leftover.Recovered recovered = left(journal.folder()).recover();
        assertThat(recovered.missing()).isEmpty();
        assertThat(recovered.shot()).isEqualTo(shot);
        journal.close();
    }

    private static Drawing changed(Drawing drawing, Random random) {
        List<DrawingItem> items = new ArrayList<>(drawing.items());
        int at = random.nextInt(items.size() + 1);
        items.subList(at, Math.min(items.size(), at + random.nextInt(12))).clear();
        for (int more = random.nextInt(4); more > 0; more--) {
            items.add(at, new DrawingItem.Line(Strokes.line(random.nextInt(900), 1, 2, random.nextInt(900))));
        }
        return drawing.withItems(items);
    }

    @Test
    void aDrawingThatChangesAgainAndAgainIsWrittenWholeNowAndThen() throws Exception {
        Journal journal = journal();
        Shot shot = opened;
        int changes = 4_000;
        for (int i = 0; i < changes; i++) {
            int stroke = i;
            shot = shot.withLevel(
                    Shots.LEVEL, level -> level.with(Drawing.empty(1).plus(Strokes.line(stroke, 3, 9, 9))));
            journal.keep(shot, false);
        }
        byte[] records = Files.readAllBytes(journal.folder().resolve("journal-1"));
        assertThat(JournalRecords.read(records)
                        .parts()
                        .get("drawing/" + Shots.LEVEL + "/1")
                        .changes())
                .hasSizeLessThan(changes * 3 / 4);
        assertThat(left(journal.folder()).recover().shot()).isEqualTo(shot);
        journal.close();
    }

    @Test
    void whatIsWrittenIntoAFolderThatWasRemovedDoesNotCountAsKept() throws Exception {
        Journal journal = journal();
        journal.keep(opened.withName("one"), false);
        Leftover.remove(journal.folder());
        assertThatThrownBy(() -> journal.keep(opened.withName("two"), false)).isInstanceOf(IOException.class);
        journal.discard();
    }

    @Test
    void aDrawingWithAChangeThatIsMissingIsAsItWasUntilThenAndNamed() throws Exception {
        Journal journal = journal();
        Path records = journal.folder().resolve("journal-1");
        List<Shot> shots = new ArrayList<>();
        List<Long> ends = new ArrayList<>();
        Shot shot = opened;
        for (int i = 0; i < 3; i++) {
            Drawing drawing = Shots.level(shot).drawing(1).orElseThrow();
            List<DrawingItem> items = new ArrayList<>(drawing.items());
            if (i == 1) {
                // As many as before: the next one seems to fit.
                items.remove(items.size() - 1);
            }
            items.add(new DrawingItem.Line(Strokes.line(i, 3, 9, 9)));
            shot = shot.withLevel(Shots.LEVEL, level -> level.with(drawing.withItems(items)));
            journal.keep(shot, false);
            shots.add(shot);
            ends.add(Files.size(records));
        }
        journal.close();
        byte[] bytes = Files.readAllBytes(records);
        bytes[ends.get(0).intValue() + 60] ^= 0x55;
        Files.write(records, bytes);
        Leftover.Recovered recovered = left(journal.folder()).recover();
        assertThat(recovered.missing()).anyMatch(words -> words.contains("drawing 1"));
        assertThat(Shots.level(recovered.shot()).drawing(1))
                .isEqualTo(Shots.level(shots.get(0)).drawing(1));
    }

    @Test
    void whatIsKeptCostsWhatChangedAndNotTheShot() throws Exception {
        Level crowd = Level.empty("crowd", "crowd");
        List<Drawing> drawings = new ArrayList<>();
        for (int i = 1; i <= 2000; i++) {
            drawings.add(new Drawing(i, List.of(Strokes.line(i, 0, 0, i))));
        }
        Level full = new Level(
                crowd.id(), crowd.name(), true, false, 1, crowd.style(), drawings, Exposures.of(Exposure.of(0, 9, 1)));
        Path large = folder.resolve("large.chalk");
        ShotFile.fresh().save(opened.withLevels(List.of(full)).withCycles(List.of()), large);
        Shot start = ShotFile.open(large).shot();
        Journal journal = Journal.of(large, saved(start), otherwise);
        journal.keep(start.withLevel("crowd", level -> RandomEdits.drawn(level, 7, 1)), false);
        assertThat(Files.size(journal.folder().resolve("journal-1"))).isLessThan(4000);
        journal.close();
        Files.deleteIfExists(large);
        Files.copy(journal.folder().resolve("base-1"), large, StandardCopyOption.REPLACE_EXISTING);
        assertThat(left(journal.folder()).recover().shot().levels().get(0).drawings())
                .hasSize(2000);
    }
}
