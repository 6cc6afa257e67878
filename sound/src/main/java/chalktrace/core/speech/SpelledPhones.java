package chalktrace.core.speech;

import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Sounds from the spelling of a word: each letter, or pair of letters that spells one sound, gives a phone, vowels for longer
 * than consonants. English spelling only hints at the sounds; this is what can be said at once, without a dictionary and
 * without listening.
 */
public final class SpelledPhones {

    private static final double VOWEL = 2;
    private static final double CONSONANT = 1;

    private static final Map<String, String> PAIRS = Map.ofEntries(
            Map.entry("oo", "UW"),
            Map.entry("ou", "OW"),
            Map.entry("ow", "OW"),
            Map.entry("oa", "OW"),
            Map.entry("ee", "IY"),
            Map.entry("ea", "IY"),
            Map.entry("ai", "EY"),
            Map.entry("ay", "EY"),
            Map.entry("au", "AO"),
            Map.entry("th", "TH"),
            Map.entry("ll", "L"),
            Map.entry("ph", "F"),
            Map.entry("sh", "SH"),
            Map.entry("ch", "CH"),
            Map.entry("wh", "W"),
            Map.entry("qu", "W"),
            Map.entry("mm", "M"),
            Map.entry("pp", "P"),
            Map.entry("bb", "B"),
            Map.entry("ng", "NG"),
            Map.entry("ck", "K"));

    private static final Map<Character, String> LETTERS = Map.ofEntries(
            Map.entry('a', "AE"),
            Map.entry('b', "B"),
            Map.entry('c', "K"),
            Map.entry('d', "D"),
            Map.entry('e', "EH"),
            Map.entry('f', "F"),
            Map.entry('g', "G"),
            Map.entry('h', "HH"),
            Map.entry('i', "IH"),
            Map.entry('j', "JH"),
            Map.entry('k', "K"),
            Map.entry('l', "L"),
            Map.entry('m', "M"),
            Map.entry('n', "N"),
            Map.entry('o', "OW"),
            Map.entry('p', "P"),
            Map.entry('q', "K"),
            Map.entry('r', "R"),
            Map.entry('s', "S"),
            Map.entry('t', "T"),
            Map.entry('u', "UW"),
            Map.entry('v', "V"),
            Map.entry('w', "W"),
            Map.entry('x', "S"),
            Map.entry('y', "IY"),
            Map.entry('z', "Z"));

    private SpelledPhones() {}

    /** A word's phones as they are known, or else as its spelling hints at them. */
    public static List<Phone> of(Word word) {
        return word.phones().isEmpty()
                ? spread(symbols(word.text()), word.startSeconds(), word.endSeconds())
                : word.phones();
    }

    /** The phones that a spelling hints at; at least one. */
    public static List<String> symbols(String text) {
        String letters = text.toLowerCase(Locale.ROOT).replaceAll("[^a-z]", "");
        List<String> out = new ArrayList<>();
        for (int i = 0; i < letters.length(); i++) {
            String pair = i + 1 < letters.length() ? letters.substring(i, i + 2) : "";
            if (PAIRS.containsKey(pair)) {
                out.add(PAIRS.get(pair));
                i++;
            } else if (letters.charAt(i) == 'e' && i == letters.length() - 1 && out.size() > 1) {
                // A last e is mostly silent.
                continue;
            } else {
                out.add(LETTERS.get(letters.charAt(i)));
            }
        }
        return out.isEmpty() ? List.of("AH") : out;
    }

    /** Phones over a time, vowels twice as long as consonants. */
    public static List<Phone> spread(List<String> symbols, double startSeconds, double endSeconds) {
        double total = symbols.stream().mapToDouble(SpelledPhones::weight).sum();
        List<Phone> out = new ArrayList<>();
        double done = 0;
        for (String symbol : symbols) {
            double from = startSeconds + done / total * (endSeconds - startSeconds);
            done += weight(symbol);
            out.add(new Phone(symbol, from, startSeconds + done / total * (endSeconds - startSeconds)));
        }
        return out;
    }

    private static double weight(String symbol) {
        return Phone.isVowel(symbol) ? VOWEL : CONSONANT;
    }
}
