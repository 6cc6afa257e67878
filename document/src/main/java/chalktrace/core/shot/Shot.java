package chalktrace.core.shot;

import chalktrace.core.guide.Guide;
import chalktrace.core.motion.Track;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The document: one continuous piece of animation as a single immutable value, held by its {@linkplain ShotParts parts}. Whatever leans on something that
 * goes, goes or lets go with it, as its part says.
 */
public final class Shot implements PartValues {

    /** A part's value, and the ids of what is in it. */
    private record Held(Object value, Set<String> ids) {}

    private final Map<ShotPart<?>, Held> parts;

    private Shot(Map<ShotPart<?>, Held> parts) {
        this.parts = parts;
    }

    /** A shot with one empty level and the shipped chalks. */
    public static Shot empty(String name, ShotSetup setup) {
        Map<ShotPart<?>, Object> values = new HashMap<>();
        ShotParts.ALL.forEach(part -> values.put(part, part.empty()));
        values.put(NamePart.NAME, name);
        values.put(SetupPart.SETUP, setup);
        return of(values);
    }

    /**
     * @param values of all parts
     * @throws IllegalArgumentException when an id is there twice, or there is no chalk
     */
    static Shot of(Map<ShotPart<?>, Object> values) {
        Shot shot = new Shot(new IdentityHashMap<>());
        for (ShotPart<?> part : ShotParts.ALL) {
            shot.put(part, values.get(part));
        }
        shot.requireEachIdOnce();
        shot.fitAll();
        return shot;
    }

    /** With parts exchanged; the others let go of what has gone. */
    private Shot with(Map<ShotPart<?>, Object> values) {
        Shot shot = new Shot(new IdentityHashMap<>(parts));
        boolean idsChange = false;
        boolean unsettled = false;
        for (ShotPart<?> part : ShotParts.ALL) {
            Object value = values.get(part);
            if (value != null && value != get(part)) {
                shot.put(part, value);
                idsChange |= !shot.parts.get(part).ids.equals(parts.get(part).ids);
                unsettled |= unsettles(part, shot);
            }
        }
        if (idsChange) {
            shot.requireEachIdOnce();
        }
        if (idsChange || unsettled) {
            shot.fitAll();
        } else {
            values.keySet().forEach(shot::fit);
        }
        return shot;
    }

    private <T> boolean unsettles(ShotPart<T> part, Shot after) {
        return part.unsettles(get(part), after.get(part));
    }

    /** With one part exchanged. @throws IllegalArgumentException when an id is there twice */
    public <T> Shot with(ShotPart<T> part, T value) {
        return with(Map.of(part, value));
    }

    @SuppressWarnings("unchecked")
    private <T> void put(ShotPart<T> part, Object value) {
        T kept = part.kept((T) value);
        Set<String> ids = new LinkedHashSet<>();
        part.ids(kept).forEach(id -> requireNew(ids, id));
        parts.put(part, new Held(kept, ids));
    }

    private void fitAll() {
        ShotParts.ALL.forEach(this::fit);
    }

    /** What is let go of may be what something of the same part leans on. */
    private <T> void fit(ShotPart<T> part) {
        T value = get(part);
        T fitting = part.fitting(value, this);
        while (fitting != value) {
            put(part, fitting);
            value = get(part);
            fitting = part.fitting(value, this);
        }
    }

    private void requireEachIdOnce() {
        Set<String> taken = new HashSet<>();
        parts.values().forEach(held -> held.ids.forEach(id -> requireNew(taken, id)));
    }

    private static void requireNew(Set<String> ids, String id) {
        if (!ids.add(id)) {
            throw new IllegalArgumentException("The id \"" + id + "\" is used twice.");
        }
    }

    @Override
    @SuppressWarnings("unchecked")
    public <T> T get(ShotPart<T> part) {
        return (T) parts.get(part).value;
    }

    @Override
    public boolean has(ShotPart<?> part, String id) {
        return parts.get(part).ids.contains(id);
    }

    /** With a part of another shot, and those that it takes along. */
    public Shot withPartsOf(Shot other, ShotPart<?> part) {
        Map<ShotPart<?>, Object> values = new HashMap<>();
        Stream.concat(Stream.of(part), part.takenAlong().stream())
                .forEach(taken -> values.put(taken, other.get(taken)));
        return with(values);
    }

    /** What it is called. */
    public String name() {
        return get(NamePart.NAME);
    }

    public ShotSetup setup() {
        return get(SetupPart.SETUP);
    }

    /** At least one. */
    public List<Chalk> chalks() {
        return get(ChalksPart.CHALKS);
    }

    /** Front to back. */
    public List<Level> levels() {
        return get(LevelsPart.LEVELS);
    }

    public List<LevelGroup> groups() {
        return get(GroupsPart.GROUPS);
    }

    public List<Cycle> cycles() {
        return get(CyclesPart.CYCLES);
    }

    /** Front to back, all under the drawings. */
    public List<Footage> footage() {
        return get(FootagePart.FOOTAGE);
    }

    public List<SoundClip> sounds() {
        return get(SoundsPart.SOUNDS);
    }

    /** What is said, and its mouths. */
    public Speech speech() {
        return get(SpeechPart.SPEECH);
    }

    /** In rising order. */
    public List<Cue> cues() {
        return get(CuesPart.CUES);
    }

    /** In rising order of their frames; at most one a frame for the shot and for each level, besides notes. */
    public List<Mark> marks() {
        return get(MarksPart.MARKS);
    }

    /** Lines that help to draw, in the order in which they were set. */
    public List<Guide> guides() {
        return get(GuidesPart.GUIDES);
    }

    /** Points of footage that are followed. */
    public List<Track> tracks() {
        return get(TracksPart.TRACKS);
    }

    /** Of footage and guides that go along with a point; the first of each counts. */
    public List<Ride> rides() {
        return get(RidesPart.RIDES);
    }

    /** The spoken words, in rising order of their start. */
    public List<Word> words() {
        return speech().words();
    }

    /** Which mouth shows when, in rising order, never overlapping. */
    public List<MouthSpan> mouths() {
        return speech().mouths();
    }

    /** Where the mouths are drawn on the picture. */
    public Optional<MouthPlace> mouthPlace() {
        return speech().place();
    }

    public Optional<Level> level(String id) {
        return levels().stream().filter(level -> level.id().equals(id)).findFirst();
    }

    /** For how many frames new drawings of a level show. */
    public DrawnOn drawnOn(String level) {
        return level(level)
                .flatMap(there -> there.style().drawnOn())
                .orElseGet(() -> DrawnOn.frames(setup().rate().usualHold()));
    }

    public Optional<Footage> footage(String id) {
        return footage().stream().filter(clip -> clip.id().equals(id)).findFirst();
    }

    public Optional<Track> track(String id) {
        return tracks().stream().filter(track -> track.id().equals(id)).findFirst();
    }

    /** How a reference or a guide goes along with a point; empty where it does not. */
    public Optional<Ride> ride(String rider) {
        return rides().stream().filter(ride -> ride.rider().equals(rider)).findFirst();
    }

    /** Footage as it lies on a frame, wherever a point took it. */
    public Footage lying(Footage clip, int frame) {
        return ride(clip.id())
                .map(ride -> clip.withPlacement(clip.placement().then(ride.at(frame))))
                .orElse(clip);
    }

    /** A guide as it lies on a frame, wherever a point took it. */
    public Guide lying(Guide guide, int frame) {
        return ride(guide.id())
                .map(ride -> guide.moved(ride.transform(frame, setup())))
                .orElse(guide);
    }

    /** The guide that lies so on a frame. */
    public Guide put(Guide lying, int frame) {
        return ride(lying.id())
                .map(ride -> lying.moved(ride.back(frame, setup())))
                .orElse(lying);
    }

    /** All guides as they lie on a frame. */
    public List<Guide> guides(int frame) {
        return rides().isEmpty()
                ? guides()
                : guides().stream().map(guide -> lying(guide, frame)).toList();
    }

    public Optional<SoundClip> sound(String id) {
        return sounds().stream().filter(clip -> clip.id().equals(id)).findFirst();
    }

    /** The paths of all files of footage and sound, each once. */
    public List<String> mediaFiles() {
        return Stream.concat(
                        footage().stream().map(Footage::file), sounds().stream().map(SoundClip::file))
                .distinct()
                .toList();
    }

    /** The chalk of an id; a stroke whose chalk is gone is drawn with the first. */
    public Chalk chalk(String id) {
        return chalks().stream()
                .filter(chalk -> chalk.id().equals(id))
                .findFirst()
                .orElse(chalks().get(0));
    }

    public Optional<LevelGroup> groupOf(String levelId) {
        return groups().stream()
                .filter(group -> group.levels().contains(levelId))
                .findFirst();
    }

    /** A level and those whose holds change with its own. */
    public List<String> retimedWith(String levelId) {
        return groupOf(levelId)
                .filter(LevelGroup::retimed)
                .map(LevelGroup::levels)
                .orElse(List.of(levelId));
    }

    /** Whether a level can be seen: it and its group are shown. */
    public boolean isShown(Level level) {
        return level.visible() && groupOf(level.id()).map(LevelGroup::visible).orElse(true);
    }

    /** Whether a level can't be drawn on: it or its group is locked. */
    public boolean isLocked(Level level) {
        return level.locked() || groupOf(level.id()).map(LevelGroup::locked).orElse(false);
    }

    /** The opacity of a level within its group, 0 to 1. */
    public double opacityOf(Level level) {
        return level.opacity() * groupOf(level.id()).map(LevelGroup::opacity).orElse(1.0);
    }

    public Optional<MouthSpan> mouthAt(int frame) {
        return speech().speaker().mouthAt(frame);
    }

    /** The shot's own mark on a frame, notes aside. */
    public Optional<Mark> markAt(int frame) {
        return marks().stream()
                .filter(mark -> mark.frame() == frame && mark.isOfShot() && mark.isPose())
                .findFirst();
    }

    /**
     * With frames moved, and all that lies on them: the one way for it. The length is the caller's to set; mouths that follow words are set by
     * {@code SpeechEdits}.
     */
    public Shot moved(FrameChange change) {
        Map<ShotPart<?>, Object> values = new HashMap<>();
        ShotParts.ALL.forEach(part -> values.put(part, moved(part, change)));
        return Showings.settled(this, with(values), change);
    }

    private <T> T moved(ShotPart<T> part, FrameChange change) {
        return part.moved(get(part), change);
    }

    /** An id that nothing in the shot has, such as "level-3" for "level". */
    public String newId(String kind) {
        return newIds(kind, 1).get(0);
    }

    /** As many ids as are wanted that nothing in the shot has. */
    public List<String> newIds(String kind, int count) {
        Set<String> taken = new HashSet<>();
        parts.values().forEach(held -> taken.addAll(held.ids));
        List<String> out = new ArrayList<>();
        for (int n = 1; out.size() < count; n++) {
            if (!taken.contains(kind + "-" + n)) {
                out.add(kind + "-" + n);
            }
        }
        return out;
    }

    public Shot withName(String newName) {
        return with(NamePart.NAME, newName);
    }

    public Shot withSetup(ShotSetup newSetup) {
        return with(SetupPart.SETUP, newSetup);
    }

    public Shot withChalks(List<Chalk> newChalks) {
        return with(ChalksPart.CHALKS, newChalks);
    }

    public Shot withLevels(List<Level> newLevels) {
        return with(LevelsPart.LEVELS, newLevels);
    }

    public Shot withGroups(List<LevelGroup> newGroups) {
        return with(GroupsPart.GROUPS, newGroups);
    }

    public Shot withCycles(List<Cycle> newCycles) {
        return with(CyclesPart.CYCLES, newCycles);
    }

    public Shot withFootage(List<Footage> newFootage) {
        return with(FootagePart.FOOTAGE, newFootage);
    }

    public Shot withSounds(List<SoundClip> newSounds) {
        return with(SoundsPart.SOUNDS, newSounds);
    }

    public Shot withSpeech(Speech newSpeech) {
        return with(SpeechPart.SPEECH, newSpeech);
    }

    public Shot withCues(List<Cue> newCues) {
        return with(CuesPart.CUES, newCues);
    }

    public Shot withMarks(List<Mark> newMarks) {
        return with(MarksPart.MARKS, newMarks);
    }

    public Shot withGuides(List<Guide> newGuides) {
        return with(GuidesPart.GUIDES, newGuides);
    }

    public Shot withTracks(List<Track> newTracks) {
        return with(TracksPart.TRACKS, newTracks);
    }

    public Shot withRides(List<Ride> newRides) {
        return with(RidesPart.RIDES, newRides);
    }

    public Shot withWords(List<Word> newWords) {
        return withSpeech(speech().withWords(newWords));
    }

    public Shot withMouths(List<MouthSpan> newMouths) {
        return withSpeech(speech().withMouths(newMouths));
    }

    public Shot withMouthPlace(MouthPlace place) {
        return withSpeech(speech().withPlace(place));
    }

    /** With one level changed; an id that is not there changes nothing. */
    public Shot withLevel(String id, UnaryOperator<Level> change) {
        return withLevels(levels().stream()
                .map(level -> level.id().equals(id) ? change.apply(level) : level)
                .toList());
    }

    /** With one clip of footage changed; an id that is not there changes nothing. */
    public Shot withFootage(String id, UnaryOperator<Footage> change) {
        return withFootage(footage().stream()
                .map(clip -> clip.id().equals(id) ? change.apply(clip) : clip)
                .toList());
    }

    /** With one sound changed; an id that is not there changes nothing. */
    public Shot withSound(String id, UnaryOperator<SoundClip> change) {
        return withSounds(sounds().stream()
                .map(clip -> clip.id().equals(id) ? change.apply(clip) : clip)
                .toList());
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Shot shot && ShotParts.ALL.stream().allMatch(part -> isSame(part, shot));
    }

    /** Whether a part is the same in another shot. */
    public boolean isSame(ShotPart<?> part, Shot other) {
        return get(part) == other.get(part) || get(part).equals(other.get(part));
    }

    @Override
    public int hashCode() {
        return ShotParts.ALL.stream().map(this::get).toList().hashCode();
    }

    /** Its values, part by part. */
    @Override
    public String toString() {
        return ShotParts.ALL.stream()
                .map(part -> part + "=" + get(part))
                .collect(Collectors.joining(", ", "Shot[", "]"));
    }
}
