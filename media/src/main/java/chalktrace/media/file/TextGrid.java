package chalktrace.media.file;

import chalktrace.core.shot.Cue;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The annotation text format of phonetics: tiers "words" (one for each who speaks), "phones" and "mouths" of intervals that fill all time, empty where
 * nothing is, and a tier "cues" of points. Its long form is written; both its forms are read.
 */
final class TextGrid {

    private static final Pattern TOKEN =
            Pattern.compile("\"((?:[^\"]++|\"\")*+)\"|<exists>|-?\\d+(?:\\.\\d+)?(?:[eE]-?\\d+)?");
    private static final String WORDS_OF = "words of ";
    private static final int MOST_ITEMS = 1_000_000;

    private record Interval(double start, double end, String text) {}

    private TextGrid() {}

    static String write(TimedSpeech speech, FrameRate rate) {
        double end = 0.001;
        for (Word word : speech.words()) {
            end = Math.max(end, word.endSeconds());
        }
        for (MouthSpan mouth : speech.mouths()) {
            end = Math.max(end, rate.seconds(mouth.range().end()));
        }
        for (Cue cue : speech.cues()) {
            end = Math.max(end, cue.seconds() + 0.001);
        }
        StringBuilder out = new StringBuilder("File type = \"ooTextFile\"\nObject class = \"TextGrid\"\n\n");
        List<String> speakers =
                speech.words().stream().map(Word::speaker).distinct().toList();
        int tiers = Math.max(1, speakers.size()) + 3;
        out.append("xmin = 0\nxmax = ")
                .append(number(end))
                .append("\ntiers? <exists>\nsize = ")
                .append(tiers)
                .append("\nitem []:\n");
        int item = 1;
        for (String speaker : speakers.isEmpty() ? List.of("") : speakers) {
            tier(
                    out,
                    item++,
                    speaker.isEmpty() ? "words" : WORDS_OF + speaker,
                    end,
                    speech.words().stream()
                            .filter(word -> word.speaker().equals(speaker))
                            .map(word -> new Interval(word.startSeconds(), word.endSeconds(), word.text()))
                            .toList());
        }
        tier(
                out,
                item++,
                "phones",
                end,
                speech.words().stream()
                        .flatMap(word -> word.phones().stream())
                        .map(phone -> new Interval(phone.startSeconds(), phone.endSeconds(), phone.symbol()))
                        .toList());
        tier(
                out,
                item++,
                "mouths",
                end,
                speech.mouths().stream()
                        .map(mouth -> new Interval(
                                rate.seconds(mouth.range().start()),
                                rate.seconds(mouth.range().end()),
                                mouth.name()))
                        .toList());
        out.append("    item [")
                .append(item)
                .append("]:\n        class = \"TextTier\"\n        name = \"cues\"\n        xmin = 0\n        xmax = ")
                .append(number(end))
                .append("\n        points: size = ")
                .append(speech.cues().size())
                .append('\n');
        int n = 1;
        for (Cue cue : speech.cues()) {
            out.append("        points [")
                    .append(n++)
                    .append("]:\n            number = ")
                    .append(number(cue.seconds()))
                    .append("\n            mark = ")
                    .append(quoted(cue.name()))
                    .append('\n');
        }
        return out.toString();
    }

    private static void tier(StringBuilder out, int item, String name, double end, List<Interval> spoken) {
        List<Interval> all = new ArrayList<>();
        double at = 0;
        for (Interval one : spoken) {
            if (one.start - at > 1e-6) {
                all.add(new Interval(at, one.start, ""));
            }
            all.add(new Interval(Math.max(at, one.start), one.end, one.text));
            at = one.end;
        }
        if (end - at > 1e-6 || all.isEmpty()) {
            all.add(new Interval(at, end, ""));
        }
        out.append("    item [")
                .append(item)
                .append("]:\n        class = \"IntervalTier\"\n        name = ")
                .append(quoted(name))
                .append("\n        xmin = 0\n        xmax = ")
                .append(number(end))
                .append("\n        intervals: size = ")
                .append(all.size())
                .append('\n');
        int n = 1;
        for (Interval one : all) {
            out.append("        intervals [")
                    .append(n++)
                    .append("]:\n            xmin = ")
                    .append(number(one.start))
                    .append("\n            xmax = ")
                    .append(number(one.end))
                    .append("\n            text = ")
                    .append(quoted(one.text))
                    .append('\n');
        }
    }

    private static String quoted(String text) {
        return "\"" + text.replace("\"", "\"\"") + "\"";
    }

    private static String number(double value) {
        return SpeechCsv.seconds(value);
    }

    static TimedSpeech read(String text, FrameRate rate) throws TimedSpeech.Wrong {
        Tokens tokens = new Tokens(text);
        if (!tokens.text().equals("ooTextFile") || !tokens.text().equals("TextGrid")) {
            throw new TimedSpeech.Wrong("is no TextGrid: it does not start with \"ooTextFile\" and \"TextGrid\"");
        }
        tokens.number();
        tokens.number();
        tokens.exists();
        int tiers = tokens.count();
        List<Word> words = new ArrayList<>();
        List<Phone> phones = new ArrayList<>();
        List<MouthSpan> mouths = new ArrayList<>();
        List<Cue> cues = new ArrayList<>();
        for (int tier = 0; tier < tiers; tier++) {
            String kind = tokens.text();
            String written = tokens.text();
            String name = written.toLowerCase(Locale.ROOT);
            String speaker = name.startsWith(WORDS_OF) ? written.substring(WORDS_OF.length()) : "";
            tokens.number();
            tokens.number();
            int count = tokens.count();
            double before = Double.NEGATIVE_INFINITY;
            for (int i = 0; i < count; i++) {
                double start = tokens.number();
                int place = tokens.place();
                double end = kind.equals("TextTier") ? start : tokens.number();
                String said = tokens.text().strip();
                if (start < before - 1e-6 || end < start) {
                    throw new TimedSpeech.Wrong(
                            "has intervals over each other in tier \"" + name + "\", line " + tokens.line(place));
                }
                before = end;
                if (said.isEmpty()) {
                    continue;
                }
                if (kind.equals("TextTier")) {
                    cues.add(new Cue("cue-" + (cues.size() + 1), said, start));
                } else if (name.startsWith("phone")) {
                    String symbol = said.toUpperCase(Locale.ROOT).replaceAll("[0-2]$", "");
                    if (Phone.SYMBOLS.contains(symbol)) {
                        phones.add(new Phone(symbol, start, end));
                    } else if (!symbol.equals(Phone.SILENCE) && !symbol.equals("SP")) {
                        throw new TimedSpeech.Wrong("has \"" + said + "\" in tier \"" + name + "\", line "
                                + tokens.line(place) + ", which is no phone of ARPAbet");
                    }
                } else if (name.startsWith("mouth")) {
                    int first = rate.nearestFrame(start);
                    mouths.add(MouthSpan.named(
                            new FrameRange(first, Math.max(first + 1, rate.nearestFrame(end))), said, true));
                } else if (name.startsWith("word") || words.isEmpty() && tier == 0) {
                    words.add(new Word("word-" + (words.size() + 1), said, start, end).withSpeaker(speaker));
                }
            }
        }
        return new TimedSpeech(SpeechCsv.withPhones(words, phones), mouths, cues);
    }

    /** The values of the text in their order: what is between them only explains. */
    private static final class Tokens {
        private final String text;
        private final Matcher matcher;
        private boolean started;

        Tokens(String text) {
            // Names such as "item [2]:" carry numbers that are no values.
            this.text = text.replaceAll("\\[\\d*\\]", "  ");
            matcher = TOKEN.matcher(this.text);
        }

        private String next(String wanted) throws TimedSpeech.Wrong {
            started = matcher.find();
            if (!started) {
                throw new TimedSpeech.Wrong("ends too early: " + wanted + " is missing");
            }
            return matcher.group();
        }

        String text() throws TimedSpeech.Wrong {
            String token = next("a text");
            if (matcher.group(1) == null) {
                throw new TimedSpeech.Wrong(
                        "has " + token + " in line " + line(place()) + " where a text in quotes belongs");
            }
            return matcher.group(1).replace("\"\"", "\"");
        }

        double number() throws TimedSpeech.Wrong {
            String token = next("a number");
            try {
                return Double.parseDouble(token);
            } catch (NumberFormatException e) {
                throw new TimedSpeech.Wrong("has " + token + " in line " + line(place()) + " where a number belongs");
            }
        }

        int count() throws TimedSpeech.Wrong {
            double value = number();
            if (value != Math.rint(value) || value < 0 || value > MOST_ITEMS) {
                throw new TimedSpeech.Wrong(
                        "has the count " + value + " in line " + line(place()) + ", which can't be");
            }
            return (int) value;
        }

        void exists() throws TimedSpeech.Wrong {
            if (!next("<exists>").equals("<exists>")) {
                throw new TimedSpeech.Wrong("has no tiers");
            }
        }

        int place() {
            return started ? matcher.start() : 0;
        }

        int line(int place) {
            return (int) text.substring(0, place).chars().filter(c -> c == '\n').count() + 1;
        }
    }
}
