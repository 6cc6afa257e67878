package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.ChalksPart;
import chalktrace.core.shot.FrameReach;
import chalktrace.core.shot.InsertedFrames;
import chalktrace.core.shot.ListPart;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotPart;
import chalktrace.core.shot.ShotParts;
import chalktrace.media.testing.FullShot;
import chalktrace.media.testing.RandomEdits;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What holds of every part of a shot, whichever there are. */
class ShotPartsTest {

    /** They lie on no frame. */
    private static final Set<String> EVERYWHERE = Set.of("name", "setup", "chalks", "groups", "guides");

    @TempDir
    Path folder;

    private static ObjectNode written(Shot shot, ShotPart<?> part) {
        return ShotJson.write(shot, part, ShotFile::entryOf, path -> path);
    }

    @Test
    void eachPartMovesWithTheFramesOrIsSaidToLieOnNone() {
        Shot full = FullShot.of(folder);
        Shot moved = full.moved(new InsertedFrames(0, 5, full.setup().rate(), FrameReach.whole(full, true, true)));
        assertThat(ShotParts.ALL)
                .allSatisfy(part ->
                        assertThat(full.isSame(part, moved)).as(part.id()).isEqualTo(EVERYWHERE.contains(part.id())));
    }

    @Test
    void eachPartIsFullAndHasFieldsAndAnIdOfItsOwn() {
        Shot full = FullShot.of(folder);
        Set<String> fields = new HashSet<>();
        for (ShotPart<?> part : ShotParts.ALL) {
            assertThat(full.get(part)).as(part.id()).isNotEqualTo(part.empty());
            written(full, part).fieldNames().forEachRemaining(field -> assertThat(fields.add(field))
                    .as(field)
                    .isTrue());
        }
        assertThat(ShotParts.ALL).extracting(ShotPart::id).doesNotHaveDuplicates();
        assertThat(ShotParts.ALL).extracting(ShotPart::title).doesNotHaveDuplicates();
    }

    /** Ids are given again: what still named one that has gone would belong to the next thing of that name. */
    @Test
    void whateverGoesIsNamedNowhereAnyMore() {
        Shot full = FullShot.of(folder);
        List<String> stillThere = new ArrayList<>();
        for (ShotPart<?> part : ShotParts.ALL) {
            // A stroke whose chalk has gone is drawn with the first, and has its own again when that comes back.
            if (part instanceof ListPart<?> list && part != ChalksPart.CHALKS) {
                eachWithout(full, list, (id, without) -> {
                    for (ShotPart<?> other : ShotParts.ALL) {
                        if (written(without, other).toString().contains("\"" + id + "\"")) {
                            stillThere.add(id + " in " + other.id());
                        }
                    }
                });
            }
        }
        assertThat(stillThere).isEmpty();
    }

    /** Parts that were not touched are not looked at again; a file is read with all of them looked at. */
    @Test
    void afterAnyEditsNothingNamesWhatIsNotThere() throws Exception {
        Path file = folder.resolve("edited.chalk");
        for (Shot state : RandomEdits.of(FullShot.of(folder), 60)) {
            ShotFile.fresh(Files::newOutputStream).save(state, file);
            Shot read = ShotFile.open(file).shot();
            assertThat(ShotParts.ALL.stream()
                            .filter(part -> !state.isSame(part, read))
                            .toList())
                    .isEmpty();
        }
    }

    private interface Gone {
        void check(String id, Shot without);
    }

    private static <I> void eachWithout(Shot full, ListPart<I> part, Gone gone) {
        for (I item : full.get(part)) {
            List<I> others =
                    full.get(part).stream().filter(other -> other != item).toList();
            String id = written(full.with(part, List.of(item)), part)
                    .path(part.id())
                    .path(0)
                    .path("id")
                    .asText();
            if (!id.isEmpty()) {
                gone.check(id, full.with(part, others));
            }
        }
    }

    /** Numbers that no double holds, names in no order, spaces and escapes as another program may set them. */
    private static final String LIGHTS =
            "{ \"z\" : [0.1000, 1e400, 12345678901234567890.5 ],\n\t\"a\":\"\\u00e9\", \"deep\": {\"z\": -0} }";

    @Test
    void aPartOfANewerProgramIsOpenForReadingOnlyAndGoesIntoACopyByteForByte() throws Exception {
        Path file = folder.resolve("newer.chalk");
        ShotFile.fresh().save(FullShot.of(folder), file);
        try (FileSystem zip = FileSystems.newFileSystem(file, Map.of())) {
            Path document = zip.getPath(ShotFile.DOCUMENT);
            String json = Files.readString(document);
            Files.writeString(
                    document, json.replaceFirst("\\{", "{ \"lights\" : " + Matcher.quoteReplacement(LIGHTS) + ","));
        }
        ShotFile.Opened opened = ShotFile.open(file);
        assertThat(opened.shot()).isEqualTo(FullShot.of(folder));
        assertThat(opened.whyReadOnly().orElseThrow()).contains("newer.chalk").contains("\"lights\"");
        Path copy = folder.resolve("copy.chalk");
        opened.file().save(opened.shot(), copy);
        try (FileSystem zip = FileSystems.newFileSystem(copy, Map.of())) {
            assertThat(Files.readString(zip.getPath(ShotFile.DOCUMENT))).contains(LIGHTS);
        }
        ShotFile.open(copy).file().save(opened.shot(), copy);
        try (FileSystem zip = FileSystems.newFileSystem(copy, Map.of())) {
            assertThat(Files.readString(zip.getPath(ShotFile.DOCUMENT))).contains(LIGHTS);
        }
    }
}
