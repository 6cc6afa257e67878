package chalktrace.benchmarks;

import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.media.UnreadableException;
import chalktrace.media.file.DrawingFiles;
import chalktrace.media.file.Leftover;
import chalktrace.media.file.MouthFiles;
import chalktrace.media.file.PointFiles;
import chalktrace.media.file.PronunciationFile;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.TimedSpeech;
import chalktrace.media.file.Versions;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import chalktrace.media.sound.SoundFiles;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.logging.LogManager;
import java.util.stream.Stream;

/**
 * Spoils files of a folder in many ways and opens each in a program of its own: {@code MutatedFiles FOLDER COUNT SEED [KEEP]}. Says which ended the
 * program, hung, failed without a sentence, or said one that is too long or holds control characters; those are copied to the folder KEEP.
 */
public final class MutatedFiles {

    private static final int HANGS_SECONDS = 10;
    private static final int LONGEST_SENTENCE = 300;
    private static final int LARGEST = 64 << 20;

    private MutatedFiles() {}

    public static void main(String[] arguments) throws Exception {
        if (arguments.length == 1 && arguments[0].equals("opens")) {
            open();
            return;
        }
        Path folder = Path.of(arguments[0]);
        int count = Integer.parseInt(arguments[1]);
        Random random = new Random(Long.parseLong(arguments[2]));
        Path keep = Files.createDirectories(Path.of(arguments.length > 3 ? arguments[3] : "mutated"));
        List<Path> whole;
        try (Stream<Path> all = Files.walk(folder)) {
            whole = all.filter(Files::isRegularFile)
                    .filter(file -> file.toFile().length() < LARGEST)
                    .sorted(Comparator.comparing(Path::toString))
                    .toList();
        }
        Map<String, Integer> outcomes = new TreeMap<>();
        Path work = Files.createTempDirectory("mutated");
        Opener opener = new Opener();
        for (int i = 0; i < count; i++) {
            Path of = whole.get(random.nextInt(whole.size()));
            Path spoilt = work.resolve(of.getFileName().toString());
            Files.write(spoilt, spoilt(Files.readAllBytes(of), random));
            String outcome = opener.open(spoilt);
            String kind = kind(outcome, spoilt);
            outcomes.merge(kind, 1, Integer::sum);
            if (!kind.equals("opened") && !kind.equals("refused")) {
                Path kept = keep.resolve(i + "-" + of.getFileName());
                Files.copy(spoilt, kept);
                System.out.println(kind + ": " + kept + ": "
                        + outcome.substring(0, Math.min(500, outcome.length())).replaceAll("\\p{Cntrl}", "?"));
            }
            Files.delete(spoilt);
        }
        opener.end();
        System.out.println(count + " files: " + outcomes);
    }

    private static String kind(String outcome, Path file) {
        if (!outcome.startsWith("refused ")) {
            return outcome.split(" ", 2)[0];
        }
        String says = outcome.substring("refused ".length());
        if (says.length() > LONGEST_SENTENCE) {
            return "long";
        }
        if (says.chars().anyMatch(c -> Character.isISOControl(c) || Character.getType(c) == Character.FORMAT)) {
            return "control";
        }
        boolean names = says.contains(file.getFileName().toString());
        boolean technical = says.contains("Exception") || says.contains("java.") || says.contains("null");
        return !names ? "unnamed" : technical ? "technical" : "refused";
    }

    /** Some of: bytes changed, a piece cut out, doubled, moved, filled, a number blown up, the end cut. */
    private static byte[] spoilt(byte[] bytes, Random random) {
        byte[] out = bytes;
        int times = 1 + random.nextInt(4);
        for (int i = 0; i < times && out.length > 4; i++) {
            int at = random.nextInt(out.length);
            int length = 1 + random.nextInt(Math.min(out.length - at, 1 + random.nextInt(200)));
            out = switch (random.nextInt(9)) {
                case 0 -> java.util.Arrays.copyOf(out, at);
                case 1 -> joined(out, 0, at, out, at + length, out.length);
                case 2 -> joined(out, 0, at + length, out, at, out.length);
                case 3 -> filled(out, at, length, random);
                case 4 -> numbered(out, random);
                case 5 -> inserted(out, at, random);
                default -> flipped(out, random);
            };
        }
        return out;
    }

    private static byte[] joined(byte[] a, int from, int to, byte[] b, int start, int end) {
        byte[] out = new byte[to - from + end - start];
        System.arraycopy(a, from, out, 0, to - from);
        System.arraycopy(b, start, out, to - from, end - start);
        return out;
    }

    private static byte[] filled(byte[] bytes, int at, int length, Random random) {
        byte[] out = bytes.clone();
        java.util.Arrays.fill(out, at, at + length, (byte) new int[] {0, 255, 32, '9', '"'}[random.nextInt(5)]);
        return out;
    }

    private static byte[] flipped(byte[] bytes, Random random) {
        byte[] out = bytes.clone();
        for (int i = random.nextInt(12); i >= 0; i--) {
            // More often at the head, where what counts stands.
            int at = random.nextBoolean() ? random.nextInt(out.length) : random.nextInt(Math.min(out.length, 400));
            out[at] ^= (byte) (1 << random.nextInt(8));
        }
        return out;
    }

    /** A number in text becomes another one. */
    private static byte[] numbered(byte[] bytes, Random random) {
        List<Integer> digits = new ArrayList<>();
        for (int at = random.nextInt(bytes.length), seen = 0; seen < bytes.length && digits.size() < 50; seen++) {
            int i = (at + seen) % bytes.length;
            if (bytes[i] >= '0' && bytes[i] <= '9') {
                digits.add(i);
            }
        }
        if (digits.isEmpty()) {
            return flipped(bytes, random);
        }
        int at = digits.get(random.nextInt(digits.size()));
        String[] others = {"-1", "0", "1e308", "NaN", "99999999999999999999", "1e-320", "2147483648", ""};
        byte[] other = others[random.nextInt(others.length)].getBytes(StandardCharsets.US_ASCII);
        return joined(joined(bytes, 0, at, other, 0, other.length), 0, at + other.length, bytes, at + 1, bytes.length);
    }

    /** Characters that turn or hide text, or much of one. */
    private static byte[] inserted(byte[] bytes, int at, Random random) {
        String[] pieces = {
            "\u202E",
            "\u0007\u001B[31m",
            "\u2066\u200F",
            "\"",
            "<",
            "a".repeat(100_000),
            "9".repeat(5_000),
            "\n".repeat(20_000),
            ",".repeat(50_000),
            "[".repeat(20_000)
        };
        byte[] piece = pieces[random.nextInt(pieces.length)].getBytes(StandardCharsets.UTF_8);
        return joined(joined(bytes, 0, at, piece, 0, piece.length), 0, at + piece.length, bytes, at, bytes.length);
    }

    /** A program that opens files; another one where it has ended. */
    private static final class Opener {
        private Process process;
        private PrintWriter tells;
        private BufferedReader says;

        String open(Path file) throws Exception {
            if (process == null || !process.isAlive()) {
                start();
            }
            tells.println(file);
            tells.flush();
            try {
                String line = CompletableFuture.supplyAsync(this::next).get(HANGS_SECONDS, TimeUnit.SECONDS);
                if (line == null) {
                    process.waitFor();
                    String ended = "ended with " + process.exitValue();
                    process = null;
                    return ended;
                }
                return new String(Base64.getDecoder().decode(line), StandardCharsets.UTF_8);
            } catch (TimeoutException | ExecutionException e) {
                process.destroyForcibly().waitFor();
                process = null;
                return "hung";
            }
        }

        private String next() {
            try {
                return says.readLine();
            } catch (IOException e) {
                return null;
            }
        }

        private void start() throws IOException {
            process = new ProcessBuilder(
                            Path.of(System.getProperty("java.home"), "bin", "java")
                                    .toString(),
                            "-Xmx1g",
                            "-Djava.awt.headless=true",
                            "-cp",
                            System.getProperty("java.class.path"),
                            MutatedFiles.class.getName(),
                            "opens")
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            tells = new PrintWriter(process.getOutputStream(), true, StandardCharsets.UTF_8);
            says = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        }

        void end() {
            if (process != null) {
                process.destroy();
            }
        }
    }

    /** Opens what it is told, and says what came of it. */
    private static void open() throws IOException {
        PrintStream out = System.out;
        System.setOut(System.err);
        LogManager.getLogManager().reset();
        try (BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8))) {
            for (String file = in.readLine(); file != null; file = in.readLine()) {
                String outcome;
                try {
                    opened(Path.of(file));
                    outcome = "opened";
                } catch (UnreadableException | PictureUnavailableException e) {
                    outcome = "refused " + e.getMessage();
                } catch (Throwable e) {
                    outcome = "failed " + e + " at "
                            + List.of(e.getStackTrace()).subList(0, Math.min(4, e.getStackTrace().length));
                }
                out.println(Base64.getEncoder().encodeToString(outcome.getBytes(StandardCharsets.UTF_8)));
                out.flush();
            }
        }
    }

    private static void opened(Path file) throws Exception {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        String ending = name.substring(name.lastIndexOf('.') + 1);
        switch (ending) {
            case "chalk" -> ShotFile.open(file);
            case "journal" -> journal(file);
            case "version" -> version(file);
            case "svg" -> DrawingFiles.read(file);
            case "csv", "vtt", "textgrid" -> TimedSpeech.read(file, FrameRate.of(24));
            case "points" -> PointFiles.read(Files.move(file, file.resolveSibling("points.csv")));
            case "mouths" -> MouthFiles.read(file);
            case "dict" -> PronunciationFile.read(file);
            case "wav", "flac", "mp3", "ogg" -> SoundFiles.read(file);
            default -> {
                try (Reference reference = References.open(file)) {
                    for (int i = 0; i < Math.min(3, reference.times().count()); i++) {
                        reference.picture(i);
                    }
                }
            }
        }
    }

    /** As the journal of a session. */
    private static void journal(Path file) throws Exception {
        Path session = Files.createTempDirectory("session");
        try {
            Files.copy(file, session.resolve("journal-1"));
            Files.writeString(session.resolve("session.json"), "{\"shot\":null,\"generation\":1,\"base\":false}");
            var left = Leftover.read(session);
            if (left.isPresent()) {
                left.get().recover();
            }
        } catch (UnreadableException e) {
            throw UnreadableException.of(file, e.getMessage(), "");
        } finally {
            // Where nothing was in it, it has gone.
            Files.createDirectories(session);
            try (Stream<Path> all = Files.walk(session)) {
                all.sorted(Comparator.reverseOrder())
                        .forEach(path -> path.toFile().delete());
            }
        }
    }

    /** As the parts of a version. */
    private static void version(Path file) throws Exception {
        Path folder = Files.createTempDirectory("versions");
        try {
            Path shot = Files.createFile(folder.resolve("shot.chalk"));
            Files.createDirectory(folder.resolve(".shot.chalk.versions"));
            Files.copy(file, folder.resolve(".shot.chalk.versions/a.parts"));
            Files.writeString(folder.resolve(".shot.chalk.versions/a.json"), "{\"saved\":\"2026-01-01T00:00:00Z\"}");
            for (Versions.Version version : new Versions(shot).all()) {
                new Versions(shot).open(version);
            }
        } catch (UnreadableException e) {
            throw UnreadableException.of(file, e.getMessage(), "");
        } finally {
            try (Stream<Path> all = Files.walk(folder)) {
                all.sorted(Comparator.reverseOrder())
                        .forEach(path -> path.toFile().delete());
            }
        }
    }
}
