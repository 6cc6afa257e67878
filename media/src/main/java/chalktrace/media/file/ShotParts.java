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

    /**
     * What has changed.
     *
     * @param before empty for all of it
     * @return bytes by the key of the part; none for a part that is gone
     */
    static Map<String, Optional<byte[]>> changed(Optional<Shot> before, Shot after, UnaryOperator<String> path)
            throws IOException {
        Map<String, Optional<byte[]>> out = new LinkedHashMap<>();
        for (Field field : Field.values()) {
            if (before.isEmpty() || !field.isSame(before.get(), after)) {
                out.put(field.name(), Optional.of(JSON.writeValueAsBytes(field.of(after, path))));
            }
        }
        for (Level level : after.levels()) {
            level(before.flatMap(shot -> shot.level(level.id())), level, after, out);
        }
        for (Level level : before.map(Shot::levels).orElse(List.of())) {
            if (after.level(level.id()).isEmpty()) {
                out.put(EXPOSURES + level.id(), Optional.empty());
                level.drawings().forEach(gone -> out.put(key(level.id(), gone.number()), Optional.empty()));
            }
        }
        return out;
    }

    private static void level(Optional<Level> before, Level after, Shot shot, Map<String, Optional<byte[]>> out)
            throws IOException {
        Exposures was = before.map(Level::exposures).orElse(Exposures.NONE);
        if (before.isEmpty() || was != after.exposures()) {
            out.put(EXPOSURES + after.id(), Optional.of(JSON.writeValueAsBytes(ShotJson.exposures(after.exposures()))));
        }
        if (before.isPresent() && before.get().drawings() == after.drawings()) {
            return;
        }
        for (Drawing drawing : after.drawings()) {
            Drawing known =
                    before.flatMap(level -> level.drawing(drawing.number())).orElse(null);
            if (known != drawing) {
                byte[] svg = DrawingSvg.write(drawing, shot.setup().size(), shot::chalk);
                out.put(key(after.id(), drawing.number()), Optional.of(svg));
            }
        }
        for (Drawing drawing : before.map(Level::drawings).orElse(List.of())) {
            if (after.drawing(drawing.number()).isEmpty()) {
                out.put(key(after.id(), drawing.number()), Optional.empty());
            }
        }
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
        Map<String, byte[]> drawn = new LinkedHashMap<>();
        parts.forEach((key, part) -> {
            if (key.startsWith(DRAWING) && part.bytes() != null) {
                drawn.put(key, part.bytes());
            }
        });
        Map<String, Drawing> read = readable(whole, drawn, base, missing);
        return ShotJson.read(whole, (number, file) -> read.get(file), path);
    }

    /** Gives a level its exposures and the list of its drawings. */
    private static void fill(ObjectNode level, JsonNode before, Map<String, JournalRecords.Held.Part> parts)
            throws IOException {
        String id = level.path("id").asText();
        JournalRecords.Held.Part shown = parts.get(EXPOSURES + id);
        level.set(
                "exposures",
                shown != null && shown.bytes() != null
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
                if (part.bytes() == null) {
                    files.remove(number);
                } else {
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
            ObjectNode whole, Map<String, byte[]> drawn, ShotJson.Drawings base, List<String> missing) {
        Map<String, Drawing> read = new HashMap<>();
        for (JsonNode level : whole.path("levels")) {
            Set<Integer> there = new TreeSet<>(Set.of(Exposure.BLANK));
            Set<Integer> gone = new TreeSet<>();
            for (Iterator<JsonNode> all = level.path("drawings").elements(); all.hasNext(); ) {
                JsonNode one = all.next();
                int number = one.path("number").asInt();
                String file = one.path("file").asText();
                try {
                    read.put(file, drawing(number, file, drawn, base));
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
            String name = level.path("name").asText();
            gone.forEach(number -> missing.add("drawing " + number + " of " + name));
        }
        return read;
    }

    private static Drawing drawing(int number, String file, Map<String, byte[]> drawn, ShotJson.Drawings base)
            throws DrawingSvg.BrokenDrawing {
        byte[] svg = drawn.get(file);
        return svg == null ? base.read(number, file) : DrawingSvg.read(number, svg);
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
