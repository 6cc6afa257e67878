package chalktrace.media.file;

import chalktrace.core.motion.MovingPoint;
import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/** Paths of points as a CSV table (RFC 4180) with the columns point, frame, x and y: frames from 0, places in px. */
final class PointsCsv {

    /** A larger table is a mistake. */
    static final long MOST_BYTES = 64L << 20;

    static final int MOST_FRAME = 1_000_000;

    private static final int LONGEST_HEAD = 2_000;
    private static final CSVFormat FORMAT = CSVFormat.DEFAULT
            .builder()
            .setHeader()
            .setSkipHeaderRecord(true)
            .setIgnoreSurroundingSpaces(true)
            .setIgnoreHeaderCase(true)
            .setTrim(true)
            .get();

    private PointsCsv() {}

    static String write(List<MovingPoint> points) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter rows = new CSVPrinter(out, CSVFormat.DEFAULT)) {
            rows.printRecord("point", "frame", "x", "y");
            for (MovingPoint point : points) {
                for (int frame = point.firstFrame(); frame <= point.lastFrame(); frame++) {
                    if (point.knows(frame)) {
                        rows.printRecord(point.name(), frame, px(point.x(frame)), px(point.y(frame)));
                    }
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static String px(double value) {
        return String.format(Locale.ROOT, "%.3f", value);
    }

    /**
     * Frames that are missing are gaps; a place that is not a number is one as well.
     *
     * @throws UnreadableException when it is no such table; the message names the line
     */
    static List<MovingPoint> read(Path file) throws UnreadableException {
        String text;
        try {
            if (Files.size(file) > MOST_BYTES) {
                throw UnreadableException.of(file, "is larger than 64 MB", "Split it.");
            }
            text = new String(Files.readAllBytes(file), StandardCharsets.UTF_8).replaceFirst("^\uFEFF", "");
        } catch (IOException e) {
            throw UnreadableException.of(file, "could not be read", "Check that it is there and may be read.", e);
        }
        int head = text.indexOf('\n');
        if ((head < 0 ? text.length() : head) > LONGEST_HEAD) {
            throw UnreadableException.of(
                    file, "has a first line of over " + LONGEST_HEAD + " characters", "It is point,frame,x,y.");
        }
        Map<String, TreeMap<Integer, double[]>> found = new LinkedHashMap<>();
        try (CSVParser rows = CSVParser.parse(new StringReader(text), FORMAT)) {
            for (String column : List.of("point", "frame", "x", "y")) {
                if (!rows.getHeaderMap().containsKey(column)) {
                    throw UnreadableException.of(
                            file, "has no column \"" + column + "\"", "Its first line is point,frame,x,y.");
                }
            }
            for (CSVRecord row : rows) {
                add(file, row, rows.getCurrentLineNumber(), found);
            }
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException e) {
            throw UnreadableException.of(file, "is no table (" + e.getMessage() + ")", "Write it as CSV.", e);
        }
        List<MovingPoint> points = new ArrayList<>();
        found.forEach((name, places) -> points.add(point(name, places)));
        if (points.isEmpty()) {
            throw UnreadableException.of(file, "holds no point", "Add lines such as hand,0,120.5,80.");
        }
        return points;
    }

    private static void add(Path file, CSVRecord row, long line, Map<String, TreeMap<Integer, double[]>> found)
            throws UnreadableException {
        if (!row.isConsistent()) {
            throw UnreadableException.of(file, "has too few fields in line " + line, "Give point, frame, x and y.");
        }
        int frame = (int) number(file, row.get("frame"), line, "frame");
        if (frame < 0 || frame > MOST_FRAME) {
            throw UnreadableException.of(
                    file,
                    "names frame " + row.get("frame") + " in line " + line,
                    "Frames are 0 to " + MOST_FRAME + ".");
        }
        found.computeIfAbsent(row.get("point"), name -> new TreeMap<>())
                .put(frame, new double[] {place(file, row.get("x"), line, "x"), place(file, row.get("y"), line, "y")});
    }

    private static double number(Path file, String text, long line, String what) throws UnreadableException {
        try {
            double value = Double.parseDouble(text);
            if (Double.isFinite(value) && Math.abs(value) < 1e7) {
                return value;
            }
        } catch (NumberFormatException e) {
            // The sentence below says so.
        }
        throw UnreadableException.of(
                file, "has \"" + text + "\" as " + what + " in line " + line, "Write a number there.");
    }

    /** An empty field or NaN is a gap. */
    private static double place(Path file, String text, long line, String what) throws UnreadableException {
        return text.isEmpty() || text.equalsIgnoreCase("nan") ? Double.NaN : number(file, text, line, what);
    }

    /** @param places by their frames, one at least; what lies between is not known */
    static MovingPoint point(String name, TreeMap<Integer, double[]> places) {
        int first = places.firstKey();
        double[] x = new double[places.lastKey() - first + 1];
        double[] y = new double[x.length];
        Arrays.fill(x, Double.NaN);
        Arrays.fill(y, Double.NaN);
        places.forEach((frame, place) -> {
            x[frame - first] = place[0];
            y[frame - first] = place[1];
        });
        return new MovingPoint(name, first, x, y);
    }
}
