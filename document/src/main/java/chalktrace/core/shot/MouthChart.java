package chalktrace.core.shot;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Which mouth stands for which sounds. Each phone of {@link Phone#SYMBOLS}, and {@link Phone#SILENCE}, has exactly one mouth.
 *
 * @param mouths in the order of their drawings: the n-th mouth is drawing n of a mouth level in the front view
 */
public record MouthChart(String name, List<Mouth> mouths) {

    public static final String REST = "rest";
    public static final String CLOSED = "closed";
    public static final String LIP_BITE = "lip-bite";
    public static final String NARROW = "narrow";
    public static final String WIDE = "wide";
    public static final String HALF = "half";
    public static final String OPEN = "open";
    public static final String ROUND = "round";
    public static final String PURSED = "pursed";
    public static final String TONGUE = "tongue";

    /** From which side a head is seen. */
    public enum Side {
        FRONT,
        THREE_QUARTER,
        SIDE
    }

    /**
     * One mouth of a chart.
     *
     * @param id names it in a shot
     * @param sounds as shown to people
     * @param phones that it stands for
     * @param priority which of two that fall on one frame is seen: the higher
     * @param leastMillis how long it is seen at least, whatever the sound's length
     */
    public record Mouth(String id, String sounds, List<String> phones, int priority, int leastMillis) {

        /** @throws IllegalArgumentException when a phone is none, or the hold is no time */
        public Mouth {
            phones = List.copyOf(phones);
            for (String phone : phones) {
                if (!Phone.SYMBOLS.contains(phone) && !phone.equals(Phone.SILENCE)) {
                    throw new IllegalArgumentException("The mouth \"" + id + "\" names \"" + phone
                            + "\", which is no phoneme of ARPAbet; write those of CMUdict without stress.");
                }
            }
            if (id.isBlank() || leastMillis < 0 || leastMillis > 1000) {
                throw new IllegalArgumentException("A mouth has a name and a least hold of 0 to 1000 ms.");
            }
        }
    }

    /** Ten mouths, grouped as animators' handbooks do (common practice); their drawings are ours. */
    public static final MouthChart TEN = new MouthChart(
            "ten mouths",
            List.of(
                    new Mouth(REST, "rest", List.of(Phone.SILENCE), 0, 0),
                    new Mouth(CLOSED, "M B P", List.of("M", "B", "P"), 9, 83),
                    new Mouth(LIP_BITE, "F V", List.of("F", "V"), 8, 83),
                    new Mouth(
                            NARROW,
                            "S T K",
                            List.of("S", "Z", "T", "D", "N", "K", "G", "NG", "Y", "HH", "CH", "JH"),
                            1,
                            0),
                    new Mouth(WIDE, "EE EH", List.of("IY", "IH", "EY", "EH"), 4, 0),
                    new Mouth(HALF, "UH", List.of("AH"), 3, 0),
                    new Mouth(OPEN, "AH", List.of("AA", "AE", "AY", "AW"), 6, 0),
                    new Mouth(ROUND, "OH", List.of("AO", "OW", "OY"), 6, 0),
                    new Mouth(PURSED, "OO W", List.of("UW", "UH", "W", "R", "ER", "SH", "ZH"), 5, 0),
                    new Mouth(TONGUE, "L TH", List.of("L", "TH", "DH"), 2, 0)));

    /** Six, for small or limited figures. */
    public static final MouthChart SIX = new MouthChart(
            "six mouths",
            List.of(
                    new Mouth(CLOSED, "rest M B P", List.of(Phone.SILENCE, "M", "B", "P"), 9, 83),
                    new Mouth(LIP_BITE, "F V", List.of("F", "V"), 8, 83),
                    new Mouth(
                            NARROW,
                            "S T L",
                            List.of(
                                    "S", "Z", "T", "D", "N", "K", "G", "NG", "Y", "HH", "CH", "JH", "L", "TH", "DH",
                                    "SH", "ZH"),
                            1,
                            0),
                    new Mouth(WIDE, "EE EH", List.of("IY", "IH", "EY", "EH"), 4, 0),
                    new Mouth(OPEN, "AH", List.of("AA", "AE", "AH", "AY", "AW"), 6, 0),
                    new Mouth(ROUND, "OH OO", List.of("AO", "OW", "OY", "UW", "UH", "W", "R", "ER"), 5, 0)));

    /** @throws IllegalArgumentException when a phone has no mouth or two, or a name is used twice; it says which */
    public MouthChart {
        mouths = List.copyOf(mouths);
        Map<String, String> of = new HashMap<>();
        Set<String> ids = new HashSet<>();
        for (Mouth mouth : mouths) {
            if (!ids.add(mouth.id())) {
                throw new IllegalArgumentException(
                        "The chart \"" + name + "\" has two mouths named " + mouth.id() + ".");
            }
            for (String phone : mouth.phones()) {
                String other = of.put(phone, mouth.id());
                if (other != null) {
                    throw new IllegalArgumentException("In the chart \"" + name + "\" the phoneme " + phone
                            + " has two mouths, " + other + " and " + mouth.id() + ": take it out of one.");
                }
            }
        }
        List<String> missing = new ArrayList<>(Phone.SYMBOLS);
        missing.add(Phone.SILENCE);
        missing.removeAll(of.keySet());
        if (!missing.isEmpty()) {
            throw new IllegalArgumentException("In the chart \"" + name + "\" these phonemes have no mouth: "
                    + String.join(" ", missing) + ". Give each to one.");
        }
    }

    public Mouth mouthOf(String phone) {
        return mouths.stream()
                .filter(mouth -> mouth.phones().contains(phone))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(phone + " is no phoneme."));
    }

    /** The mouth of an id; one that the chart lacks gives the one at rest. */
    public Mouth mouth(String id) {
        return mouths.stream()
                .filter(mouth -> mouth.id().equals(id))
                .findFirst()
                .orElseGet(() -> mouthOf(Phone.SILENCE));
    }

    /** The number of a mouth's drawing on a mouth level: all mouths of the front view, then of the others. */
    public int drawing(String id, Side side) {
        return side.ordinal() * mouths.size() + mouths.indexOf(mouth(id)) + 1;
    }

    /** The mouth that a drawing of a mouth level is; none for a drawing of the artist's own. */
    public Optional<Mouth> mouthOfDrawing(int number) {
        return number >= 1 && number <= mouths.size() * Side.values().length
                ? Optional.of(mouths.get((number - 1) % mouths.size()))
                : Optional.empty();
    }

    /** With a phone given to a mouth, and taken from the one that had it. */
    public MouthChart giving(String phone, String mouthId) {
        return new MouthChart(
                name,
                mouths.stream()
                        .map(mouth -> {
                            List<String> phones = new ArrayList<>(mouth.phones());
                            phones.remove(phone);
                            if (mouth.id().equals(mouthId)) {
                                phones.add(phone);
                            }
                            return new Mouth(mouth.id(), mouth.sounds(), phones, mouth.priority(), mouth.leastMillis());
                        })
                        .toList());
    }

    /** With another priority and least hold for a mouth. */
    public MouthChart with(String mouthId, int priority, int leastMillis) {
        return new MouthChart(
                name,
                mouths.stream()
                        .map(mouth -> mouth.id().equals(mouthId)
                                ? new Mouth(mouth.id(), mouth.sounds(), mouth.phones(), priority, leastMillis)
                                : mouth)
                        .toList());
    }
}
