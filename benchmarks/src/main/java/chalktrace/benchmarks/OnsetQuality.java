package chalktrace.benchmarks;

import chalktrace.core.sound.Onsets;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.media.sound.SoundFiles;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Collectors;

/**
 * How many steps on mixed surfaces are found within 50 ms, and how many are found where there is none: the F-measure of both. Not
 * a benchmark of JMH: it prints one table. The walks are made here; with a folder as argument they are also written there as WAV
 * files with the true moments beside them, so that another detector can be run on the same sounds.
 */
public final class OnsetQuality {

    private static final int RATE = 48_000;
    private static final int WALKS = 20;
    private static final int STEPS = 24;
    private static final double SECONDS = 14;
    private static final double WITHIN_SECONDS = 0.05;

    static final double RIVER_RMS = 0.6;

    private enum Surface {
        WOOD,
        CARPET,
        STONE,
        GRAVEL,
        METAL
    }

    private record Step(double heel, double toe) {}

    private record Walk(float[] samples, List<Step> steps) {}

    private OnsetQuality() {}

    /** @param arguments nothing, or the folder to write the walks to */
    public static void main(String[] arguments) throws Exception {
        for (double river : new double[] {0, 0.02, 0.04}) {
            int hits = 0;
            int wanted = 0;
            int wrong = 0;
            for (int seed = 0; seed < WALKS; seed++) {
                Walk walk = walk(seed, river);
                PcmBuffer sound = new PcmBuffer(RATE, 1, walk.samples);
                if (arguments.length > 0) {
                    write(Path.of(arguments[0]), "walk-" + seed + "-river-" + Math.round(river * 100), walk, sound);
                }
                List<Onsets.Onset> found = Onsets.of(sound, done -> true);
                wanted += walk.steps.size();
                hits += (int) walk.steps.stream()
                        .filter(step -> found.stream().anyMatch(onset -> near(onset, step.heel)))
                        .count();
                // The toe of a step sounds too; that it is found is neither right nor wrong.
                wrong += (int) found.stream()
                        .filter(onset ->
                                walk.steps.stream().noneMatch(step -> near(onset, step.heel) || near(onset, step.toe)))
                        .count();
            }
            double precision = hits / (double) (hits + wrong);
            double recall = hits / (double) wanted;
            System.out.printf(
                    Locale.ROOT,
                    "river %.2f: %d steps, found %.1f %%, wrong %d, F %.3f%n",
                    river,
                    wanted,
                    100 * recall,
                    wrong,
                    2 * precision * recall / (precision + recall));
        }
    }

    private static boolean near(Onsets.Onset onset, double seconds) {
        return Math.abs(onset.seconds() - seconds) <= WITHIN_SECONDS;
    }

    private static Walk walk(int seed, double river) {
        Random random = new Random(seed);
        float[] out = new float[(int) (SECONDS * RATE)];
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < STEPS; i++) {
            double heel = 0.4 + i * 0.55 + random.nextDouble() * 0.1;
            double toe = heel + 0.07 + random.nextDouble() * 0.06;
            Surface surface = Surface.values()[random.nextInt(Surface.values().length)];
            double level = 0.1 + 0.3 * random.nextDouble();
            strike(out, heel, surface, level, random);
            strike(out, toe, surface, level * (0.15 + 0.25 * random.nextDouble()), random);
            steps.add(new Step(heel, toe));
        }
        river(out, river, random);
        return new Walk(out, steps);
    }

    private static void strike(float[] into, double seconds, Surface surface, double level, Random random) {
        switch (surface) {
            case WOOD -> {
                ring(into, seconds, 160, 30, level);
                ring(into, seconds, 430, 60, 0.4 * level);
                grains(into, seconds, 0.004, 40, 0.3 * level, random);
            }
            case CARPET -> {
                ring(into, seconds, 70, 35, level);
                grains(into, seconds, 0.02, 4, 0.05 * level, random);
            }
            case STONE -> {
                grains(into, seconds, 0.006, 120, level, random);
                ring(into, seconds, 900, 140, 0.4 * level);
            }
            case GRAVEL -> grains(into, seconds, 0.1, 180, 0.5 * level, random);
            case METAL -> {
                ring(into, seconds, 610, 9, 0.5 * level);
                ring(into, seconds, 1470, 14, 0.3 * level);
                grains(into, seconds, 0.003, 60, 0.5 * level, random);
            }
        }
    }

    /** A resonance that dies away, {@code decay} nepers a second. */
    private static void ring(float[] into, double seconds, double hertz, double decay, double level) {
        int from = (int) Math.round(seconds * RATE);
        for (int i = 0; from + i < into.length && i < RATE / 2; i++) {
            double t = i / (double) RATE;
            into[from + i] += (float) (level * Math.sin(2 * Math.PI * hertz * t) * Math.exp(-decay * t));
        }
    }

    /** Short bursts of noise that lie the denser the earlier, over some seconds. */
    private static void grains(float[] into, double seconds, double over, int count, double level, Random random) {
        for (int n = 0; n < count; n++) {
            double at = n == 0 ? 0 : over * random.nextDouble() * random.nextDouble();
            int from = (int) Math.round((seconds + at) * RATE);
            double loud = level * random.nextDouble() * Math.exp(-2 * at / over);
            for (int i = 0; from + i < into.length && i < 96; i++) {
                into[from + i] += (float) (loud * random.nextGaussian() * Math.exp(-i / 20.0));
            }
        }
    }

    /** Water: noise that falls off towards high pitches, swelling slowly; of {@link #RIVER_RMS} times its level. */
    static void river(float[] into, double level, Random random) {
        double low = 0;
        for (int i = 0; i < into.length; i++) {
            low = 0.92 * low + 0.08 * random.nextGaussian();
            double swell = 1 + 0.3 * Math.sin(i * 2.1 / RATE);
            into[i] += (float) (level * swell * (2.5 * low + 0.3 * random.nextGaussian()));
        }
    }

    private static void write(Path folder, String name, Walk walk, PcmBuffer sound) throws Exception {
        Files.createDirectories(folder);
        SoundFiles.writeWav(sound, folder.resolve(name + ".wav"));
        Files.writeString(
                folder.resolve(name + ".csv"),
                walk.steps.stream()
                        .map(step -> String.format(Locale.ROOT, "%.6f,%.6f%n", step.heel, step.toe))
                        .collect(Collectors.joining("", "heel,toe\n", "")));
    }
}
