package chalktrace.core.testing;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.speech.ScriptText;
import java.io.BufferedInputStream;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;

/**
 * Lines spoken by synthetic voices, with the true times that the synthesiser told. Made by benchmarks/voice/speak-lines.sh
 * with Debian's festival and its voices kal_diphone and cmu_us_slt_arctic_hts, and by speak-accents.py with espeak-ng, and
 * brought to 16 kHz.
 */
public final class SpokenLines {

    /** A name and when it is said. */
    public record Said(String text, double startSeconds, double endSeconds) {}

    private SpokenLines() {}

    public static PcmBuffer sound(String name) {
        try (AudioInputStream in = AudioSystem.getAudioInputStream(new BufferedInputStream(resource(name + ".wav")))) {
            byte[] bytes = in.readAllBytes();
            float[] samples = new float[bytes.length / 2];
            for (int i = 0; i < samples.length; i++) {
                samples[i] = (short) (bytes[2 * i] & 0xFF | bytes[2 * i + 1] << 8) / 32768f;
            }
            return new PcmBuffer((int) in.getFormat().getSampleRate(), 1, samples);
        } catch (IOException | UnsupportedAudioFileException e) {
            throw new IllegalStateException(e);
        }
    }

    public static List<String> script(String name) {
        return ScriptText.parse(String.join("\n", lines(name + ".txt"))).texts();
    }

    /** The words; one after a pause starts after it. */
    public static List<Said> words(String name) {
        List<Said> pauses = said(name + "-phones.csv").stream()
                .filter(phone -> phone.text().equals("pau"))
                .toList();
        return said(name + "-words.csv").stream()
                .map(word -> new Said(
                        word.text(),
                        pauses.stream()
                                .filter(pause -> Math.abs(pause.startSeconds() - word.startSeconds()) < 1e-4)
                                .mapToDouble(Said::endSeconds)
                                .findFirst()
                                .orElse(word.startSeconds()),
                        word.endSeconds()))
                .toList();
    }

    private static List<Said> said(String file) {
        return lines(file).stream()
                .map(line -> line.split(","))
                .map(cells -> new Said(cells[0], Double.parseDouble(cells[1]), Double.parseDouble(cells[2])))
                .toList();
    }

    private static List<String> lines(String file) {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(resource(file), StandardCharsets.UTF_8))) {
            return in.lines().toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream resource(String file) {
        return SpokenLines.class.getResourceAsStream("/chalktrace/core/testing/speech/" + file);
    }
}
