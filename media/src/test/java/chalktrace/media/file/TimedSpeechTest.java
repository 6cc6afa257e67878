package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import chalktrace.core.shot.Cue;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import chalktrace.media.UnreadableException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import org.assertj.core.groups.Tuple;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TimedSpeechTest {

    private static final FrameRate RATE = FrameRate.FILM;

    @TempDir
    Path folder;

    private static TimedSpeech sample() {
        Word careful = new Word(
                "word-1",
                "care\"ful, <&>",
                0.125,
                0.5,
                0.75,
                false,
                "Ada <A&B>",
                List.of(new Phone("K", 0.125, 0.25), new Phone("EH", 0.25, 0.5)));
        return new TimedSpeech(
                List.of(careful, new Word("word-2", "now", 0.75, 1.25).withSpeaker("Bo")),
                List.of(
                        new MouthSpan(new FrameRange(0, 6), "rest", true),
                        new MouthSpan(new FrameRange(6, 12), "wide", true),
                        new MouthSpan(new FrameRange(12, 14), "", 31, true)),
                List.of(new Cue("cue-1", "clink", 1.5)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"t.csv", "t.json", "t.TextGrid"})
    void whatIsWrittenIsReadBack(String name) throws Exception {
        Path file = folder.resolve(name);
        sample().write(file, RATE);
        TimedSpeech read = TimedSpeech.read(file, RATE);
        assertThat(read.words()).extracting(Word::text).containsExactly("care\"ful, <&>", "now");
        assertThat(read.words()).extracting(Word::speaker).containsExactly("Ada <A&B>", "Bo");
        assertThat(read.words().get(0).phones())
                .isEqualTo(sample().words().get(0).phones());
        assertThat(read.words().get(1).endSeconds()).isEqualTo(1.25);
        assertThat(read.mouths()).isEqualTo(sample().mouths());
        assertThat(read.cues()).extracting(Cue::seconds).containsExactly(1.5);
    }

    @Test
    void webVttKeepsWordsAndSharesOutCuesOfSeveral() throws Exception {
        Path file = folder.resolve("t.vtt");
        sample().write(file, RATE);
        assertThat(TimedSpeech.read(file, RATE).words())
                .extracting(Word::text, Word::speaker)
                .containsExactly(
                        Tuple.tuple("care\"ful,", "Ada <A&B>"),
                        Tuple.tuple("<&>", "Ada <A&B>"),
                        Tuple.tuple("now", "Bo"));
        // W3C WebVTT: hours may be left out, cues may have names and settings, text may be marked up.
        Files.writeString(
                file,
                "WEBVTT - a title\n\nNOTE said twice\n\nfirst\n00:01.000 --> 00:02.000 align:start\n<v Ada>Good <b>day</b>\n");
        List<Word> words = TimedSpeech.read(file, RATE).words();
        assertThat(words)
                .extracting(Word::text, Word::speaker)
                .containsExactly(Tuple.tuple("Good", "Ada"), Tuple.tuple("day", "Ada"));
        assertThat(words.get(0).startSeconds()).isEqualTo(1);
        assertThat(words.get(1).endSeconds()).isEqualTo(2);
    }

    @Test
    void aShortTextGridOfAnotherProgramIsRead() throws Exception {
        // The short form of the annotation format: values alone, in the same order.
        Path file = folder.resolve("short.TextGrid");
        Files.writeString(
                file,
                "File type = \"ooTextFile\"\nObject class = \"TextGrid\"\n\n0\n1\n<exists>\n2\n\"IntervalTier\"\n\"words\"\n0\n1\n2\n"
                        + "0\n0.5\n\"hot\"\n0.5\n1\n\"\"\n\"IntervalTier\"\n\"phones\"\n0\n1\n3\n0\n0.1\n\"HH\"\n0.1\n0.3\n\"AA1\"\n"
                        + "0.3\n0.5\n\"T\"\n");
        Word hot = TimedSpeech.read(file, RATE).words().get(0);
        assertThat(hot.phones()).extracting(Phone::symbol).containsExactly("HH", "AA", "T");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "a.vtt | WEBVTT\\n\\n00:01.000 --> 00:03.000\\none\\n\\n00:02.000 --> 00:04.000\\ntwo\\n | over each other",
                "a.vtt | WEBVTT\\n\\n00:03.000 --> 00:01.000\\none\\n | line 3",
                "a.vtt | WEBVTT\\n\\n0:3 --> 00:01.000\\none\\n | line 3",
                "a.vtt | nothing of it | WEBVTT",
                "a.csv | kind,text,startSeconds,endSeconds\\nword,hot,zero,1\\n | line 2",
                "a.csv | kind,text,startSeconds,endSeconds\\nsong,hot,0,1\\n | song",
                "a.csv | text\\nhot\\n | kind",
                "a.json | {\"words\": [{\"word\": 4}]} | word",
                "a.json | {\"words\": [ | JSON",
                "a.TextGrid | File type = \"ooTextFile\" \"TextGrid\" 0 1 <exists> 1 \"IntervalTier\" \"words\" 0 1 2 0 0.6 \"a\" 0.5 1"
                        + " \"b\" | over each other",
                "a.TextGrid | File type = \"ooTextFile\" \"TextGrid\" 0 1 <exists> 1 \"IntervalTier\" | too early",
                "a.txt | hot | .csv"
            })
    void badTablesAreRefusedWithThePlace(String name, String text, String said) throws Exception {
        Path file = folder.resolve(name);
        Files.writeString(file, text.replace("\\n", "\n"));
        assertThatThrownBy(() -> TimedSpeech.read(file, RATE))
                .isInstanceOf(UnreadableException.class)
                .hasMessageContaining(name)
                .hasMessageContaining(said);
    }

    @Test
    void flippedBytesEndNothing() throws Exception {
        Random random = new Random(5);
        for (String name : List.of("t.csv", "t.json", "t.vtt", "t.TextGrid")) {
            Path file = folder.resolve(name);
            sample().write(file, RATE);
            byte[] whole = Files.readAllBytes(file);
            for (int i = 0; i < 150; i++) {
                byte[] bad = whole.clone();
                bad[random.nextInt(bad.length)] = (byte) random.nextInt(256);
                Files.write(file, bad);
                try {
                    TimedSpeech.read(file, RATE);
                } catch (UnreadableException e) {
                    assertThat(e).hasMessageContaining(name);
                }
            }
        }
    }

    @Test
    void aChartIsWrittenAndReadAndOneWithAPhoneTwiceIsRefused() throws Exception {
        Path file = folder.resolve("mouths.json");
        MouthChart mine = MouthChart.SIX.giving("L", "wide");
        MouthFiles.write(mine, file);
        assertThat(MouthFiles.read(file)).isEqualTo(mine);
        Files.writeString(file, Files.readString(file).replace("\"F V\"", "\"F V M\""));
        assertThatThrownBy(() -> MouthFiles.read(file))
                .isInstanceOf(UnreadableException.class)
                .hasMessageContaining("M has two mouths");
    }
}
