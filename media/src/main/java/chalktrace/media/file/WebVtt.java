package chalktrace.media.file;

import chalktrace.core.shot.Word;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Words as cues of WebVTT, who speaks them as voice spans (W3C, "WebVTT: The Web Video Text Tracks Format", 2019). */
final class WebVtt {

    private static final Pattern TIMES = Pattern.compile("^\\s*([\\d:.]+)\\s+-->\\s+([\\d:.]+).*$");
    /** A voice span says who speaks. */
    private static final Pattern VOICE = Pattern.compile("<v(?:\\.[^\\s>]*)?\\s+([^>]+)>");

    private static final Pattern TIME = Pattern.compile("(?:(\\d{1,4}):)?(\\d{2}):(\\d{2})\\.(\\d{3})");

    private WebVtt() {}

    static String write(TimedSpeech speech) {
        StringBuilder out = new StringBuilder("WEBVTT\n");
        for (Word word : speech.words()) {
            out.append('\n')
                    .append(time(word.startSeconds()))
                    .append(" --> ")
                    .append(time(word.endSeconds()))
                    .append('\n')
                    .append(word.speaker().isEmpty() ? "" : "<v " + escaped(word.speaker()) + ">")
                    .append(escaped(word.text()))
                    .append('\n');
        }
        return out.toString();
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }

    private static String time(double seconds) {
        long millis = Math.round(seconds * 1000);
        return String.format(
                Locale.ROOT,
                "%02d:%02d:%02d.%03d",
                millis / 3_600_000,
                millis / 60_000 % 60,
                millis / 1000 % 60,
                millis % 1000);
    }

    /** Cues of one word each; a cue of several words is shared out among them by their letters. */
    static TimedSpeech read(String text) throws TimedSpeech.Wrong {
        String[] lines = text.split("\\R", -1);
        if (!lines[0].startsWith("WEBVTT")) {
            throw new TimedSpeech.Wrong("does not start with WEBVTT");
        }
        List<Word> words = new ArrayList<>();
        for (int i = 1; i < lines.length; i++) {
            Matcher times = TIMES.matcher(lines[i]);
            if (!times.matches()) {
                if (lines[i].contains("-->")) {
                    throw new TimedSpeech.Wrong(
                            "has times in line " + (i + 1) + " that are not as 00:00:01.000 --> 00:00:01.500");
                }
                continue;
            }
            double start = seconds(times.group(1), i);
            double end = seconds(times.group(2), i);
            if (end <= start) {
                throw new TimedSpeech.Wrong("has a cue in line " + (i + 1) + " that ends before it starts");
            }
            StringBuilder said = new StringBuilder();
            while (i + 1 < lines.length && !lines[i + 1].isBlank()) {
                said.append(lines[++i]).append(' ');
            }
            Matcher voice = VOICE.matcher(said);
            share(plain(said.toString()), voice.find() ? plain(voice.group(1)) : "", start, end, words);
        }
        return new TimedSpeech(words, List.of(), List.of());
    }

    private static void share(String said, String speaker, double start, double end, List<Word> words) {
        if (said.isEmpty()) {
            return;
        }
        String[] parts = said.split("\\s+");
        double letters = said.replaceAll("\\s", "").length();
        double at = start;
        for (String part : parts) {
            double to = at + (end - start) * part.length() / letters;
            words.add(new Word("word-" + (words.size() + 1), part, at, Math.max(to, at + 1e-4)).withSpeaker(speaker));
            at = to;
        }
    }

    private static String plain(String said) {
        return said.replaceAll("<[^>]*>", "")
                .replace("&lt;", "<")
                .replace("&gt;", ">")
                .replace("&nbsp;", " ")
                .replace("&amp;", "&")
                .strip();
    }

    private static double seconds(String text, int line) throws TimedSpeech.Wrong {
        Matcher time = TIME.matcher(text);
        if (!time.matches()) {
            throw new TimedSpeech.Wrong(
                    "has the time \"" + text + "\" in line " + (line + 1) + "; it is written 00:00:01.000");
        }
        int hours = time.group(1) == null ? 0 : Integer.parseInt(time.group(1));
        return hours * 3600
                + Integer.parseInt(time.group(2)) * 60
                + Integer.parseInt(time.group(3))
                + Integer.parseInt(time.group(4)) / 1000.0;
    }
}
