package chalktrace.core.speech;

import java.util.ArrayList;
import java.util.List;

/**
 * What came of aligning a script.
 *
 * @param words one for each of the script, in its order
 * @param extra speech that the script does not have: said again, or made up
 * @param warp how the voice was heard: above 1 for one higher than most
 * @param believed whether all that was found is much likelier than the same words in other orders
 */
public record Alignment(List<AlignedWord> words, List<Extra> extra, double warp, boolean believed) {

    /** Below this the script as a whole is probably not what is said. */
    public static final double LEAST_SURENESS = 0.6;

    /**
     * A stretch of speech between words of the script.
     *
     * @param before the index of the word before which it lies
     * @param repeats how many of the words before it are said again; 0 when it is something else
     */
    public record Extra(double startSeconds, double endSeconds, int before, int repeats) {}

    public Alignment {
        words = List.copyOf(words);
        extra = List.copyOf(extra);
    }

    /** The middle one of all words' sureness; of a script that is believed of those that are said. */
    public double sureness() {
        double[] all = words.stream()
                .filter(word -> word.heard() || !believed)
                .mapToDouble(AlignedWord::sureness)
                .sorted()
                .toArray();
        return all.length == 0 ? 0 : all[all.length / 2];
    }

    /** Whether the recording is of this script. */
    public boolean fits() {
        return believed || sureness() >= LEAST_SURENESS;
    }

    /** The words that are not in the recording, as the rows that they stand in. */
    public List<List<AlignedWord>> missing() {
        List<List<AlignedWord>> out = new ArrayList<>();
        boolean heardBefore = true;
        for (AlignedWord word : words) {
            if (!word.heard()) {
                if (heardBefore) {
                    out.add(new ArrayList<>());
                }
                out.get(out.size() - 1).add(word);
            }
            heardBefore = word.heard();
        }
        return out;
    }
}
