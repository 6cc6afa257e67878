package chalktrace.core.edit.timing;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.FrameChange;
import chalktrace.core.shot.FrameReach;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.StretchedFrames;
import chalktrace.core.words.EditWords;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Moves marks onto twos, threes ...: frames that drawings on that rhythm start on, counted from the shot's first. It is
 * proposed first, and retimes drawings along when it is done.
 */
public final class OntoTwos {

    private OntoTwos() {}

    /** A mark's frame before and after. */
    public record Move(int from, int to) {}

    /**
     * Where marks come to: each to the next frame of the rhythm, in order and none upon another; the last stays, and where
     * there is no room before it, those before it come back instead.
     *
     * @param frames of the marks, in rising order
     * @param every 2 for twos
     * @return a move for each, also for those that stay
     * @throws IllegalArgumentException when so many marks have no room on that rhythm
     */
    public static List<Move> proposal(List<Integer> frames, int every) {
        return proposal(frames, every, Integer.MAX_VALUE);
    }

    /** @param end the frame before which all stay */
    private static List<Move> proposal(List<Integer> frames, int every, int end) {
        int n = frames.size();
        int[] to = new int[n];
        for (int i = 0; i < n; i++) {
            int up = Math.min((frames.get(i) + every - 1) / every * every, (end - 1) / every * every);
            to[i] = i == n - 1 && n > 1 ? frames.get(i) : i == 0 ? up : Math.max(up, to[i - 1] + every);
        }
        for (int i = n - 2; i >= 0; i--) {
            int room = Math.floorDiv(to[i + 1] - 1, every) * every;
            to[i] = Math.min(to[i], room);
        }
        if (n > 0 && to[0] < 0) {
            throw new IllegalArgumentException(
                    EditWords.TEXTS.of("there-is-no-room-for-marks", n, every, frames.get(n - 1)));
        }
        return IntStream.range(0, n)
                .mapToObj(i -> new Move(frames.get(i), to[i]))
                .toList();
    }

    /** The proposal for a shot's own marks; those behind its end stay. */
    public static List<Move> proposal(Shot shot, int every) {
        return proposal(
                shot.marks().stream()
                        .filter(mark -> mark.isOfShot() && mark.isPose())
                        .map(Mark::frame)
                        .filter(frame -> frame < shot.setup().length())
                        .distinct()
                        .toList(),
                every,
                shot.setup().length());
    }

    /** The frames of a rhythm, from the first to the last of some, that none of them lies on. */
    public static List<Integer> missing(List<Integer> frames, int every) {
        if (frames.isEmpty()) {
            return List.of();
        }
        int first = frames.get(0);
        int last = frames.get(frames.size() - 1);
        return IntStream.iterate(first, f -> f <= last, f -> f + every)
                .filter(f -> !frames.contains(f))
                .boxed()
                .toList();
    }

    /**
     * Moves the marks, and with them what starts and ends between them, in proportion. Sounds stay, and so does what lies or
     * would come behind the shot's end.
     *
     * @param references whether references are stretched along, so that each mark keeps its picture
     */
    public static Edit apply(List<Move> moves, boolean references) {
        return new Edit(EditWords.TEXTS.of("move-onto-twos"), shot -> {
            int length = shot.setup().length();
            TreeMap<Integer, Integer> map = new TreeMap<>();
            moves.stream()
                    .filter(move -> move.from() < length && move.to() < length)
                    .forEach(move -> map.put(move.from(), move.to()));
            if (map.isEmpty()) {
                return shot;
            }
            map.putIfAbsent(0, 0);
            map.put(length, length);
            Set<String> free = shot.levels().stream()
                    .filter(level -> !shot.isLocked(level) && !level.style().held())
                    .map(Level::id)
                    .collect(Collectors.toSet());
            FrameChange change = new StretchedFrames(map, new FrameReach(free, true, false, references));
            return SpeechEdits.mouthsKept(SpeechEdits.mouthsAdopted(shot).moved(change));
        });
    }
}
