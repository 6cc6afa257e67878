package chalktrace.core.speech;

import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Speech;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.zip.GZIPInputStream;

/**
 * How words are said: as an artist typed it, else as the CMU Pronouncing Dictionary has it, else as the letter-to-sound rules
 * of FreeTTS guess (A. Black, K. Lenzo, V. Pagel, "Issues in building general letter to sound rules", 1998).
 */
public final class Pronunciations {

    /** Where a pronunciation is from. */
    public enum Origin {
        TYPED,
        DICTIONARY,
        GUESSED
    }

    /**
     * The ways in which a word is said.
     *
     * @param ways at least one, each a row of phones
     */
    public record Said(Origin origin, List<List<String>> ways) {}

    private static final int MOST_LETTERS = 40;

    private static final class Shipped {
        static final Map<String, String> WORDS = load();
        static final LetterToSound RULES = rules();
    }

    private final Map<String, List<String>> typed = new HashMap<>();

    /** @param sayings that go before the dictionary */
    public Pronunciations(List<Speech.Saying> sayings) {
        sayings.forEach(saying -> typed.put(key(saying.word()), saying.phones()));
    }

    /** A word without what surrounds it, in small letters, accents taken off: as it is looked up. */
    public static String key(String word) {
        String plain = Normalizer.normalize(word.replace('\u2019', '\''), Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT);
        return plain.replaceAll("^[^\\p{L}\\p{N}'%&+$]+|[^\\p{L}\\p{N}'%&+$]+$", "")
                .replaceAll("^'+(?!\\p{L})|'+$", "");
    }

    /**
     * Reads phones as they are typed: "K EH1 T AH0 L"; the digits of stress are left out.
     *
     * @throws IllegalArgumentException when one is no phone of ARPAbet, or there is none; it says which
     */
    public static List<String> parse(String text) {
        List<String> out = new ArrayList<>();
        for (String part : text.strip().toUpperCase(Locale.ROOT).split("[\\s,-]+")) {
            String symbol = part.replaceAll("[0-2]$", "");
            if (symbol.isEmpty()) {
                continue;
            }
            if (!Phone.SYMBOLS.contains(symbol)) {
                throw new IllegalArgumentException("\"" + part + "\" is no phoneme of ARPAbet. Those are "
                        + String.join(" ", Phone.SYMBOLS) + ".");
            }
            out.add(symbol);
        }
        if (out.isEmpty()) {
            throw new IllegalArgumentException("Type at least one phoneme, such as K EH T AH L for kettle.");
        }
        return out;
    }

    /**
     * @param word as it is written
     * @throws IllegalArgumentException when it has letters for which no English sound can be guessed; it says what to do
     */
    public Said of(String word) {
        String key = key(word);
        List<String> own = typed.get(key);
        if (own != null) {
            return new Said(Origin.TYPED, List.of(own));
        }
        List<List<String>> found = inDictionary(key);
        if (!found.isEmpty()) {
            return new Said(Origin.DICTIONARY, found);
        }
        List<List<String>> spoken = new ArrayList<>();
        for (String words : SpokenNumbers.of(key)) {
            spoken.add(List.of(words.split(" ")).stream()
                    .flatMap(part -> single(part).stream())
                    .toList());
        }
        return spoken.isEmpty()
                ? new Said(Origin.GUESSED, List.of(guess(key, word)))
                : new Said(Origin.DICTIONARY, spoken);
    }

    private List<String> single(String word) {
        List<List<String>> found = inDictionary(word);
        return found.isEmpty() ? guess(word, word) : found.get(0);
    }

    private static List<List<String>> inDictionary(String key) {
        List<List<String>> out = new ArrayList<>();
        for (int n = 1; n < 10; n++) {
            String phones = Shipped.WORDS.get(n == 1 ? key : key + "(" + n + ")");
            if (phones == null) {
                break;
            }
            out.add(List.of(phones.split(" ")));
        }
        return out;
    }

    private static List<String> guess(String key, String word) {
        String letters = key.replaceAll("[^a-z']", "");
        if (letters.isEmpty()
                || letters.length() < key.replaceAll("[^\\p{L}]", "").length()) {
            throw new IllegalArgumentException("How \"" + word
                    + "\" is said can't be guessed. Type its phonemes, such as K EH T AH L for kettle.");
        }
        if (letters.length() > MOST_LETTERS) {
            throw new IllegalArgumentException(
                    "\"" + word.substring(0, 20) + "...\" is too long for a word. Put spaces where it is several.");
        }
        List<String> out = new ArrayList<>();
        for (String phone : Shipped.RULES.phonesOf(letters)) {
            String symbol = phone.replaceAll("[0-9]", "").toUpperCase(Locale.ROOT);
            symbol = symbol.equals("AX") ? "AH" : symbol;
            if (Phone.SYMBOLS.contains(symbol)) {
                out.add(symbol);
            }
        }
        return out.isEmpty() ? SpelledPhones.symbols(letters) : out;
    }

    private static Map<String, String> load() {
        Map<String, String> out = new HashMap<>(1 << 18);
        try (InputStream raw = Pronunciations.class.getResourceAsStream("cmudict-en-us.txt.gz");
                BufferedReader lines =
                        new BufferedReader(new InputStreamReader(new GZIPInputStream(raw), StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                int space = line.indexOf(' ');
                if (space > 0) {
                    out.put(line.substring(0, space), line.substring(space + 1).strip());
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the dictionary that ships with the program can't be read", e);
        }
        return out;
    }

    private static LetterToSound rules() {
        try (InputStream packed = Pronunciations.class.getResourceAsStream("letter-to-sound.txt.gz")) {
            return LetterToSound.read(packed);
        } catch (IOException e) {
            throw new UncheckedIOException("the letter-to-sound rules that ship with the program can't be read", e);
        }
    }
}
