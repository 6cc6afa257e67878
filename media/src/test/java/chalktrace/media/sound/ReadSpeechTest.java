package chalktrace.media.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.speech.AlignedWord;
import chalktrace.core.speech.Aligner;
import chalktrace.core.speech.Alignment;
import chalktrace.core.speech.Pronunciations;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * Speech that people read, from Debian's package pocketsphinx-testdata, against word starts read off its spectrograms. Skipped
 * where the package is not installed.
 */
class ReadSpeechTest {

    private static final Path FOLDER = Path.of("/usr/share/pocketsphinx/test/data/librivox");

    private record Start(String word, double seconds) {}

    private static final Map<String, List<Start>> READ = new LinkedHashMap<>();

    @BeforeAll
    static void read() throws Exception {
        assumeTrue(Files.isDirectory(FOLDER), "the package pocketsphinx-testdata is not installed");
        try (InputStream in = ReadSpeechTest.class.getResourceAsStream("/speech/read-words.csv")) {
            new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#"))
                    .skip(1)
                    .map(line -> line.split(","))
                    .forEach(cells -> READ.computeIfAbsent(cells[0], file -> new ArrayList<>())
                            .add(new Start(cells[1], Double.parseDouble(cells[2]))));
        }
    }

    private static Alignment align(String file, List<Start> script) throws Exception {
        PcmBuffer sound = SoundFiles.read(FOLDER.resolve("sense_and_sensibility_01_austen_64kb-" + file + ".wav"));
        List<String> words = script.stream().map(Start::word).toList();
        return Aligner.align(sound, 0, sound.seconds(), words, List.of(), new Pronunciations(List.of()), done -> true);
    }

    @Test
    void wordsThatPeopleReadStartWithinThreeFrames() throws Exception {
        List<Double> errors = new ArrayList<>();
        for (Map.Entry<String, List<Start>> sentence : READ.entrySet()) {
            Alignment found = align(sentence.getKey(), sentence.getValue());
            assertThat(found.fits()).as(sentence.getKey()).isTrue();
            assertThat(found.words()).as(sentence.getKey()).allMatch(AlignedWord::heard);
            for (int i = 0; i < found.words().size(); i++) {
                errors.add(Math.abs(found.words().get(i).startSeconds()
                        - sentence.getValue().get(i).seconds));
            }
        }
        assertThat(errors).hasSize(71);
        assertThat(errors.stream().filter(error -> error <= 3 / 24.0).count() / (double) errors.size())
                .isGreaterThanOrEqualTo(0.95);
        errors.sort(null);
        assertThat(errors.get(errors.size() / 2)).as("the middle error").isLessThan(0.02);
    }

    @Test
    void aSentenceIsNotTakenForAnother() throws Exception {
        assertThat(align("0930", READ.get("0880")).fits()).isFalse();
        assertThat(align("0880", READ.get("0930")).fits()).isFalse();
    }
}
