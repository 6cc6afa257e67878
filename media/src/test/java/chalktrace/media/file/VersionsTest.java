package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.media.UnreadableException;
import chalktrace.media.testing.FullShot;
import chalktrace.media.testing.RandomEdits;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class VersionsTest {

    private static final Instant NOW = Instant.parse("2026-03-04T12:00:00Z");
    private static final long PLENTY = 1L << 30;

    @TempDir
    Path folder;

    private Path file;
    private ShotFile.Opened opened;

    @BeforeEach
    void save() throws Exception {
        file = folder.resolve("shot.chalk");
        ShotFile.fresh().save(FullShot.of(folder), file);
        Files.setLastModifiedTime(file, FileTime.from(NOW.minusSeconds(1)));
        opened = ShotFile.open(file);
    }

    private Versions versions() {
        return new Versions(file);
    }

    /** Saves as a person does at a time. */
    private void save(Shot shot, Instant at) throws Exception {
        Versions.Before before = versions().before().orElseThrow();
        opened.file().save(shot, file);
        Files.setLastModifiedTime(file, FileTime.from(at));
        before.keep("words", new byte[] {1, 2});
    }

    private long bytes() throws IOException {
        try (Stream<Path> all = Files.walk(folder.resolve(".shot.chalk.versions"))) {
            return all.filter(Files::isRegularFile)
                    .mapToLong(path -> path.toFile().length())
                    .sum();
        }
    }

    @Test
    void eachStateBeforeASaveCanBeHadAgain() throws Exception {
        List<Shot> states = new ArrayList<>(List.of(opened.shot()));
        for (Shot next : RandomEdits.of(opened.shot(), 12)) {
            save(next, NOW.plusSeconds(states.size()));
            states.add(next);
        }
        List<Versions.Version> all = versions().all();
        assertThat(all).hasSize(states.size() - 1);
        Collections.reverse(states);
        for (int i = 0; i < all.size(); i++) {
            assertThat(versions().open(all.get(i)).shot()).as("version " + i).isEqualTo(states.get(i + 1));
            assertThat(all.get(i).words()).isEqualTo("words");
            assertThat(all.get(i).picture()).containsExactly(1, 2);
        }
        assertThat(all.get(all.size() - 1).saved()).isEqualTo(NOW.minusSeconds(1));
    }

    @Test
    void aVersionCostsWhatChanged() throws Exception {
        Shot shot = opened.shot();
        for (int i = 1; i <= 200; i++) {
            int number = i;
            Drawing drawing = Drawing.empty(number);
            for (int line = 0; line < 20; line++) {
                drawing = drawing.plus(Strokes.line(line, number, 3 * line, 9));
            }
            Drawing drawn = drawing;
            shot = shot.withLevel(Shots.LEVEL, level -> level.with(drawn));
        }
        save(shot, NOW);
        save(shot.withName("one"), NOW.plusSeconds(1));
        long first = bytes();
        save(shot.withName("two").withLevel(Shots.LEVEL, level -> RandomEdits.drawn(level, 7, 1)), NOW.plusSeconds(2));
        save(shot.withName("three"), NOW.plusSeconds(3));
        assertThat(bytes() - first).isLessThan(first / 2);
        assertThat(versions().all()).hasSize(4);
    }

    @Test
    void aFailedSaveLeavesNoVersion() throws Exception {
        Versions.Before before = versions().before().orElseThrow();
        before.drop();
        assertThat(versions().all()).isEmpty();
        assertThat(bytes()).isZero();
        assertThat(new Versions(folder.resolve("new.chalk")).before()).isEmpty();
    }

    /** The program was cut short between the save and what it keeps of the state before. */
    @Test
    void aStateThatWasHeldOnToIsAVersionWhereAnotherHasComeSince() throws Exception {
        Path kept = folder.resolve(".shot.chalk.versions");
        versions().before().orElseThrow();
        opened.file().save(opened.shot().withName("later"), file);
        assertThat(versions().all()).as("it may still be under way").isEmpty();
        Files.setLastModifiedTime(kept, FileTime.from(Instant.now().minus(Duration.ofHours(1))));
        assertThat(versions().all()).hasSize(1);
        assertThat(versions().open(versions().all().get(0)).shot()).isEqualTo(opened.shot());
        // Cut short before the save: nothing was replaced.
        versions().before().orElseThrow();
        Files.setLastModifiedTime(kept, FileTime.from(Instant.now().minus(Duration.ofHours(1))));
        assertThat(versions().all()).hasSize(1);
    }

    @Test
    void oldOnesAreThinnedOutAndNamedOnesStay() throws Exception {
        // Every ten minutes for ten days, as files that were saved then.
        Files.setLastModifiedTime(file, FileTime.from(NOW.minus(Duration.ofDays(10))));
        int saves = 10 * 24 * 6;
        for (int i = 1; i <= saves; i++) {
            Versions.Before before = versions().before().orElseThrow();
            Files.setLastModifiedTime(
                    file, FileTime.from(NOW.minus(Duration.ofDays(10)).plus(Duration.ofMinutes(10L * i))));
            before.keep("", new byte[0]);
        }
        Versions.Version oldest = versions().all().get(saves - 1);
        versions().name(oldest, "approved");
        Versions.Version second = versions().all().get(saves - 2);
        versions().name(second, "also");
        versions().thin(NOW, PLENTY);
        List<Versions.Version> left = versions().all();
        assertThat(left).extracting(Versions.Version::name).contains("approved", "also");
        assertThat(count(left, Duration.ZERO, Duration.ofHours(2)))
                .as("all of two hours")
                .isBetween(11L, 13L);
        assertThat(count(left, Duration.ofHours(25), Duration.ofDays(7)))
                .as("one an hour")
                .isBetween(135L, 146L);
        assertThat(count(left, Duration.ofDays(8), Duration.ofDays(9)))
                .as("one a day")
                .isBetween(1L, 2L);
        versions().thin(NOW, PLENTY);
        assertThat(ids(versions().all())).as("thinned out, it stays as it is").isEqualTo(ids(left));
        versions().thin(NOW, 0);
        assertThat(versions().all()).extracting(Versions.Version::name).contains("approved", "also");
    }

    private static List<String> ids(List<Versions.Version> versions) {
        return versions.stream().map(Versions.Version::id).toList();
    }

    private static long count(List<Versions.Version> all, Duration from, Duration to) {
        return all.stream()
                .map(version -> Duration.between(version.saved(), NOW))
                .filter(age -> age.compareTo(from) >= 0 && age.compareTo(to) <= 0)
                .count();
    }

    @Test
    void whatNoLongerFitsGoesFromTheOldestOn() throws Exception {
        for (int i = 0; i < 20; i++) {
            int number = 10 + i;
            Drawing drawing = Drawing.empty(number);
            for (int line = 0; line < 50; line++) {
                drawing = drawing.plus(Strokes.line(line * i, number, 3 * line, 9 + i));
            }
            Drawing drawn = drawing;
            save(opened.shot().withLevel(Shots.LEVEL, level -> level.with(drawn)), NOW.plusSeconds(i));
        }
        long most = bytes() / 2;
        List<Versions.Version> before = versions().all();
        versions().thin(NOW.plusSeconds(60), most);
        List<Versions.Version> left = versions().all();
        assertThat(left).hasSizeBetween(2, 15);
        assertThat(ids(left)).isEqualTo(ids(before.subList(0, left.size())));
        for (Versions.Version version : left) {
            assertThat(versions().open(version).shot().levels()).isNotEmpty();
        }
    }

    @Test
    void versionsGoAlongWithARenamedShotAndNotWithACopy() throws Exception {
        save(opened.shot().withName("later"), NOW);
        Path copy = Files.copy(file, folder.resolve("copy.chalk"));
        assertThat(new Versions(copy).all()).isEmpty();
        Path renamed = Files.move(file, folder.resolve("renamed.chalk"));
        assertThat(new Versions(renamed).all()).hasSize(1);
        assertThat(new Versions(copy).all()).isEmpty();
    }

    @Test
    void aDamagedVersionIsRefusedAndTheOthersOpen() throws Exception {
        Shot one = opened.shot().withLevel(Shots.LEVEL, level -> RandomEdits.drawn(level, 1, 1));
        save(one, NOW);
        save(one.withName("two"), NOW.plusSeconds(1));
        List<Versions.Version> all = versions().all();
        Path list = folder.resolve(".shot.chalk.versions/" + all.get(0).id() + ".parts");
        String text = Files.readString(list);
        for (String bad : List.of("", "{", text.replaceAll("[0-9a-f]{64}", "../../shot.chalk"))) {
            Files.writeString(list, bad);
            assertThatExceptionOfType(UnreadableException.class)
                    .isThrownBy(() -> versions().open(all.get(0)));
            assertThat(versions().open(all.get(1)).shot()).isEqualTo(opened.shot());
        }
    }
}
