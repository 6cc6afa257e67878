package chalktrace.demo;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.demo.scene.Performance;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * The recorded line and the true times of its words. It was spoken once by a synthesiser (demo/voice/speak-line.sh), which
 * also told the times.
 */
final class SpokenLine implements Performance.MouthTrack {

    static final String SOUND = "line.wav";
    static final String WORDS = "line-words.csv";

    /** Louder than this the mouth is wide open. */
    private static final double LOUD = 0.16;

    /** A word, in seconds from the recording's first sample. */
    record SpokenWord(String text, double startSeconds, double endSeconds) {}

    private final PcmBuffer sound;

    SpokenLine(PcmBuffer sound) {
        this.sound = sound;
    }

    static InputStream resource(String name) {
        return SpokenLine.class.getResourceAsStream(name);
    }

    static List<SpokenWord> words() throws IOException {
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(resource(WORDS), StandardCharsets.UTF_8))) {
            return lines.lines()
                    .skip(1)
                    .map(line -> line.split(","))
                    .map(cells -> new SpokenWord(cells[0], Double.parseDouble(cells[1]), Double.parseDouble(cells[2])))
                    .toList();
        }
    }

    /** The loudness of the twelfth of a second around the frame. */
    @Override
    public double openAt(double frame) {
        double seconds = (frame - Performance.LINE) / 24;
        int from = (int) ((seconds - 1 / 24.0) * sound.sampleRate());
        int to = (int) ((seconds + 1 / 24.0) * sound.sampleRate());
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += sound.at(i, 0) * sound.at(i, 0);
        }
        return Math.min(1, Math.sqrt(sum / (to - from)) / LOUD);
    }
}
