package chalktrace.media.file;

import chalktrace.core.shot.Cue;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.NavigableMap;
import java.util.TreeMap;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/** Words, phones, mouths and cues as rows of one CSV table (RFC 4180). A phone belongs to the word in whose time it lies. */
final class SpeechCsv {

    private static final int LONGEST_HEAD = 2_000;
    private static final String[] HEADS = {
        "kind", "text", "startSeconds", "endSeconds", "startFrame", "endFrame", "sureness", "speaker"
    };

    private SpeechCsv() {}

    static String write(TimedSpeech speech, FrameRate rate) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter rows = new CSVPrinter(out, CSVFormat.DEFAULT)) {
            rows.printRecord((Object[]) HEADS);
            for (Word word : speech.words()) {
                row(
                        rows,
                        rate,
                        "word",
                        word.text(),
                        word.startSeconds(),
                        word.endSeconds(),
                        seconds(word.sureness()),
                        word.speaker());
                for (Phone phone : word.phones()) {
                    row(rows, rate, "phone", phone.symbol(), phone.startSeconds(), phone.endSeconds(), "", "");
                }
            }
            for (MouthSpan mouth : speech.mouths()) {
                rows.printRecord(
                        "mouth",
                        mouth.name(),
                        seconds(rate.seconds(mouth.range().start())),
                        seconds(rate.seconds(mouth.range().end())),
                        mouth.range().start(),
                        mouth.range().end(),
                        "",
                        "");
            }
            for (Cue cue : speech.cues()) {
                row(rows, rate, "cue", cue.name(), cue.seconds(), cue.seconds(), "", "");
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static void row(
            CSVPrinter rows,
            FrameRate rate,
            String kind,
            String text,
            double start,
            double end,
            String sureness,
            String speaker)
            throws IOException {
        rows.printRecord(
                kind,
                text,
                seconds(start),
                seconds(end),
                rate.nearestFrame(start),
                rate.nearestFrame(end),
                sureness,
                speaker);
    }

    static String seconds(double value) {
        return String.format(Locale.ROOT, "%.6f", value);
    }

    static TimedSpeech read(String text) throws TimedSpeech.Wrong, IOException {
        List<Word> words = new ArrayList<>();
        List<MouthSpan> mouths = new ArrayList<>();
        List<Cue> cues = new ArrayList<>();
        List<Phone> phones = new ArrayList<>();
        requireShortHead(text);
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreSurroundingSpaces(true)
                .get();
        try (CSVParser rows = CSVParser.parse(text, format)) {
            for (CSVRecord row : rows) {
                String place = "in line " + rows.getCurrentLineNumber();
                String said = cell(row, "text", place);
                switch (cell(row, "kind", place)) {
                    case "word" ->
                        words.add(new Word(
                                "word-" + (words.size() + 1),
                                said,
                                number(row, "startSeconds", place),
                                number(row, "endSeconds", place),
                                optional(row, "sureness").isEmpty() ? 1 : number(row, "sureness", place),
                                false,
                                optional(row, "speaker"),
                                List.of()));
                    case "phone" ->
                        phones.add(
                                new Phone(said, number(row, "startSeconds", place), number(row, "endSeconds", place)));
                    case "mouth" ->
                        mouths.add(MouthSpan.named(
                                new FrameRange(
                                        (int) number(row, "startFrame", place), (int) number(row, "endFrame", place)),
                                said,
                                true));
                    case "cue" ->
                        cues.add(new Cue("cue-" + (cues.size() + 1), said, number(row, "startSeconds", place)));
                    default ->
                        throw new TimedSpeech.Wrong(place + " has a kind that is no word, phone, mouth or cue: \""
                                + row.get("kind") + "\"");
                }
            }
        } catch (UncheckedIOException e) {
            // The iteration over the rows wraps what is wrong with them.
            throw new TimedSpeech.Wrong("is no CSV table: " + e.getCause().getMessage());
        }
        return new TimedSpeech(withPhones(words, phones), mouths, cues);
    }

    /** A table of words has eight columns; one with a million would take as long as a film. */
    private static void requireShortHead(String text) throws TimedSpeech.Wrong {
        int end = text.indexOf('\n');
        if ((end < 0 ? text.length() : end) > LONGEST_HEAD) {
            throw new TimedSpeech.Wrong("has a first line of over " + LONGEST_HEAD
                    + " characters; it names the columns " + String.join(", ", HEADS));
        }
    }

    /** A cell of a column that older tables lack; empty where there is none. */
    private static String optional(CSVRecord row, String head) {
        return row.isMapped(head) && row.isSet(head) ? row.get(head) : "";
    }

    /** Gives each word the phones in whose middle it is heard. */
    static List<Word> withPhones(List<Word> words, List<Phone> phones) {
        NavigableMap<Double, List<Phone>> byMiddle = new TreeMap<>();
        for (Phone phone : phones) {
            byMiddle.computeIfAbsent((phone.startSeconds() + phone.endSeconds()) / 2, middle -> new ArrayList<>())
                    .add(phone);
        }
        return words.stream()
                .map(word -> word.withPhones(
                        byMiddle.subMap(word.startSeconds(), false, word.endSeconds(), false).values().stream()
                                .flatMap(List::stream)
                                .sorted(Comparator.comparingDouble(Phone::startSeconds))
                                .toList()))
                .toList();
    }

    private static String cell(CSVRecord row, String name, String place) throws TimedSpeech.Wrong {
        if (!row.isMapped(name) || !row.isSet(name)) {
            throw new TimedSpeech.Wrong(
                    place + " has no " + name + "; its first line names the columns " + String.join(", ", HEADS));
        }
        return row.get(name);
    }

    private static double number(CSVRecord row, String name, String place) throws TimedSpeech.Wrong {
        try {
            return Double.parseDouble(cell(row, name, place));
        } catch (NumberFormatException e) {
            throw new TimedSpeech.Wrong(place + " has \"" + row.get(name) + "\" where " + name + " is a number");
        }
    }
}
