package chalktrace.core.speech;

import java.util.ArrayList;
import java.util.List;

/**
 * All ways in which a script can be said, in blocks: a block is the pause before a word (silence, noise, and where it is allowed
 * other speech), and then the word in each of its pronunciations. The last block is the pause at the end.
 */
final class WordGraph {

    /** What a unit is. */
    enum Kind {
        PAUSE,
        OTHER_SPEECH,
        PHONE
    }

    /**
     * Something that is heard for a while.
     *
     * @param phone of the model; of other speech silence, which is not listened for
     * @param block its word's, or that of the word before which it lies
     * @param first whether the word starts with it, @param last whether it ends with it
     */
    record Unit(Kind kind, int phone, int block, boolean first, boolean last) {}

    private final List<Unit> units = new ArrayList<>();
    private final int[] starts;
    private final Leeway leeway;

    /**
     * @param ways the pronunciations of each word
     */
    WordGraph(AcousticModel model, List<List<List<String>>> ways, Leeway leeway) {
        this.leeway = leeway;
        starts = new int[ways.size() + 2];
        int silence = model.phone("SIL");
        for (int block = 0; block <= ways.size(); block++) {
            starts[block] = units.size();
            for (int phone = 0; phone < model.phones(); phone++) {
                if (model.isFiller(phone)) {
                    units.add(new Unit(Kind.PAUSE, phone, block, false, false));
                }
            }
            if (leeway.otherSpeech()[block]) {
                units.add(new Unit(Kind.OTHER_SPEECH, silence, block, false, false));
            }
            if (block < ways.size()) {
                for (List<String> way : ways.get(block)) {
                    for (int i = 0; i < way.size(); i++) {
                        units.add(new Unit(Kind.PHONE, model.phone(way.get(i)), block, i == 0, i == way.size() - 1));
                    }
                }
            }
        }
        starts[ways.size() + 1] = units.size();
    }

    int size() {
        return units.size();
    }

    Unit unit(int index) {
        return units.get(index);
    }

    /** How many blocks there are: words and the pause at the end. */
    int blocks() {
        return starts.length - 1;
    }

    /** The first unit of a block; of the block after the last one the number of units. */
    int start(int block) {
        return starts[block];
    }

    boolean partOnly() {
        return leeway.partOnly();
    }

    boolean mayBeMissing(int block) {
        return leeway.mayBeMissing()[block];
    }
}
