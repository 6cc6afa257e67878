package chalktrace.benchmarks;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.speech.AlignedWord;
import chalktrace.core.speech.Aligner;
import chalktrace.core.speech.Alignment;
import chalktrace.core.speech.Pronunciations;
import chalktrace.core.speech.ScriptText;
import chalktrace.media.sound.SoundFiles;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * How far aligned words and phones are from the true times of spoken lines, and how fast they are found. Not a benchmark of JMH:
 * it prints one table. The lines are made by {@code benchmarks/voice/speak-lines.sh FOLDER} or {@code speak-accents.py FOLDER}.
 */
public final class AlignmentQuality {

    private record Row(String text, double start, double end) {}

    private static final class Errors {
        private final List<Double> millis = new ArrayList<>();

        double at(double share) {
            return millis.isEmpty() ? Double.NaN : millis.get((int) Math.min(millis.size() - 1, share * millis.size()));
        }

        double shareWithin(double limit) {
            return millis.stream().filter(ms -> ms <= limit).count() / (double) millis.size();
        }

        String words() {
            millis.sort(null);
            return String.format(
                    Locale.ROOT,
                    "%5d: median %5.1f ms, p95 %5.1f ms, within a frame at 24 %5.1f %%",
                    millis.size(),
                    at(0.5),
                    at(0.95),
                    100 * shareWithin(1000 / 24.0));
        }
    }

    /** So many scripts of lines that are so far apart are tried with each clean recording. */
    private static final int WRONG_SCRIPTS = 3;

    private static final int WRONG_STEP = 7;

    private AlignmentQuality() {}

    /** @param arguments the folder of lines, and "" or "-noise" */
    public static void main(String[] arguments) throws Exception {
        Path folder = Path.of(arguments[0]);
        String kind = arguments.length > 1 ? arguments[1] : "";
        Errors words = new Errors();
        Errors phones = new Errors();
        Map<String, Errors> voices = new TreeMap<>();
        int refused = 0;
        int unheard = 0;
        int far = 0;
        int farAndSure = 0;
        int tried = 0;
        int accepted = 0;
        double spoken = 0;
        double taken = 0;
        List<Path> lines;
        try (Stream<Path> all = Files.list(folder)) {
            lines = all.filter(path -> path.toString().endsWith(".txt"))
                    .sorted()
                    .toList();
        }
        Pronunciations pronunciations = new Pronunciations(List.of());
        pronunciations.of("warm");
        for (Path line : lines) {
            String name = line.getFileName().toString().replace(".txt", "");
            PcmBuffer sound = SoundFiles.read(folder.resolve(name + kind + ".wav"));
            List<String> script = ScriptText.parse(Files.readString(line)).texts();
            long from = System.nanoTime();
            Alignment found = Aligner.align(sound, 0, sound.seconds(), script, List.of(), pronunciations, done -> true);
            taken += (System.nanoTime() - from) / 1e9;
            spoken += sound.seconds();
            for (int other = 1; other <= WRONG_SCRIPTS && kind.isEmpty(); other++) {
                Path wrong = lines.get((lines.indexOf(line) + WRONG_STEP * other) % lines.size());
                tried++;
                accepted +=
                        fits(sound, ScriptText.parse(Files.readString(wrong)).texts(), pronunciations) ? 1 : 0;
            }
            List<Row> trueWords = rows(folder.resolve(name + "-words.csv"));
            List<Row> truePhones = rows(folder.resolve(name + "-phones.csv"));
            Errors mine = new Errors();
            for (int i = 0; i < trueWords.size(); i++) {
                if (Double.isNaN(trueWords.get(i).start)) {
                    continue;
                }
                // The synthesiser's words start with its first phone, after a pause.
                double start = afterPause(trueWords.get(i).start, truePhones);
                AlignedWord word = found.words().get(i);
                double off = Math.abs(word.startSeconds() - start);
                mine.millis.add(1000 * off);
                if (off > 0.2 && word.heard()) {
                    far++;
                    farAndSure += word.sureness() > 0.5 ? 1 : 0;
                }
                comparePhones(found.words().get(i), trueWords.get(i), truePhones, phones);
            }
            words.millis.addAll(mine.millis);
            voices.computeIfAbsent(name.replaceFirst("-\\d+$", ""), voice -> new Errors())
                    .millis
                    .addAll(mine.millis);
            refused += found.fits() ? 0 : 1;
            unheard +=
                    (int) found.words().stream().filter(word -> !word.heard()).count();
            System.out.printf(
                    Locale.ROOT,
                    "%-12s warp %.1f sure %.2f (least %.2f) words %s%n",
                    name,
                    found.warp(),
                    found.sureness(),
                    found.words().stream()
                            .mapToDouble(AlignedWord::sureness)
                            .min()
                            .orElse(0),
                    mine.words());
        }
        voices.forEach((voice, errors) -> System.out.printf(Locale.ROOT, "%-16s %s%n", voice, errors.words()));
        System.out.printf(
                Locale.ROOT,
                "%d of %d right scripts said not to fit, %d words not heard, %d off by more than 200 ms, %d of them with a sureness over"
                        + " a half%n",
                refused,
                lines.size(),
                unheard,
                far,
                farAndSure);
        System.out.printf(Locale.ROOT, "%d of %d scripts of other lines said to fit%n", accepted, tried);
        System.out.println("words  " + words.words());
        System.out.println("phones " + phones.words());
        System.out.printf(Locale.ROOT, "%.1f s of speech in %.1f s: %.1f x%n", spoken, taken, spoken / taken);
    }

    private static boolean fits(PcmBuffer sound, List<String> script, Pronunciations pronunciations) {
        try {
            return Aligner.align(sound, 0, sound.seconds(), script, List.of(), pronunciations, done -> true)
                    .fits();
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static double afterPause(double start, List<Row> phones) {
        return phones.stream()
                .filter(phone -> Math.abs(phone.start - start) < 1e-4 && phone.text.equals("pau"))
                .mapToDouble(Row::end)
                .findFirst()
                .orElse(start);
    }

    /** Phones are compared where both say the word with the same number of them. */
    private static void comparePhones(AlignedWord word, Row truth, List<Row> all, Errors out) {
        List<Row> inside = all.stream()
                .filter(phone ->
                        phone.start >= truth.start - 1e-4 && phone.end <= truth.end + 1e-4 && !phone.text.equals("pau"))
                .toList();
        if (inside.size() == word.phones().size()) {
            for (int i = 0; i < inside.size(); i++) {
                out.millis.add(1000 * Math.abs(word.phones().get(i).startSeconds() - inside.get(i).start));
            }
        }
    }

    private static List<Row> rows(Path file) throws IOException {
        return Files.readAllLines(file).stream()
                .map(line -> line.split(",", -1))
                .map(cells -> new Row(cells[0], time(cells[1]), time(cells[2])))
                .toList();
    }

    /** None where two words are said as one. */
    private static double time(String cell) {
        return cell.isEmpty() ? Double.NaN : Double.parseDouble(cell);
    }
}
