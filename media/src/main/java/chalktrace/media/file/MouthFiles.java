package chalktrace.media.file;

import chalktrace.core.shot.MouthChart;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

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
            return read(JsonFields.root(new ObjectMapper().readTree(Files.readString(file))));
        } catch (JsonFields.WrongField e) {
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
        ObjectNode root = JsonNodeFactory.instance.objectNode();
        write(chart, root);
        try {
            Files.writeString(file, root.toPrettyString() + "\n");
        } catch (IOException e) {
            throw UnwritableException.of(file, "written", "The chart in the shot is as it was.", e);
        }
    }

    static void write(MouthChart chart, ObjectNode to) {
        to.put("name", chart.name());
        ShotJson.each(to, "mouths", chart.mouths(), (mouth, m) -> m.put("id", mouth.id())
                .put("sounds", mouth.sounds())
                .put("phones", String.join(" ", mouth.phones()))
                .put("priority", mouth.priority())
                .put("leastMillis", mouth.leastMillis()));
    }

    static MouthChart read(JsonFields fields) throws JsonFields.WrongField {
        List<MouthChart.Mouth> mouths = fields.list(
                "mouths",
                item -> item.make(f -> new MouthChart.Mouth(
                        f.text("id"),
                        f.text("sounds"),
                        f.text("phones").isBlank()
                                ? List.of()
                                : List.of(f.text("phones").strip().split("\\s+")),
                        f.whole("priority"),
                        f.whole("leastMillis"))));
        return fields.make(f -> new MouthChart(f.text("name"), mouths));
    }
}
