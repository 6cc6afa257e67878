package chalktrace.core.shot;

import chalktrace.core.guide.Guide;
import chalktrace.core.motion.Attached;
import chalktrace.core.motion.Track;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The document: one continuous piece of animation as a single immutable value.
 *
 * @param levels front to back
 * @param footage front to back, all under the drawings
 * @param cycles of levels that are there; those of a level that goes, go with it
 * @param speech what is said, and its mouths
 * @param cues in rising order
 * @param marks in rising order of their frames; at most one a frame for the shot and for each level, besides notes
 * @param guides lines that help to draw, in the order in which they were set
 * @param tracks points of footage that are followed; those of footage that goes, go with it
 * @param rides of footage and guides that go along with a point, while both are there; the first of each counts, and none rides on a point of its own
 */
public record Shot(
        String name,
        ShotSetup setup,
        List<Chalk> chalks,
        List<Level> levels,
        List<LevelGroup> groups,
        List<Cycle> cycles,
        List<Footage> footage,
        List<SoundClip> sounds,
        Speech speech,
        List<Cue> cues,
        List<Mark> marks,
        List<Guide> guides,
        List<Track> tracks,
        List<Ride> rides) {

    /** @throws IllegalArgumentException when an id is used twice, or a stroke or a group names what is missing */
    public Shot {
        chalks = List.copyOf(chalks);
        levels = heldOverAll(levels, setup.length());
        guides = List.copyOf(guides);
        groups = List.copyOf(groups);
        footage = List.copyOf(footage);
        sounds = List.copyOf(sounds);
        Set<String> there = levels.stream().map(Level::id).collect(Collectors.toSet());
        cycles = kept(cycles, cycle -> there.contains(cycle.level()));
        cues = sorted(cues, Comparator.comparingDouble(Cue::seconds));
        marks = sorted(marks, Comparator.comparingInt(Mark::frame));
        Set<String> clips = footage.stream().map(Footage::id).collect(Collectors.toSet());
        tracks = kept(tracks, track -> clips.contains(track.footage()));
        Set<String> riders =
                Stream.concat(clips.stream(), guides.stream().map(Guide::id)).collect(Collectors.toSet());
        Map<String, String> points = tracks.stream().collect(Collectors.toMap(Track::id, Track::footage, (a, b) -> a));
        rides = kept(
                rides,
                ride -> points.containsKey(ride.track())
                        && riders.contains(ride.rider())
                        && !points.get(ride.track()).equals(ride.rider()));
        Set<String> taken = new HashSet<>();
        ids(chalks, levels, groups, footage, sounds, speech.words(), cues, guides, tracks)
                .forEach(id -> requireNew(taken, id));
        if (chalks.isEmpty()) {
            throw new IllegalArgumentException("A shot has at least one chalk.");
        }
    }

    /** A shot with one empty level and the shipped chalks. */
    public static Shot empty(String name, ShotSetup setup) {
        return new Shot(
                name,
                setup,
                ChalkBox.standard(),
                List.of(Level.empty("level-1", "rough")),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Speech.NONE,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of());
    }

    /** The spoken words, in rising order of their start. */
    public List<Word> words() {
        return speech.words();
    }

    /** Which mouth shows when, in rising order, never overlapping. */
    public List<MouthSpan> mouths() {
        return speech.mouths();
    }

    /** Where the mouths are drawn on the picture. */
    public Optional<MouthPlace> mouthPlace() {
        return speech.place();
    }

    public Optional<Level> level(String id) {
        return levels.stream().filter(level -> level.id().equals(id)).findFirst();
    }

    public Optional<Footage> footage(String id) {
        return footage.stream().filter(clip -> clip.id().equals(id)).findFirst();
    }

    public Optional<Track> track(String id) {
        return tracks.stream().filter(track -> track.id().equals(id)).findFirst();
    }

    /** How a reference or a guide goes along with a point; empty where it does not. */
    public Optional<Ride> ride(String rider) {
        return rides.stream().filter(ride -> ride.rider().equals(rider)).findFirst();
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
                .map(ride -> guide.moved(ride.transform(frame, setup)))
                .orElse(guide);
    }

    /** The guide that lies so on a frame. */
    public Guide put(Guide lying, int frame) {
        return ride(lying.id())
                .map(ride -> lying.moved(ride.back(frame, setup)))
                .orElse(lying);
    }

    /** All guides as they lie on a frame. */
    public List<Guide> guides(int frame) {
        return rides.isEmpty()
                ? guides
                : guides.stream().map(guide -> lying(guide, frame)).toList();
    }

    public Optional<SoundClip> sound(String id) {
        return sounds.stream().filter(clip -> clip.id().equals(id)).findFirst();
    }

    /** The paths of all files of footage and sound, each once. */
    public List<String> mediaFiles() {
        return Stream.concat(
                        footage.stream().map(Footage::file), sounds.stream().map(SoundClip::file))
                .distinct()
                .toList();
    }

    /** The chalk of an id; a stroke whose chalk is gone is drawn with the first. */
    public Chalk chalk(String id) {
        return chalks.stream()
                .filter(chalk -> chalk.id().equals(id))
                .findFirst()
                .orElse(chalks.get(0));
    }

    public Optional<LevelGroup> groupOf(String levelId) {
        return groups.stream().filter(group -> group.levels().contains(levelId)).findFirst();
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
        return speech.speaker().mouthAt(frame);
    }

    /** The shot's own mark on a frame, notes aside. */
    public Optional<Mark> markAt(int frame) {
        return marks.stream()
                .filter(mark -> mark.frame() == frame && mark.isOfShot() && mark.isPose())
                .findFirst();
    }

    /**
     * With frames moved, and all that lies on them: the one way for it. The length is the caller's to set; mouths that follow words are set by
     * {@code SpeechEdits}.
     */
    public Shot moved(FrameChange change) {
        Shot out = with(parts -> {
            parts.levels = FrameChanges.moved(levels, change);
            parts.cycles = FrameChanges.moved(cycles, change);
            parts.footage = FrameChanges.moved(footage, change);
            parts.sounds = FrameChanges.moved(sounds, change);
            parts.speech = speech.moved(change).orElse(speech);
            parts.cues = FrameChanges.moved(cues, change);
            parts.marks = FrameChanges.moved(marks, change);
            List<Track> moved =
                    tracks.stream().map(track -> moved(track, change)).toList();
            parts.tracks = moved.equals(tracks) ? tracks : moved;
            parts.rides = FrameChanges.moved(rides, change);
        });
        return Showings.settled(this, out, change);
    }

    /** The path of a point lies on its source's pictures, and stays; what goes along with it lies on frames of its level. */
    private static Track moved(Track track, FrameChange change) {
        List<Attached> attached = track.attached().stream()
                .filter(held -> !change.reach().covers(Optional.of(held.level())) || !change.removes(held.frame()))
                .map(held -> change.reach().covers(Optional.of(held.level()))
                        ? held.withFrame(change.frame(held.frame()))
                        : held)
                .toList();
        return attached.equals(track.attached()) ? track : track.withAttached(attached);
    }

    /** An id that nothing in the shot has, such as "level-3" for "level". */
    public String newId(String kind) {
        return newIds(kind, 1).get(0);
    }

    /** As many ids as are wanted that nothing in the shot has. */
    public List<String> newIds(String kind, int count) {
        Set<String> taken = ids(chalks, levels, groups, footage, sounds, speech.words(), cues, guides, tracks)
                .collect(Collectors.toSet());
        List<String> out = new ArrayList<>();
        for (int n = 1; out.size() < count; n++) {
            if (!taken.contains(kind + "-" + n)) {
                out.add(kind + "-" + n);
            }
        }
        return out;
    }

    /** All parts while a few of them are exchanged. */
    private static final class Parts {
        private String name;
        private ShotSetup setup;
        private List<Chalk> chalks;
        private List<Level> levels;
        private List<LevelGroup> groups;
        private List<Cycle> cycles;
        private List<Footage> footage;
        private List<SoundClip> sounds;
        private Speech speech;
        private List<Cue> cues;
        private List<Mark> marks;
        private List<Guide> guides;
        private List<Track> tracks;
        private List<Ride> rides;

        Parts(Shot shot) {
            name = shot.name;
            setup = shot.setup;
            chalks = shot.chalks;
            levels = shot.levels;
            groups = shot.groups;
            cycles = shot.cycles;
            footage = shot.footage;
            sounds = shot.sounds;
            speech = shot.speech;
            cues = shot.cues;
            marks = shot.marks;
            guides = shot.guides;
            tracks = shot.tracks;
            rides = shot.rides;
        }

        Shot made() {
            return new Shot(
                    name, setup, chalks, levels, groups, cycles, footage, sounds, speech, cues, marks, guides, tracks,
                    rides);
        }
    }

    private Shot with(Consumer<Parts> change) {
        Parts parts = new Parts(this);
        change.accept(parts);
        return parts.made();
    }

    public Shot withName(String newName) {
        return with(parts -> parts.name = newName);
    }

    public Shot withSetup(ShotSetup newSetup) {
        return with(parts -> parts.setup = newSetup);
    }

    public Shot withChalks(List<Chalk> newChalks) {
        return with(parts -> parts.chalks = newChalks);
    }

    public Shot withLevels(List<Level> newLevels) {
        return with(parts -> parts.levels = newLevels);
    }

    public Shot withGroups(List<LevelGroup> newGroups) {
        return with(parts -> parts.groups = newGroups);
    }

    public Shot withCycles(List<Cycle> newCycles) {
        return with(parts -> parts.cycles = newCycles);
    }

    public Shot withFootage(List<Footage> newFootage) {
        return with(parts -> parts.footage = newFootage);
    }

    public Shot withSounds(List<SoundClip> newSounds) {
        return with(parts -> parts.sounds = newSounds);
    }

    public Shot withSpeech(Speech newSpeech) {
        return with(parts -> parts.speech = newSpeech);
    }

    public Shot withCues(List<Cue> newCues) {
        return with(parts -> parts.cues = newCues);
    }

    public Shot withMarks(List<Mark> newMarks) {
        return with(parts -> parts.marks = newMarks);
    }

    public Shot withGuides(List<Guide> newGuides) {
        return with(parts -> parts.guides = newGuides);
    }

    public Shot withTracks(List<Track> newTracks) {
        return with(parts -> parts.tracks = newTracks);
    }

    public Shot withRides(List<Ride> newRides) {
        return with(parts -> parts.rides = newRides);
    }

    public Shot withWords(List<Word> newWords) {
        return withSpeech(speech.withWords(newWords));
    }

    public Shot withMouths(List<MouthSpan> newMouths) {
        return withSpeech(speech.withMouths(newMouths));
    }

    public Shot withMouthPlace(MouthPlace place) {
        return withSpeech(speech.withPlace(place));
    }

    /** With one level changed; an id that is not there changes nothing. */
    public Shot withLevel(String id, UnaryOperator<Level> change) {
        return withLevels(levels.stream()
                .map(level -> level.id().equals(id) ? change.apply(level) : level)
                .toList());
    }

    /** With one clip of footage changed; an id that is not there changes nothing. */
    public Shot withFootage(String id, UnaryOperator<Footage> change) {
        return withFootage(footage.stream()
                .map(clip -> clip.id().equals(id) ? change.apply(clip) : clip)
                .toList());
    }

    /** With one sound changed; an id that is not there changes nothing. */
    public Shot withSound(String id, UnaryOperator<SoundClip> change) {
        return withSounds(sounds.stream()
                .map(clip -> clip.id().equals(id) ? change.apply(clip) : clip)
                .toList());
    }

    /** A held level shows its first drawing over the whole shot, however long that is. */
    private static List<Level> heldOverAll(List<Level> levels, int length) {
        return levels.stream()
                .map(level -> level.style().held() ? level.heldFor(length) : level)
                .toList();
    }

    /** Those that stay; the same list where all do, so that whoever goes by identity sees that nothing has changed. */
    private static <T> List<T> kept(List<T> items, Predicate<T> stays) {
        return items.stream().allMatch(stays)
                ? List.copyOf(items)
                : items.stream().filter(stays).toList();
    }

    /** In order; the same list where it is so already. */
    static <T> List<T> sorted(List<T> items, Comparator<T> order) {
        for (int i = 1; i < items.size(); i++) {
            if (order.compare(items.get(i - 1), items.get(i)) > 0) {
                List<T> out = new ArrayList<>(items);
                out.sort(order);
                return List.copyOf(out);
            }
        }
        return List.copyOf(items);
    }

    private static Stream<String> ids(
            List<Chalk> chalks,
            List<Level> levels,
            List<LevelGroup> groups,
            List<Footage> footage,
            List<SoundClip> sounds,
            List<Word> words,
            List<Cue> cues,
            List<Guide> guides,
            List<Track> tracks) {
        return Stream.of(
                        chalks.stream().map(Chalk::id),
                        levels.stream().map(Level::id),
                        groups.stream().map(LevelGroup::id),
                        footage.stream().map(Footage::id),
                        sounds.stream().map(SoundClip::id),
                        words.stream().map(Word::id),
                        cues.stream().map(Cue::id),
                        guides.stream().map(Guide::id),
                        tracks.stream().map(Track::id))
                .flatMap(all -> all);
    }

    private static void requireNew(Set<String> ids, String id) {
        if (!ids.add(id)) {
            throw new IllegalArgumentException("The id \"" + id + "\" is used twice.");
        }
    }
}
