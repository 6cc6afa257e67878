package chalktrace.benchmarks;

import chalktrace.core.sound.OnsetGroups;
import chalktrace.core.sound.Onsets;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.Resampler;
import chalktrace.media.sound.SoundFiles;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * How many recorded steps, put together to walks at known times, are met by one event and no more: the F-measure within 50 ms, of each surface and of
 * all mixed, alone and amidst noise like a river. Not a benchmark of JMH: it prints a table.
 */
public final class StepQuality {

    private static final int RATE = 48_000;
    private static final int WALKS = 4;
    private static final int STEPS = 24;
    private static final double WITHIN_SECONDS = 0.05;
    private static final double RIVER = 0.012;

    /** A step's contact is where its level first comes so near to its loudest (10 dB). */
    private static final double CONTACT_SHARE = 0.1;

    private record Sample(float[] values, double contact) {}

    private record Walk(PcmBuffer sound, List<Double> contacts) {}

    private StepQuality() {}

    /**
     * @param arguments a folder of sounds, one step in each; those whose names differ in digits only are of one surface. Then the grouping, 0 to 1 (usual
     *     0.5), and a folder to write the walks to, with their true times beside them
     */
    public static void main(String[] arguments) throws Exception {
        double grouping = arguments.length > 1 ? Double.parseDouble(arguments[1]) : OnsetGroups.USUAL;
        Map<String, List<Sample>> surfaces = surfaces(Path.of(arguments[0]));
        for (double river : new double[] {0, RIVER}) {
            System.out.printf(Locale.ROOT, "river %.3f RMS, grouping %.2f%n", river, grouping);
            int[] all = new int[3];
            for (Map.Entry<String, List<Sample>> surface : surfaces.entrySet()) {
                int[] counts = new int[3];
                for (int seed = 0; seed < WALKS; seed++) {
                    Walk walk = walk(
                            surface.getValue(),
                            new Random(31L * surface.getKey().hashCode() + seed),
                            river);
                    if (arguments.length > 2) {
                        write(Path.of(arguments[2]), surface.getKey() + seed + (river > 0 ? "-river" : ""), walk);
                    }
                    count(walk, grouping, counts);
                }
                print(surface.getKey(), counts);
                Arrays.setAll(all, i -> all[i] + counts[i]);
            }
            print("all", all);
        }
    }

    private static Map<String, List<Sample>> surfaces(Path folder) throws Exception {
        Map<String, List<Sample>> out = new TreeMap<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.sorted().toList()) {
                String name = file.getFileName().toString().replaceAll("\\.[^.]*$|\\d", "");
                out.computeIfAbsent(name, key -> new ArrayList<>()).add(sample(file));
            }
        }
        Map<String, List<Sample>> withMixed = new LinkedHashMap<>(out);
        withMixed.put("mixed", out.values().stream().flatMap(List::stream).toList());
        return withMixed;
    }

    private static Sample sample(Path file) throws Exception {
        float[] values = Resampler.mono(SoundFiles.read(file), RATE);
        float peak = 0;
        for (float value : values) {
            peak = Math.max(peak, Math.abs(value));
        }
        for (int i = 0; i < values.length; i++) {
            values[i] /= peak;
        }
        return new Sample(values, contact(values));
    }

    private static double contact(float[] values) {
        int block = RATE / 100;
        double[] levels = new double[Math.max(1, (values.length - block) * 4 / block)];
        for (int b = 0; b < levels.length; b++) {
            for (int i = b * block / 4; i < Math.min(values.length, b * block / 4 + block); i++) {
                levels[b] += values[i] * values[i];
            }
        }
        double loudest = Arrays.stream(levels).max().orElse(0);
        int at = 0;
        while (levels[at] < CONTACT_SHARE * loudest) {
            at++;
        }
        return (at * block / 4 + block / 2) / (double) RATE;
    }

    private static Walk walk(List<Sample> samples, Random random, double river) {
        float[] out = new float[20 * RATE];
        List<Double> contacts = new ArrayList<>();
        double at = 0.4;
        for (int step = 0; step < STEPS; step++) {
            Sample sample = samples.get(random.nextInt(samples.size()));
            double level = 0.1 + 0.3 * random.nextDouble();
            int from = (int) (at * RATE);
            for (int i = 0; i < sample.values.length && from + i < out.length; i++) {
                out[from + i] += (float) (level * sample.values[i]);
            }
            contacts.add(at + sample.contact);
            at += 0.42 + 0.33 * random.nextDouble();
        }
        float[] sound = Arrays.copyOf(out, (int) ((at + 0.5) * RATE));
        OnsetQuality.river(sound, river / OnsetQuality.RIVER_RMS, random);
        return new Walk(new PcmBuffer(RATE, 1, sound), contacts);
    }

    private static void count(Walk walk, double grouping, int[] counts) {
        List<OnsetGroups.Event> events =
                new ArrayList<>(OnsetGroups.of(walk.sound, Onsets.of(walk.sound, done -> true), grouping));
        for (double contact : walk.contacts) {
            boolean met = events.stream()
                    .filter(event -> Math.abs(event.contact().seconds() - contact) <= WITHIN_SECONDS)
                    .findFirst()
                    .map(events::remove)
                    .orElse(false);
            counts[met ? 0 : 1]++;
        }
        counts[2] += events.size();
    }

    private static void print(String name, int[] counts) {
        System.out.printf(
                Locale.ROOT,
                "  %-28s F %.3f, missed %d, false %d of %d%n",
                name,
                2.0 * counts[0] / (2 * counts[0] + counts[1] + counts[2]),
                counts[1],
                counts[2],
                counts[0] + counts[1]);
    }

    private static void write(Path folder, String name, Walk walk) throws Exception {
        Files.createDirectories(folder);
        SoundFiles.writeWav(walk.sound, folder.resolve(name + ".wav"));
        Files.write(
                folder.resolve(name + ".csv"),
                walk.contacts.stream()
                        .map(seconds -> String.format(Locale.ROOT, "%.6f", seconds))
                        .toList());
    }
}
