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
import java.nio.charset.Charset;
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

    /** 3,723.456 s are an hour, two minutes and 3.456 s. */
    @Test
    void webVttCountsHoursAndMinutesBothWays() throws Exception {
        Path file = folder.resolve("t.vtt");
        new TimedSpeech(List.of(new Word("word-1", "late", 3723.456, 3784)), List.of(), List.of()).write(file, RATE);
        assertThat(file).content().contains("01:02:03.456 --> 01:03:04.000");
        Word late = TimedSpeech.read(file, RATE).words().get(0);
        assertThat(late.startSeconds()).isEqualTo(3723.456);
        assertThat(late.endSeconds()).isEqualTo(3784);
    }

    @Test
    void aCueOfSeveralWordsIsSharedOutByTheirLetters() throws Exception {
        Path file = folder.resolve("t.vtt");
        Files.writeString(file, "WEBVTT\n\n00:02.000 --> 00:06.000\na bcd\n");
        assertThat(TimedSpeech.read(file, RATE).words())
                .extracting(Word::startSeconds, Word::endSeconds)
                .containsExactly(Tuple.tuple(2.0, 3.0), Tuple.tuple(3.0, 6.0));
    }

    /** As other programs save them, either byte first. */
    @ParameterizedTest
    @ValueSource(strings = {"UTF-16BE", "UTF-16LE", "UTF-8"})
    void textsWithAByteOrderMarkAreRead(String encoding) throws Exception {
        Path file = folder.resolve("t.csv");
        Files.writeString(
                file, "\uFEFFkind,text,startSeconds,endSeconds\nword,caf\u00e9,0,1\n", Charset.forName(encoding));
        assertThat(TimedSpeech.read(file, RATE).words()).extracting(Word::text).containsExactly("caf\u00e9");
    }

    /** The long form of the annotation format: numbered from 1, intervals that fill all time. */
    @Test
    void aTextGridFillsAllTimeAndCountsFromOne() throws Exception {
        Path file = folder.resolve("t.TextGrid");
        sample().write(file, RATE);
        String[] lines = Files.readString(file).lines().map(String::strip).toArray(String[]::new);
        assertThat(lines)
                .contains("size = 5", "item [1]:", "item [5]:", "points [1]:")
                .doesNotContain("item [6]:");
        assertThat(lines)
                .containsSequence(
                        "name = \"words of Bo\"",
                        "xmin = 0",
                        "xmax = 1.501000",
                        "intervals: size = 3",
                        "intervals [1]:",
                        "xmin = 0.000000",
                        "xmax = 0.750000",
                        "text = \"\"",
                        "intervals [2]:",
                        "xmin = 0.750000",
                        "xmax = 1.250000",
                        "text = \"now\"",
                        "intervals [3]:",
                        "xmin = 1.250000",
                        "xmax = 1.501000",
                        "text = \"\"");
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
                "a.vtt | WEBVTT\\n\\nsoon --> 00:01.000\\none\\n | line 3",
                "a.vtt | nothing of it | WEBVTT",
                "a.csv | kind,text,startSeconds,endSeconds\\nword,hot,zero,1\\n | line 2",
                "a.csv | kind,text,startSeconds,endSeconds\\nsong,hot,0,1\\n | song",
                "a.csv | text\\nhot\\n | kind",
                "a.json | {\"words\": [{\"word\": 4}]} | word",
                "a.json | {\"words\": [ | JSON",
                "a.TextGrid | File type = \"ooTextFile\" \"TextGrid\" 0 1 <exists> 1 \"IntervalTier\" \"words\" 0 1 2 0 0.6 \"a\" 0.5 1"
                        + " \"b\" | over each other",
                "a.TextGrid | File type = \"ooTextFile\"\\n\"TextGrid\"\\n0 1 <exists> 1\\n\"IntervalTier\" \"words\" 0 1 2\\n0 0.6 \"a\"\\n"
                        + "0.5 1 \"b\" | line 6",
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

    @Test
    void aLabelOfMegabytesIsReadAndOneThatIsRefusedIsNotRepeatedAtLength() throws Exception {
        String label = "ta".repeat(2 << 20);
        String grid = "\"ooTextFile\" \"TextGrid\" 0 1 <exists> 1 \"IntervalTier\" \"%s\" 0 1 1 0 1 \"%s\"";
        Path file = folder.resolve("long.TextGrid");
        Files.writeString(file, String.format(grid, "words", label));
        assertThat(TimedSpeech.read(file, FrameRate.of(24)).words().get(0).text())
                .isEqualTo(label);
        Files.writeString(file, String.format(grid, "phones", label + "\u202E\n"));
        assertThatThrownBy(() -> TimedSpeech.read(file, FrameRate.of(24)))
                .isInstanceOf(UnreadableException.class)
                .satisfies(e -> assertThat(e.getMessage()).hasSizeLessThan(300).doesNotContain("\u202E"));
    }

    @Test
    void aTableOfAMillionColumnsIsRefused() throws Exception {
        Path file = Files.writeString(folder.resolve("wide.csv"), "kind,text" + ",a".repeat(1_000_000) + "\nword,x\n");
        assertThatThrownBy(() -> TimedSpeech.read(file, FrameRate.of(24)))
                .isInstanceOf(UnreadableException.class)
                .hasMessageContaining("first line");
    }
}
