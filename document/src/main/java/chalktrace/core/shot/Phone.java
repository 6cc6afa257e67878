package chalktrace.core.shot;

import java.util.List;
import java.util.Set;

/**
 * A speech sound of a word.
 *
 * @param symbol one of {@link #SYMBOLS}
 * @param startSeconds from the shot's first frame
 * @param endSeconds after the start
 * @param decibels how loud it is said, below full scale; {@link #NOT_KNOWN} when nobody has listened
 */
public record Phone(String symbol, double startSeconds, double endSeconds, double decibels) {

    public static final double NOT_KNOWN = 0;

    /** No sound: a pause, a breath. */
    public static final String SILENCE = "SIL";

    /** The phones of North American English in ARPAbet, as the CMU Pronouncing Dictionary has them, without stress. */
    public static final List<String> SYMBOLS = List.of(
            "AA", "AE", "AH", "AO", "AW", "AY", "B", "CH", "D", "DH", "EH", "ER", "EY", "F", "G", "HH", "IH", "IY",
            "JH", "K", "L", "M", "N", "NG", "OW", "OY", "P", "R", "S", "SH", "T", "TH", "UH", "UW", "V", "W", "Y", "Z",
            "ZH");

    private static final Set<String> VOWELS =
            Set.of("AA", "AE", "AH", "AO", "AW", "AY", "EH", "ER", "EY", "IH", "IY", "OW", "OY", "UH", "UW");

    /** @throws IllegalArgumentException when it is no phone or its end does not lie after its start */
    public Phone {
        requireSymbol(symbol);
        if (!(startSeconds >= 0) || !(endSeconds > startSeconds) || Double.isInfinite(endSeconds)) {
            throw new IllegalArgumentException("The phoneme " + symbol + " must end after its start.");
        }
        if (!(decibels <= 0) || Double.isInfinite(decibels)) {
            throw new IllegalArgumentException("The phoneme " + symbol + " is at most as loud as full scale, 0 dB.");
        }
    }

    static void requireSymbol(String symbol) {
        if (!SYMBOLS.contains(symbol)) {
            throw new IllegalArgumentException("\"" + symbol
                    + "\" is no phoneme of ARPAbet. Write those of CMUdict without stress, such as K EH T AH L.");
        }
    }

    /** How loud is not known. */
    public Phone(String symbol, double startSeconds, double endSeconds) {
        this(symbol, startSeconds, endSeconds, NOT_KNOWN);
    }

    public static boolean isVowel(String symbol) {
        return VOWELS.contains(symbol);
    }

    public Phone withTimes(double newStart, double newEnd) {
        return new Phone(symbol, newStart, newEnd, decibels);
    }

    public Phone withDecibels(double loud) {
        return new Phone(symbol, startSeconds, endSeconds, loud);
    }
}
