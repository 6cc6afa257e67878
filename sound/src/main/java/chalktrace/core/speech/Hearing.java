package chalktrace.core.speech;

import chalktrace.core.sound.PcmBuffer;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.function.DoublePredicate;
import java.util.stream.IntStream;

/** A stretch of sound as the acoustic model hears it, with the voice's pitch taken into account. */
final class Hearing {

    private static final double[] WARPS = {0.8, 0.9, 1.0, 1.1, 1.2, 1.3};
    private static final int MIDDLE = 2;

    /** So much of a recording tells how high the voice is. */
    private static final double JUDGED_SECONDS = 10;

    /** Seconds between the starts of two moments. */
    static final double MOMENT = 0.01;

    /** A window is heard a little after its start; found with synthesised lines of known times. */
    private static final double OFFSET_SECONDS = 0.004;

    /** So many moments are listened to at once, in parts that several threads share. */
    private static final int BLOCK_MOMENTS = 500;

    private static final int PART_MOMENTS = 50;

    /** What was heard of up to ten minutes is kept, as the same moments are asked for again: 30 MB. */
    private static final int MOST_BLOCKS_KEPT = 120;

    private final AcousticModel model = AcousticModel.shipped();
    private final float[] cepstra;
    private final double fromSeconds;
    private final double warp;
    private final float[][] expected;
    private final float[][] blocks;

    private Hearing(float[] cepstra, double fromSeconds, double warp, Voice voice) {
        this.cepstra = cepstra;
        this.fromSeconds = fromSeconds;
        this.warp = warp;
        expected = model.meansOf(voice);
        blocks = new float[moments() / BLOCK_MOMENTS + 1][];
    }

    /** The same sound, taken as spoken by another voice. */
    Hearing as(Voice other) {
        return new Hearing(cepstra, fromSeconds, warp, other);
    }

    AcousticModel.Listener listener() {
        return model.new Listener(expected);
    }

    /** @param progress is told 0 to 1, and says whether to go on */
    static Hearing of(PcmBuffer sound, double fromSeconds, double toSeconds, DoublePredicate progress) {
        double[] judged = loudest(sound, fromSeconds, toSeconds);
        Judge judge = new Judge(sound, judged, progress);
        // The likelihood has one top over the warps: it is climbed from the middle.
        int at = MIDDLE;
        int step = judge.of(at + 1) > judge.of(at) ? 1 : -1;
        while (at + step >= 0 && at + step < WARPS.length && judge.of(at + step) > judge.of(at)) {
            at += step;
        }
        return of(CepstralFrontEnd.cepstra(sound, WARPS[at], fromSeconds, toSeconds), fromSeconds, WARPS[at]);
    }

    /** How likely a stretch of sound is with each warp, each worked out once. */
    private static final class Judge {
        private final PcmBuffer sound;
        private final double[] stretch;
        private final DoublePredicate progress;
        private final Map<Integer, Double> known = new HashMap<>();

        Judge(PcmBuffer sound, double[] stretch, DoublePredicate progress) {
            this.sound = sound;
            this.stretch = stretch;
            this.progress = progress;
        }

        double of(int warp) {
            return known.computeIfAbsent(warp, w -> {
                goOn(progress, known.size() / (double) WARPS.length);
                return Hearing.of(
                                CepstralFrontEnd.cepstra(sound, WARPS[w], stretch[0], stretch[1]), stretch[0], WARPS[w])
                        .likelihood();
            });
        }
    }

    private static Hearing of(float[] cepstra, double fromSeconds, double warp) {
        return new Hearing(cepstra, fromSeconds, warp, Voice.OF_THE_MODEL);
    }

    static void goOn(DoublePredicate progress, double done) {
        if (!progress.test(done)) {
            throw new CancellationException();
        }
    }

    /** Progress of a part of the whole, which goes from one share of it to another. */
    static DoublePredicate part(DoublePredicate whole, double from, double to) {
        return done -> whole.test(from + (to - from) * done);
    }

    /** The ten seconds with the most sound in them. */
    private static double[] loudest(PcmBuffer sound, double from, double to) {
        if (to - from <= JUDGED_SECONDS) {
            return new double[] {from, to};
        }
        double best = from;
        double most = -1;
        for (double start = from; start + JUDGED_SECONDS <= to; start += JUDGED_SECONDS / 2) {
            double sum = 0;
            int rate = sound.sampleRate();
            for (long i = Math.round(start * rate); i < Math.round((start + JUDGED_SECONDS) * rate); i += 7) {
                sum += sound.at(i, 0) * sound.at(i, 0);
            }
            if (sum > most) {
                most = sum;
                best = start;
            }
        }
        return new double[] {best, best + JUDGED_SECONDS};
    }

    private double likelihood() {
        PhoneLoop loop = new PhoneLoop(model);
        float[] heard = new float[model.phones() * AcousticModel.STATES];
        double last = 0;
        for (int t = 0; t < moments(); t++) {
            hear(t, heard);
            last = loop.next(heard);
        }
        return last;
    }

    int moments() {
        return cepstra.length / CepstralFrontEnd.CEPSTRA;
    }

    double warp() {
        return warp;
    }

    AcousticModel model() {
        return model;
    }

    /** A moment's features as they sound, whoever speaks. */
    void feature(int moment, float[] out) {
        CepstralFrontEnd.features(cepstra, moment, out);
    }

    /** How likely each part of each phone is at a moment. Not for several threads. */
    void hear(int moment, float[] out) {
        int block = moment / BLOCK_MOMENTS;
        if (blocks[block] == null) {
            if (blocks.length > MOST_BLOCKS_KEPT) {
                Arrays.fill(blocks, null);
            }
            blocks[block] = listen(block * BLOCK_MOMENTS, Math.min(moments(), (block + 1) * BLOCK_MOMENTS));
        }
        System.arraycopy(blocks[block], moment % BLOCK_MOMENTS * out.length, out, 0, out.length);
    }

    private float[] listen(int from, int to) {
        int each = model.phones() * AcousticModel.STATES;
        float[] out = new float[(to - from) * each];
        IntStream.range(0, (to - from + PART_MOMENTS - 1) / PART_MOMENTS)
                .parallel()
                .forEach(part -> {
                    AcousticModel.Listener listener = listener();
                    float[] feature = new float[CepstralFrontEnd.FEATURES];
                    int end = Math.min(to, from + (part + 1) * PART_MOMENTS);
                    for (int t = from + part * PART_MOMENTS; t < end; t++) {
                        feature(t, feature);
                        listener.score(feature, out, (t - from) * each);
                    }
                });
        return out;
    }

    /** When a moment is, in seconds from the sound's first sample. */
    double seconds(int moment) {
        return fromSeconds + moment * MOMENT + (moment == 0 ? 0 : OFFSET_SECONDS);
    }

    /** The moment of a time, within this stretch. */
    int moment(double seconds) {
        return (int) Math.max(0, Math.min(moments(), Math.round((seconds - fromSeconds - OFFSET_SECONDS) / MOMENT)));
    }
}
