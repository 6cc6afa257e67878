package chalktrace.core.speech;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A written line as the words that are spoken, each with who speaks it. */
public record ScriptText(List<Spoken> words) {

    public static final int MOST_WORDS = 20_000;

    /** A name at the start of a line, before a colon, says who speaks from there on. */
    private static final Pattern SPEAKER = Pattern.compile("^\\s*([\\p{L}][\\p{L}\\p{N} .'-]{0,30}):\\s+(.*)$");

    private static final Pattern ASIDE = Pattern.compile("\\[[^\\]]*\\]|\\([^)]*\\)");

    /** @param text as it is written, @param speaker empty when nobody was named */
    public record Spoken(String text, String speaker) {}

    public ScriptText {
        words = List.copyOf(words);
    }

    /** The words alone. */
    public List<String> texts() {
        return words.stream().map(Spoken::text).toList();
    }

    /**
     * Takes a text apart. What stands in brackets is said to the actor and left out; pictographs and loose punctuation are no
     * words.
     *
     * @throws IllegalArgumentException when there is no word, or there are more than {@link #MOST_WORDS}
     */
    public static ScriptText parse(String text) {
        List<Spoken> out = new ArrayList<>();
        String speaker = "";
        for (String line : text.split("\\R")) {
            Matcher named = SPEAKER.matcher(line);
            String rest = line;
            if (named.matches()) {
                speaker = named.group(1).strip();
                rest = named.group(2);
            }
            for (String part : ASIDE.matcher(rest)
                    .replaceAll(" ")
                    .split("[\\s\u2014\u2013/]+|-{2,}|(?<=\\p{L})-(?=\\p{L})|\\.{3,}|\u2026")) {
                if (!Pronunciations.key(part).isEmpty()) {
                    out.add(new Spoken(bare(part), speaker));
                }
            }
        }
        if (out.isEmpty()) {
            throw new IllegalArgumentException("The script has no words. Paste the line as it is spoken.");
        }
        if (out.size() > MOST_WORDS) {
            throw new IllegalArgumentException("The script has " + out.size() + " words; up to " + MOST_WORDS
                    + " can be aligned at once. Take a part of it.");
        }
        return new ScriptText(out);
    }

    /** Without the punctuation around it. */
    private static String bare(String part) {
        String out = part.replaceAll("^[^\\p{L}\\p{N}$'\u2019&+]+|[^\\p{L}\\p{N}%'\u2019&+]+$", "");
        return out.isEmpty() ? part : out;
    }
}
