package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Shot;
import chalktrace.media.testing.FullShot;
import chalktrace.media.testing.Variations;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every part of a shot is changed in turn, and each change comes back from its file. */
class EveryFieldShotTest {

    /** These are compared whole, and not taken apart. */
    private static final Set<String> NO_RECORDS =
            Set.of("Fill.area", "PastedPicture.pixels", "Stroke.curve", "Track.path");

    @TempDir
    Path folder;

    @Test
    void whateverIsChangedInAShotIsInItsFile() throws Exception {
        Shot full = FullShot.of(folder);
        Path file = folder.resolve("shot.chalk");
        Set<String> untried = Variations.places(full).collect(Collectors.toCollection(TreeSet::new));
        List<String> lost = new ArrayList<>();
        for (Variations.Variation variation : Variations.of(full)) {
            Shot changed = (Shot) variation.value();
            // A file holds paths that follow it, and gives back whole ones.
            if (changed.mediaFiles().stream().anyMatch(media -> !Path.of(media).isAbsolute())) {
                continue;
            }
            ShotFile.fresh(Files::newOutputStream).save(changed, file);
            if (ShotFile.open(file).shot().equals(changed)) {
                untried.remove(variation.place());
            } else {
                lost.add(variation.place());
            }
        }
        assertThat(lost).isEmpty();
        assertThat(untried).isSubsetOf(NO_RECORDS);
    }
}
