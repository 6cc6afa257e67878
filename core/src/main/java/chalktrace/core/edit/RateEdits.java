package chalktrace.core.edit;

import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;

/** Changes of the shot's rate. Words, cues and sounds keep their seconds either way. */
public final class RateEdits {

    private RateEdits() {}

    /** Drawings, marks and references keep their frames: what is drawn runs faster or slower. */
    public static Edit keepFrames(FrameRate rate) {
        return new Edit("change the rate", shot -> SetupEdits.change(
                        at(shot.setup(), rate, shot.setup().length()))
                .change()
                .apply(shot));
    }

    /**
     * Drawings, marks and references come to the frames nearest to their seconds; each showing keeps at least one frame, and
     * one that was pushed on by that pushes the next.
     */
    public static Edit keepSeconds(FrameRate rate) {
        return new Edit("change the rate, keep seconds", shot -> {
            ShotSetup setup = shot.setup();
            int length = Math.max(1, moved(setup, rate, setup.length()));
            TreeMap<String, Mark> marks = new TreeMap<>();
            for (Mark mark : shot.marks()) {
                Mark there = mark.withFrame(Math.min(length - 1, moved(setup, rate, mark.frame())));
                // Of two that come onto one frame the key stays.
                marks.merge(
                        there.frame() + " " + there.level().orElse("") + " "
                                + (there.isPose() ? "" : there.kind() + mark.text()),
                        there,
                        (a, b) -> a.kind().compareTo(b.kind()) <= 0 ? a : b);
            }
            Shot out = shot.withLevels(shot.levels().stream()
                            .map(level -> level.with(moved(setup, rate, level.exposures())))
                            .toList())
                    .withMarks(List.copyOf(marks.values()))
                    .withFootage(shot.footage().stream()
                            .map(clip -> clip.withConform(clip.conform()
                                    .withStartFrame(
                                            moved(setup, rate, clip.conform().startFrame()))))
                            .toList());
            ShotSetup next = at(setup, rate, length);
            Shot spoken = out.withSpeech(
                    SpeechEdits.mouthsAdopted(shot).speech().mappingMouths(mouths -> moved(setup, rate, mouths)));
            return SpeechEdits.mouthsSet(spoken.withSetup(next));
        });
    }

    /** What would come of either, in two sentences. */
    public static String words(Shot shot, FrameRate rate) {
        ShotSetup setup = shot.setup();
        if (rate.equals(setup.rate())) {
            return "";
        }
        int length = Math.max(1, moved(setup, rate, setup.length()));
        long runs = 0;
        long squeezed = 0;
        for (var level : shot.levels()) {
            for (Exposure run : level.exposures().runs()) {
                runs++;
                squeezed += moved(setup, rate, run.end()) - moved(setup, rate, run.start()) < 1 ? 1 : 0;
            }
        }
        return String.format(
                Locale.ROOT,
                "Keeping frames, the shot lasts %.2f s instead of %.2f s. Keeping seconds, its %d frames become %d; of %d"
                        + " showings %s.",
                rate.seconds(setup.length()),
                setup.seconds(),
                setup.length(),
                length,
                runs,
                squeezed == 0 ? "none loses its frame" : squeezed + " push the next on, as each keeps a frame");
    }

    private static ShotSetup at(ShotSetup setup, FrameRate rate, int length) {
        return new ShotSetup(rate, setup.size(), length, setup.firstNumber(), setup.paper());
    }

    private static int moved(ShotSetup setup, FrameRate rate, int frame) {
        return Math.max(0, rate.nearestFrame(setup.rate().seconds(Math.max(0, frame))));
    }

    /** Where frames come to; at least one is left of them, not before one that is free. */
    private static FrameRange moved(ShotSetup setup, FrameRate rate, FrameRange range, int free) {
        int start = Math.max(free, moved(setup, rate, range.start()));
        return new FrameRange(start, Math.max(start + 1, moved(setup, rate, range.end())));
    }

    private static Exposures moved(ShotSetup setup, FrameRate rate, Exposures exposures) {
        List<Exposure> out = new ArrayList<>();
        int free = 0;
        for (Exposure run : exposures.runs()) {
            FrameRange to = moved(setup, rate, run.range(), free);
            out.add(new Exposure(to.start(), to.frames(), run.drawing(), run.placement()));
            free = to.end();
        }
        return new Exposures(out);
    }

    private static List<MouthSpan> moved(ShotSetup setup, FrameRate rate, List<MouthSpan> mouths) {
        List<MouthSpan> out = new ArrayList<>();
        int free = 0;
        for (MouthSpan span : mouths) {
            FrameRange to = moved(setup, rate, span.range(), free);
            out.add(new MouthSpan(to, span.shape(), span.byHand()));
            free = to.end();
        }
        return out;
    }
}
