package chalktrace.app.board.pen;

import chalktrace.app.words.Words;
import chalktrace.core.stroke.PenSample;
import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * Strokes of a pen as they were made: a table with the columns stroke, x, y, pressure, seconds; a new number in the first
 * column starts a stroke.
 */
public record RecordedStrokes(List<List<PenSample>> strokes) {

    private static final int COLUMNS = 5;
    private static final int MOST_LINES = 1_000_000;

    public RecordedStrokes {
        strokes = strokes.stream().map(List::copyOf).toList();
    }

    /** The strokes that ship with the program: a wisp of steam, with light and heavy parts. */
    public static RecordedStrokes shipped() {
        try (InputStream in = RecordedStrokes.class.getResourceAsStream("steam.csv")) {
            return parse(Path.of("steam.csv"), new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException | UnreadableException e) {
            throw new IllegalStateException("the shipped strokes are damaged", e);
        }
    }

    /** @throws UnreadableException when the file is no such table; the message names the line */
    public static RecordedStrokes read(Path file) throws UnreadableException {
        try {
            return parse(file, Files.readString(file));
        } catch (IOException e) {
            throw UnreadableException.of(
                    file, Words.TRACE.of("cant-be-read", e.getMessage()), Words.TRACE.of("choose-another-file"), e);
        }
    }

    private static RecordedStrokes parse(Path file, String text) throws UnreadableException {
        List<List<PenSample>> strokes = new ArrayList<>();
        String[] lines = text.split("\\R", MOST_LINES);
        String current = null;
        for (int i = 1; i < lines.length; i++) {
            if (lines[i].isBlank()) {
                continue;
            }
            String[] cells = lines[i].split(",");
            if (cells.length != COLUMNS) {
                throw wrong(file, i, Words.TRACE.of("needs-5-columns-stroke-x"));
            }
            if (!cells[0].equals(current)) {
                strokes.add(new ArrayList<>());
                current = cells[0];
            }
            strokes.get(strokes.size() - 1).add(sample(file, i, cells));
        }
        return new RecordedStrokes(strokes);
    }

    private static PenSample sample(Path file, int line, String[] cells) throws UnreadableException {
        try {
            PenSample sample = new PenSample(
                    Double.parseDouble(cells[1]),
                    Double.parseDouble(cells[2]),
                    Math.max(0, Math.min(1, Double.parseDouble(cells[3]))),
                    Double.parseDouble(cells[4]));
            if (Double.isFinite(sample.x() + sample.y() + sample.pressure() + sample.seconds())) {
                return sample;
            }
        } catch (NumberFormatException e) {
            // The sentence below says where.
        }
        throw wrong(file, line, Words.TRACE.of("has-something-else-than-numbers"));
    }

    private static UnreadableException wrong(Path file, int line, String what) {
        return UnreadableException.of(
                file, Words.TRACE.of("is-no-table-of-strokes", line + 1, what), Words.TRACE.of("mend-that-line"));
    }
}
