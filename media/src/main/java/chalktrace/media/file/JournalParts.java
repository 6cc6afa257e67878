package chalktrace.media.file;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelsPart;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotPart;
import chalktrace.core.shot.ShotParts;
import chalktrace.core.shot.ShotTree;
import chalktrace.core.tree.WrongField;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;

/**
 * A shot as parts that are written by themselves: each list of the document, what each level shows, and each drawing. Parts that are the same
 * objects as before cost nothing.
 */
final class JournalParts {

    private static final ObjectMapper JSON = new ObjectMapper();

    private static final String DRAWING = "drawing/";
    private static final String EXPOSURES = "exposures/";

    /** A change that adds more than these and half of the drawing is written as the whole drawing. */
    private static final int FEW = 8;

    private JournalParts() {}

    /** What has become of a part, as a record of a journal says it. */
    record Change(JournalRecords.Kind kind, byte[] bytes) {

        static final Change GONE = new Change(JournalRecords.Kind.GONE, new byte[0]);

        static Change whole(byte[] bytes) {
            return new Change(JournalRecords.Kind.PART, bytes);
        }
    }

    /** Knows which parts are written down already. */
    interface Steps {

        /** @return which change of a drawing since it was written whole the next one is, from 1; 0 where it is to be written whole again */
        int next(String key);
    }

    /**
     * What has changed.
     *
     * @param before empty for all of it
     * @return by the key of the part
     */
    static Map<String, Change> changed(Optional<Shot> before, Shot after, UnaryOperator<String> path, Steps steps)
            throws IOException {
        Map<String, Change> out = new LinkedHashMap<>();
        for (ShotPart<?> part : ShotParts.ALL) {
            if (before.isEmpty() || !isSame(part, before.get(), after)) {
                out.put(key(part), Change.whole(JSON.writeValueAsBytes(json(part, after, path))));
            }
        }
        for (Level level : after.levels()) {
            level(before.flatMap(shot -> shot.level(level.id())), level, after, steps, out);
        }
        for (Level level : before.map(Shot::levels).orElse(List.of())) {
            if (after.level(level.id()).isEmpty()) {
                out.put(EXPOSURES + level.id(), Change.GONE);
                level.drawings().forEach(gone -> out.put(key(level.id(), gone.number()), Change.GONE));
            }
        }
        return out;
    }

    private static void level(Optional<Level> before, Level after, Shot shot, Steps steps, Map<String, Change> out)
            throws IOException {
        Exposures was = before.map(Level::exposures).orElse(Exposures.NONE);
        if (before.isEmpty() || was != after.exposures()) {
            out.put(
                    EXPOSURES + after.id(),
                    Change.whole(JSON.writeValueAsBytes(ShotJson.exposures(after.exposures()))));
        }
        if (before.isPresent() && before.get().drawings() == after.drawings()) {
            return;
        }
        for (Drawing drawing : after.drawings()) {
            Drawing known =
                    before.flatMap(level -> level.drawing(drawing.number())).orElse(null);
            if (known != drawing) {
                String key = key(after.id(), drawing.number());
                out.put(key, drawn(Optional.ofNullable(known), drawing, shot, known == null ? 0 : steps.next(key)));
            }
        }
        for (Drawing drawing : before.map(Level::drawings).orElse(List.of())) {
            if (after.drawing(drawing.number()).isEmpty()) {
                out.put(key(after.id(), drawing.number()), Change.GONE);
            }
        }
    }

    private static Change drawn(Optional<Drawing> before, Drawing after, Shot shot, int step) {
        if (step > 0) {
            DrawnChange change = DrawnChange.between(before.orElseThrow(), after, step);
            if (change.added().size() <= after.items().size() / 2 + FEW) {
                return new Change(
                        JournalRecords.Kind.CHANGE, change.write(shot.setup().size(), shot::chalk));
            }
        }
        return Change.whole(DrawingSvg.write(after, shot.setup().size(), shot::chalk));
    }

    /**
     * Puts parts together again, over the document of the file that they are changes of.
     *
     * @param root that document; empty for a shot that was never saved
     * @param base the drawings of that file
     * @param missing takes a sentence's part for each drawing that can't be read
     */
    static Shot together(
            ObjectNode root,
            ShotJson.Drawings base,
            Map<String, JournalRecords.Held.Part> parts,
            UnaryOperator<String> path,
            List<String> missing)
            throws IOException, WrongField, DrawingSvg.BrokenDrawing {
        ObjectNode whole = root.deepCopy();
        whole.put("format", ShotJson.FORMAT).put("formatVersion", ShotTree.NEWEST_FORMAT);
        Map<String, JsonNode> levelsBefore = new LinkedHashMap<>();
        whole.path("levels").forEach(level -> levelsBefore.put(level.path("id").asText(), level));
        for (ShotPart<?> part : ShotParts.ALL) {
            JournalRecords.Held.Part kept = parts.get(key(part));
            if (kept != null) {
                whole.setAll((ObjectNode) JSON.readTree(kept.bytes()));
            }
        }
        for (JsonNode level : whole.path("levels")) {
            fill((ObjectNode) level, levelsBefore.get(level.path("id").asText()), parts);
        }
        Map<String, Drawing> read = readable(whole, parts, base, missing);
        return ShotJson.read(whole, (number, file) -> read.get(file), path);
    }

    /** Gives a level its exposures and the list of its drawings. */
    private static void fill(ObjectNode level, JsonNode before, Map<String, JournalRecords.Held.Part> parts)
            throws IOException {
        String id = level.path("id").asText();
        JournalRecords.Held.Part shown = parts.get(EXPOSURES + id);
        level.set(
                "exposures",
                shown != null && !shown.isGone()
                        ? JSON.readTree(shown.bytes())
                        : before == null ? JSON.createArrayNode() : before.path("exposures"));
        Map<Integer, String> files = new LinkedHashMap<>();
        if (before != null) {
            before.path("drawings")
                    .forEach(d ->
                            files.put(d.path("number").asInt(), d.path("file").asText()));
        }
        String mine = DRAWING + id + "/";
        parts.forEach((key, part) -> {
            if (key.startsWith(mine)) {
                int number = Integer.parseInt(key.substring(mine.length()));
                if (part.isGone()) {
                    files.remove(number);
                } else if (part.since() == JournalRecords.Held.Since.WHOLE) {
                    files.put(number, key);
                }
            }
        });
        ArrayNode drawings = level.putArray("drawings");
        for (int number : new TreeSet<>(files.keySet())) {
            drawings.addObject().put("number", number).put("file", files.get(number));
        }
    }

    /** A drawing that can't be read is left out, and where it showed nothing shows: better all others than none. */
    private static Map<String, Drawing> readable(
            ObjectNode whole,
            Map<String, JournalRecords.Held.Part> parts,
            ShotJson.Drawings base,
            List<String> missing) {
        Map<String, Drawing> read = new HashMap<>();
        for (JsonNode level : whole.path("levels")) {
            String name = level.path("name").asText();
            Set<Integer> there = new TreeSet<>(Set.of(Exposure.BLANK));
            Set<Integer> gone = new TreeSet<>();
            for (Iterator<JsonNode> all = level.path("drawings").elements(); all.hasNext(); ) {
                JsonNode one = all.next();
                int number = one.path("number").asInt();
                String file = one.path("file").asText();
                JournalRecords.Held.Part part = parts.get(key(level.path("id").asText(), number));
                try {
                    Drawing drawing = part != null && part.since() == JournalRecords.Held.Since.WHOLE
                            ? DrawingSvg.read(number, part.bytes())
                            : base.read(number, file);
                    read.put(file, part == null ? drawing : changed(drawing, part.changes(), name, missing));
                    there.add(number);
                } catch (DrawingSvg.BrokenDrawing e) {
                    all.remove();
                    gone.add(number);
                }
            }
            for (Iterator<JsonNode> all = level.path("exposures").elements(); all.hasNext(); ) {
                int shown = all.next().path("drawing").asInt();
                if (!there.contains(shown)) {
                    all.remove();
                    gone.add(shown);
                }
            }
            gone.forEach(number -> missing.add("drawing " + number + " of " + name));
        }
        return read;
    }

    /** A drawing with what came since; where a change is missing, as it was until then. */
    private static Drawing changed(Drawing drawing, List<byte[]> changes, String level, List<String> missing) {
        Drawing out = drawing;
        int step = 1;
        try {
            for (byte[] change : changes) {
                DrawnChange next = DrawnChange.read(change);
                if (next.step() != step++) {
                    throw new DrawingSvg.BrokenDrawing("lacks a change", null);
                }
                out = next.applied(out);
            }
        } catch (DrawingSvg.BrokenDrawing e) {
            missing.add("the latest of drawing " + drawing.number() + " of " + level);
        }
        return out;
    }

    private static String key(String level, int number) {
        return DRAWING + level + "/" + number;
    }

    private static String key(ShotPart<?> part) {
        return part.id().toUpperCase(Locale.ROOT);
    }

    /** Of levels only the heads are a part: what they show and their drawings are written by themselves. */
    private static boolean isSame(ShotPart<?> part, Shot before, Shot after) {
        return part == LevelsPart.LEVELS
                ? bare(before.levels()).equals(bare(after.levels()))
                : before.get(part) == after.get(part);
    }

    private static ObjectNode json(ShotPart<?> part, Shot shot, UnaryOperator<String> path) {
        Shot heads = part == LevelsPart.LEVELS ? shot.withLevels(bare(shot.levels())) : shot;
        return ShotJson.write(heads, part, ShotFile::entryOf, path);
    }

    private static List<Level> bare(List<Level> levels) {
        return levels.stream().map(Level::bare).toList();
    }
}
