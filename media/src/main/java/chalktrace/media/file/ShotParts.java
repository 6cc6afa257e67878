package chalktrace.media.file;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/**
 * A shot as parts that are written by themselves: each list of the document, what each level shows, and each drawing. Parts that are the same
 * objects as before cost nothing.
 */
final class ShotParts {

    private static final ObjectMapper JSON = new ObjectMapper();

    private static final String DRAWING = "drawing/";
    private static final String EXPOSURES = "exposures/";

    /** A change that adds more than these and half of the drawing is written as the whole drawing. */
    private static final int FEW = 8;

    /** Fields of the document, by the part of the shot that they come from. */
    private enum Field {
        NAME(Shot::name, (blank, shot) -> blank.withName(shot.name()), "name"),
        SETUP(Shot::setup, (blank, shot) -> blank.withSetup(shot.setup()), "setup"),
        CHALKS(Shot::chalks, (blank, shot) -> blank.withChalks(shot.chalks()), "chalks"),
        LEVELS(ShotParts::heads, (blank, shot) -> blank.withLevels(bare(shot)), "levels"),
        GROUPS(Shot::groups, (blank, shot) -> blank.withGroups(shot.groups()), "groups"),
        CYCLES(Shot::cycles, (blank, shot) -> blank.withLevels(bare(shot)).withCycles(shot.cycles()), "cycles"),
        FOOTAGE(Shot::footage, (blank, shot) -> blank.withFootage(shot.footage()), "footage"),
        SOUNDS(Shot::sounds, (blank, shot) -> blank.withSounds(shot.sounds()), "sounds"),
        CUES(Shot::cues, (blank, shot) -> blank.withCues(shot.cues()), "cues"),
        MARKS(Shot::marks, (blank, shot) -> blank.withMarks(shot.marks()), "marks"),
        GUIDES(Shot::guides, (blank, shot) -> blank.withGuides(shot.guides()), "guides"),
        TRACKS(Shot::tracks, (blank, shot) -> blank.withFootage(shot.footage()).withTracks(shot.tracks()), "tracks"),
        RIDES(
                Shot::rides,
                (blank, shot) -> blank.withFootage(shot.footage())
                        .withGuides(shot.guides())
                        .withTracks(shot.tracks())
                        .withRides(shot.rides()),
                "rides"),
        /** Its fields are all that are no other part's. */
        SPEECH(Shot::speech, (blank, shot) -> blank.withSpeech(shot.speech()));

        private final Function<Shot, Object> source;
        private final BiFunction<Shot, Shot, Shot> alone;
        private final List<String> names;

        Field(Function<Shot, Object> source, BiFunction<Shot, Shot, Shot> alone, String... names) {
            this.source = source;
            this.alone = alone;
            this.names = List.of(names);
        }

        private boolean isSame(Shot before, Shot after) {
            Object was = source.apply(before);
            Object is = source.apply(after);
            return was == is || this == LEVELS && was.equals(is);
        }

        private ObjectNode of(Shot shot, UnaryOperator<String> path) {
            Shot blank = Shot.empty("", shot.setup()).withLevels(List.of());
            ObjectNode root = ShotJson.write(alone.apply(blank, shot), ShotFile::entryOf, path);
            if (this != SPEECH) {
                return root.retain(names);
            }
            for (Field other : values()) {
                root.remove(other.names);
            }
            return root.without(List.of("format", "formatVersion"));
        }
    }

    private ShotParts() {}

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
        for (Field field : Field.values()) {
            if (before.isEmpty() || !field.isSame(before.get(), after)) {
                out.put(field.name(), Change.whole(JSON.writeValueAsBytes(field.of(after, path))));
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
            throws IOException, JsonFields.WrongField, DrawingSvg.BrokenDrawing {
        ObjectNode whole = root.deepCopy();
        whole.put("format", ShotJson.FORMAT).put("formatVersion", ShotJson.VERSION);
        Map<String, JsonNode> levelsBefore = new LinkedHashMap<>();
        whole.path("levels").forEach(level -> levelsBefore.put(level.path("id").asText(), level));
        for (Field field : Field.values()) {
            JournalRecords.Held.Part part = parts.get(field.name());
            if (part != null) {
                whole.setAll((ObjectNode) JSON.readTree(part.bytes()));
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

    /** All of levels but what they show and their drawings. */
    private static List<Level> bare(Shot shot) {
        List<Level> out = new ArrayList<>();
        for (Level level : shot.levels()) {
            out.add(new Level(
                    level.id(),
                    level.name(),
                    level.visible(),
                    level.locked(),
                    level.opacity(),
                    level.style(),
                    List.of(),
                    Exposures.NONE));
        }
        return out;
    }

    private static Object heads(Shot shot) {
        return bare(shot);
    }
}
