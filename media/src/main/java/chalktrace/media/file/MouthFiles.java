package chalktrace.media.file;

import chalktrace.core.shot.ChartTree;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Mouth charts as JSON: by themselves in a file, so that shots can share them, and within a shot. */
public final class MouthFiles {

    private static final long LARGEST_BYTES = 1 << 20;

    private MouthFiles() {}

    /** @throws UnreadableException when it is no chart, or one in which a phone has no mouth or two */
    public static MouthChart read(Path file) throws UnreadableException {
        try {
            if (Files.size(file) > LARGEST_BYTES) {
                throw UnreadableException.of(
                        file, "is too large for a mouth chart", "Choose the chart's own JSON file.");
            }
            return ChartTree.read(Fields.of(TreeJson.tree(new ObjectMapper().readTree(Files.readString(file)))));
        } catch (WrongField e) {
            throw UnreadableException.of(file, "is no mouth chart that can be used", e.getMessage(), e);
        } catch (IOException e) {
            throw UnreadableException.of(
                    file,
                    "can't be read as a mouth chart",
                    "Write one with 'chalk mouths --write-chart' and change that.",
                    e);
        }
    }

    public static void write(MouthChart chart, Path file) throws UnwritableException {
        Branch root = new Branch();
        ChartTree.write(chart, root);
        try {
            Files.writeString(file, TreeJson.json(root).toPrettyString() + "\n");
        } catch (IOException e) {
            throw UnwritableException.of(file, "written", "The chart in the shot is as it was.", e);
        }
    }
}
