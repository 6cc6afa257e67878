package chalktrace.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.testing.ChalkLine;
import chalktrace.app.window.DemoShot;
import chalktrace.core.shot.Drawing;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.Resampler;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRate;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.TimedSpeech;
import chalktrace.media.sound.SoundFiles;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The commands about speech and sound, on the line that ships with the demo: its true times are known from its synthesiser. */
class SpeechCommandsTest {

    private static final double FRAME = 1 / 24.0;

    @TempDir
    Path folder;

    private final ChalkLine line = new ChalkLine();

    private int run(Object... arguments) {
        return line.run(arguments);
    }

    private JsonNode json(Object... arguments) throws Exception {
        return line.json(arguments);
    }

    private Path demo(String name) throws Exception {
        DemoShot.copyTo(folder, false);
        return folder.resolve(name);
    }

    @Test
    void alignFindsTheWordsOfTheDemoLineWithinAFrame() throws Exception {
        Path script = Files.writeString(folder.resolve("script.txt"), "Careful now. It's hotter than it looks.");
        Path table = folder.resolve("words.TextGrid");
        JsonNode found =
                json("align", demo("kettle-line.wav"), "--script", script, "--fps", 24, "--to", table, "--json");
        List<String> truth = Files.readAllLines(demo("kettle-line-words.csv"));
        JsonNode words = found.path("words");
        assertThat(words).hasSize(truth.size() - 1);
        for (int i = 0; i < words.size(); i++) {
            String[] cells = truth.get(i + 1).split(",");
            assertThat(words.get(i).path("word").asText()).isEqualTo(cells[0]);
            assertThat(words.get(i).path("startSeconds").asDouble())
                    .isCloseTo(Double.parseDouble(cells[1]), within(FRAME));
            assertThat(words.get(i).path("startFrame").asInt())
                    .isEqualTo(FrameRate.FILM.nearestFrame(
                            words.get(i).path("startSeconds").asDouble()));
            assertThat(words.get(i).path("confidence").asDouble()).isBetween(0.5, 1.0);
            assertThat(words.get(i).path("phones")).isNotEmpty();
        }
        // 2.415 s at 24 frames a second: a mouth for each of 58 frames.
        assertThat(found.path("mouths")).hasSize(58);
        assertThat(found.path("mouths").findValuesAsText("mouth")).contains("lip-bite");
        assertThat(TimedSpeech.read(table, FrameRate.FILM).words()).hasSize(words.size());

        JsonNode mouths = json("mouths", table, "--chart", "six", "--twos", "--json");
        assertThat(mouths.path("mouths")).isNotEmpty();
    }

    @Test
    void aWrongScriptIsSaidAndWordsThatAreNotSaidAreMarked() throws Exception {
        Path wrong = Files.writeString(folder.resolve("wrong.txt"), "The boat came back before the fog was gone");
        assertThat(json("align", demo("kettle-line.wav"), "--script", wrong, "--json")
                        .path("fits")
                        .asBoolean())
                .isFalse();
        Path more = Files.writeString(
                folder.resolve("more.txt"), "Careful now. It's hotter than it looks. Goodbye tomorrow.");
        JsonNode words = json("align", demo("kettle-line.wav"), "--script", more, "--json")
                .path("words");
        assertThat(words).hasSize(9);
        assertThat(words.get(8).path("heard").asBoolean()).isFalse();
        assertThat(words.get(6).path("heard").asBoolean()).isTrue();
    }

    @Test
    void onsetsOfTheDemoClipAreWhereItsSoundsWereMade() throws Exception {
        JsonNode found = json("onsets", demo("kettle-clip.mp4"), "--fps", 24, "--json");
        List<Integer> frames = new ArrayList<>();
        found.path("onsets").forEach(onset -> frames.add(onset.path("frame").asInt()));
        // The demo puts the lift, the clink and the set-down onto these frames.
        assertThat(frames).contains(26, 112, 118);
    }

    @Test
    void syncSaysWhichCueOfTheDemoIsOff() throws Exception {
        JsonNode pairs = json("sync", demo("kettle.chalk"), "--json").path("pairs");
        assertThat(pairs.findValuesAsText("verdict")).containsExactly("good", "good", "off");
        assertThat(pairs.get(2).path("lateMillis").asDouble()).isCloseTo(-5 * 1000 / 24.0, within(0.5));
    }

    /** An empty shot has no mistakes; a drawing that is shown on no frame is one, and ends the command with 3. */
    @Test
    void checkListsPossibleMistakesAndExitsWithThree() throws Exception {
        Path file = folder.resolve("check.chalk");
        ShotFile.fresh().save(Shots.empty(), file);
        assertThat(run("check", file)).isZero();
        ShotFile.fresh()
                .save(Shots.empty().withLevel(Shots.LEVEL, level -> level.with(new Drawing(5, List.of()))), file);
        assertThat(run("check", file, "--json")).isEqualTo(3);
        JsonNode found =
                new ObjectMapper().readTree(line.out()).path("findings").get(0);
        assertThat(found.path("check").asText()).isEqualTo("never-shown");
        assertThat(found.path("level").asText()).isEqualTo(Shots.LEVEL);
        assertThat(found.path("drawing").asInt()).isEqualTo(5);
        assertThat(found.path("says").asText()).contains("drawing 5");
    }

    @ParameterizedTest
    @ValueSource(strings = {"silent", "eight-bit", "eight-kilohertz", "fast", "surround", "clipped"})
    void oddRecordingsAreAlignedOrRefusedInOneLine(String kind) throws Exception {
        Path sound = folder.resolve(kind + ".wav");
        write(kind, sound);
        Path script = Files.writeString(folder.resolve("script.txt"), "Careful now. It's hotter than it looks.");
        int code = run("align", sound, "--script", script, "--json");
        if (kind.equals("silent")) {
            assertThat(code).isEqualTo(1);
            assertThat(line.err()).contains("silent").hasLineCount(1);
        } else {
            assertThat(code).as(line.err()).isZero();
            JsonNode words = new ObjectMapper().readTree(line.out()).path("words");
            assertThat(words.get(3).path("startSeconds").asDouble()).isCloseTo(1.325, within(2 * FRAME));
        }
    }

    /** The demo line in another form, written with the Java platform's own sound library. */
    private void write(String kind, Path file) throws Exception {
        PcmBuffer spoken = SoundFiles.read(demo("kettle-line.wav"));
        int rate =
                switch (kind) {
                    case "eight-kilohertz" -> 8000;
                    case "fast" -> 192_000;
                    default -> 48_000;
                };
        float[] samples = Resampler.mono(spoken, rate);
        int channels = kind.equals("surround") ? 6 : 1;
        int bits = kind.equals("eight-bit") ? 8 : 16;
        byte[] bytes = new byte[samples.length * channels * bits / 8];
        float gain =
                switch (kind) {
                    case "silent" -> 0;
                    case "clipped" -> 6;
                    default -> 1;
                };
        for (int i = 0; i < samples.length; i++) {
            float sample = Math.max(-1, Math.min(1, gain * samples[i]));
            for (int c = 0; c < channels; c++) {
                int at = (i * channels + c) * bits / 8;
                if (bits == 8) {
                    bytes[at] = (byte) (128 + Math.round(127 * sample));
                } else {
                    int value = Math.round(32767 * sample);
                    bytes[at] = (byte) value;
                    bytes[at + 1] = (byte) (value >> 8);
                }
            }
        }
        AudioFormat format = new AudioFormat(rate, bits, channels, bits == 16, false);
        try (AudioInputStream stream = new AudioInputStream(new ByteArrayInputStream(bytes), format, samples.length)) {
            AudioSystem.write(stream, AudioFileFormat.Type.WAVE, file.toFile());
        }
    }

    @Test
    void mouthsOfOneWhoSpeaksRestWhileTheOtherDoes() throws Exception {
        Path sound = demo("kettle-line.wav");
        Path script = Files.writeString(folder.resolve("two.txt"), "Ada: Careful now.\nBo: It's hotter than it looks.");
        assertThat(run("align", sound, "--script", script, "--of", "Bo", "--json"))
                .as(line.err())
                .isZero();
        JsonNode found = new ObjectMapper().readTree(line.out());
        assertThat(found.path("words").findValuesAsText("speaker"))
                .containsExactly("Ada", "Ada", "Bo", "Bo", "Bo", "Bo", "Bo");
        int starts = found.path("words").get(2).path("startFrame").asInt();
        for (JsonNode mouth : found.path("mouths")) {
            if (mouth.path("frame").asInt() < starts - 3) {
                assertThat(mouth.path("mouth").asText()).isEqualTo("rest");
            }
        }
        assertThat(found.path("mouths").findValuesAsText("mouth")).contains("open");
        assertThat(run("align", sound, "--script", script, "--of", "Cy")).isEqualTo(1);
        assertThat(line.err()).contains("Ada, Bo").hasLineCount(1);
    }

    @Test
    void badScriptsAndSoundsAreOneLine() throws Exception {
        Path sound = demo("kettle-line.wav");
        Path empty = Files.writeString(folder.resolve("empty.txt"), " \u2615 \n");
        Path foreign = Files.writeString(
                folder.resolve("foreign.txt"), "\u043e\u0441\u0442\u043e\u0440\u043e\u0436\u043d\u043e");
        Path many = Files.writeString(folder.resolve("many.txt"), "kettle ".repeat(5000));
        Path binary = Files.write(folder.resolve("binary.txt"), new byte[] {(byte) 0xC3, (byte) 0x28, 0});
        Path nothing = Files.write(folder.resolve("nothing.wav"), new byte[0]);
        Path text = Files.writeString(folder.resolve("text.wav"), "no sound");
        for (Object[] call : List.of(
                new Object[] {"align", sound, "--script", empty},
                new Object[] {"align", sound, "--script", foreign},
                new Object[] {"align", sound, "--script", many},
                new Object[] {"align", sound, "--script", binary},
                new Object[] {"align", sound, "--script", folder.resolve("gone.txt")},
                new Object[] {"align", nothing, "--script", empty},
                new Object[] {"onsets", text},
                new Object[] {"mouths", empty},
                new Object[] {"sync", text})) {
            assertThat(run(call)).as(Arrays.toString(call)).isEqualTo(1);
            assertThat(line.err().strip().lines()).as(line.err()).hasSize(1);
            assertThat(line.out()).isEmpty();
        }
    }
}
