package chalktrace.core.speech;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.GZIPInputStream;

/**
 * Guesses how an English word is said, letter by letter: a decision tree for each letter asks for its neighbours (A. Black, K. Lenzo,
 * V. Pagel, "Issues in building general letter to sound rules", 1998). The trees are those of FreeTTS, in the layout in which Flite dumps
 * them: a line for each state, with the place of the letter that is asked for, that letter, and the states after yes and no; or the phones.
 */
final class LetterToSound {

    /** So many letters before and after one are asked for. */
    private static final int NEIGHBOURS = 4;

    private static final String BEFORE = "000#";
    private static final String AFTER = "#000";
    private static final String SILENT = "epsilon";

    /** @param phones none where it asks. @param place 0 to 3 before the letter, 4 to 7 after it */
    private record State(List<String> phones, int place, char letter, int yes, int no) {}

    private final List<State> states = new ArrayList<>();
    private final Map<Character, Integer> starts = new HashMap<>();

    private LetterToSound() {}

    /** @param packed of lines, as they are shipped */
    static LetterToSound read(InputStream packed) throws IOException {
        LetterToSound rules = new LetterToSound();
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(new GZIPInputStream(packed), StandardCharsets.US_ASCII))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                rules.take(line.split(" "));
            }
        }
        return rules;
    }

    private void take(String[] words) {
        switch (words[0]) {
            case "STATE" ->
                states.add(new State(
                        null,
                        Integer.parseInt(words[1]),
                        words[2].charAt(0),
                        Integer.parseInt(words[3]),
                        Integer.parseInt(words[4])));
            case "PHONE" -> states.add(new State(phones(words[1]), 0, ' ', 0, 0));
            case "INDEX" -> starts.put(words[2].charAt(0), Integer.parseInt(words[1]));
            default -> {
                // The head, with its notice.
            }
        }
    }

    private static List<String> phones(String written) {
        return written.equals(SILENT) ? List.of() : List.of(written.split("-"));
    }

    /** @param word in small letters @return phones, with digits of stress, as the rules have them */
    List<String> phonesOf(String word) {
        String whole = BEFORE + word + AFTER;
        List<String> out = new ArrayList<>();
        for (int i = 0; i < word.length(); i++) {
            Integer at = starts.get(word.charAt(i));
            if (at == null) {
                continue;
            }
            State state = states.get(at);
            while (state.phones == null) {
                int place = i + state.place + (state.place < NEIGHBOURS ? 0 : 1);
                state = states.get(whole.charAt(place) == state.letter ? state.yes : state.no);
            }
            out.addAll(state.phones);
        }
        return out;
    }
}
