package chalktrace.core.edit.timing;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.AnotherRate;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.FrameChange;
import chalktrace.core.shot.FrameReach;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRate;
import chalktrace.core.words.EditWords;
import java.util.List;
import java.util.Locale;

/** Changes of the shot's rate. Words, cues and sounds keep their seconds either way. */
public final class RateEdits {

    private RateEdits() {}

    /** Drawings, marks and references keep their frames: what is drawn runs faster or slower. */
    public static Edit keepFrames(FrameRate rate) {
        return new Edit(EditWords.TEXTS.of("change-the-rate"), shot -> SetupEdits.change(
                        at(shot.setup(), rate, shot.setup().length()))
                .change()
                .apply(shot));
    }

    /**
     * Drawings, marks, cycles, ties and references come to the frames nearest to their seconds; each showing keeps at least one frame, and
     * one that was pushed on by that pushes the next. Where the last ones would be pushed out of the shot, it becomes as much longer.
     */
    public static Edit keepSeconds(FrameRate rate) {
        return new Edit(EditWords.TEXTS.of("change-the-rate-keep-seconds"), shot -> {
            ShotSetup setup = shot.setup();
            FrameChange change = new AnotherRate(setup.rate(), rate, FrameReach.whole(shot, true, true));
            Shot moved = SpeechEdits.mouthsAdopted(shot).moved(change);
            int length = Math.max(Math.max(1, moved(setup, rate, setup.length())), shownUpTo(shot, moved));
            List<Mark> marks = moved.marks().stream()
                    .map(mark -> startsShowing(moved, mark) ? mark : mark.withFrame(Math.min(length - 1, mark.frame())))
                    .toList();
            return SpeechEdits.mouthsSet(moved.withMarks(marks).withSetup(at(setup, rate, length)));
        });
    }

    /** What belongs to a showing stays with it, also behind the shot's end. */
    private static boolean startsShowing(Shot shot, Mark mark) {
        return mark.level()
                .flatMap(shot::level)
                .flatMap(level -> level.exposures().at(mark.frame()))
                .filter(run -> run.start() == mark.frame())
                .isPresent();
    }

    /** Up to where the shot must last for all that showed in it to show in it still: each showing comes to one showing. */
    private static int shownUpTo(Shot before, Shot moved) {
        int end = 0;
        for (Level level : before.levels()) {
            List<Exposure> runs = level.exposures().runs();
            List<Exposure> now =
                    moved.level(level.id()).orElseThrow().exposures().runs();
            for (int i = 0; i < Math.min(runs.size(), now.size()); i++) {
                if (runs.get(i).end() <= before.setup().length()) {
                    end = Math.max(end, now.get(i).end());
                } else if (runs.get(i).start() < before.setup().length()) {
                    end = Math.max(end, now.get(i).start() + 1);
                }
            }
        }
        return end;
    }

    /** What would come of either, in two sentences. */
    public static String words(Shot shot, FrameRate rate) {
        ShotSetup setup = shot.setup();
        if (rate.equals(setup.rate())) {
            return "";
        }
        int length = keepSeconds(rate).change().apply(shot).setup().length();
        long runs = 0;
        long squeezed = 0;
        for (var level : shot.levels()) {
            for (Exposure run : level.exposures().runs()) {
                runs++;
                squeezed += moved(setup, rate, run.end()) - moved(setup, rate, run.start()) < 1 ? 1 : 0;
            }
        }
        Object[] parts = {
            hundredths(rate.seconds(setup.length())),
            hundredths(setup.seconds()),
            setup.length(),
            length,
            runs,
            squeezed
        };
        return squeezed == 0
                ? EditWords.TEXTS.of("keeping-frames-none-is-squeezed", parts)
                : EditWords.TEXTS.of("keeping-frames-some-are-squeezed", parts);
    }

    private static String hundredths(double seconds) {
        return String.format(Locale.ROOT, "%.2f", seconds);
    }

    private static ShotSetup at(ShotSetup setup, FrameRate rate, int length) {
        return new ShotSetup(rate, setup.size(), length, setup.firstNumber(), setup.paper());
    }

    private static int moved(ShotSetup setup, FrameRate rate, int frame) {
        return Math.max(0, rate.nearestFrame(setup.rate().seconds(Math.max(0, frame))));
    }
}
