package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;
import java.util.Optional;

/**
 * For how many frames new drawings of a level show: on ones, on twos, or for as long as those of another level.
 *
 * @param frames at least 1; with another level, where that shows nothing
 * @param as the id of the level whose drawings set the pace; none for the same number of frames everywhere
 */
public record DrawnOn(int frames, Optional<String> as) {

    /** @throws IllegalArgumentException when the frames are not 1 to {@link ShotSetup#LONGEST} */
    public DrawnOn {
        if (frames < 1 || frames > ShotSetup.LONGEST) {
            throw new IllegalArgumentException(
                    "A drawing shows for 1 to " + ShotSetup.LONGEST + " frames, not for " + frames + ".");
        }
    }

    public static DrawnOn frames(int frames) {
        return new DrawnOn(frames, Optional.empty());
    }

    /** With the pace of a level; of so many frames where that shows nothing. */
    public static DrawnOn as(String level, int frames) {
        return new DrawnOn(frames, Optional.of(level));
    }

    /** The place of a drawing that a frame lies in: counted from the shot's first frame, or the other level's showing. */
    public FrameRange placeAt(Shot shot, int frame) {
        FrameRange counted = FrameRange.of(frame - frame % frames, frames);
        return as.flatMap(shot::level)
                .map(Level::exposures)
                .map(paced -> paced.at(frame)
                        .filter(run -> !run.isBlank())
                        .map(Exposure::range)
                        .orElseGet(() -> between(paced, frame, counted)))
                .orElse(counted);
    }

    /** For how many frames a new drawing shows that starts on a frame. */
    public int framesFrom(Shot shot, int frame) {
        return as.isPresent() ? placeAt(shot, frame).end() - frame : frames;
    }

    /** What of some frames lies between the showings about one of them. */
    private static FrameRange between(Exposures paced, int frame, FrameRange frames) {
        int before = paced.runs().stream()
                .filter(run -> !run.isBlank() && run.end() <= frame)
                .mapToInt(Exposure::end)
                .max()
                .orElse(0);
        int after = paced.runs().stream()
                .filter(run -> !run.isBlank() && run.start() > frame)
                .mapToInt(Exposure::start)
                .min()
                .orElse(frames.end());
        return new FrameRange(Math.max(frames.start(), before), Math.min(frames.end(), after));
    }
}
