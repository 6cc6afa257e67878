package chalktrace.core.speech;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/**
 * The most likely way through a graph of words (A. Viterbi, "Error bounds for convolutional codes", IEEE IT 13, 1967), moment
 * by moment, with only those blocks looked at that are not far less likely than the best one. What was entered when is kept as a
 * chain of entries, and swept of those that nothing leads to any more, so that long recordings need little memory.
 */
final class ForcedPath {

    /** A unit of the way, with the moments that it is heard in and how likely they are. */
    record Step(WordGraph.Unit unit, int from, int to, double score) {}

    private static final float NONE = Float.NEGATIVE_INFINITY;

    /** How likely a pause between words is (of CMU's decoders, for lines that are read). */
    private static final float PAUSE = (float) Math.log(0.2);

    private static final float NOISE = (float) Math.log(0.02);
    private static final float NO_PAUSE = (float) Math.log(0.78);
    private static final float OTHER_SPEECH = -40;
    private static final float MISSING = -60;

    /** How likely it is that a script was spoken from a word on only, or up to one. */
    private static final float PART_ONLY = -100;

    /** Other speech is as likely as the best phone of each moment, less this. */
    private static final float OTHER_SPEECH_EACH = 5f;

    private static final double BEAM = 3000;
    private static final int SWEEP_EVERY = 1000;

    private final AcousticModel model;
    private final WordGraph graph;
    private final double[] scores;
    private final int[] chains;
    private final double[] afterWord;
    private final int[] afterWordChain;
    private final double[] beforeWord;
    private final int[] beforeWordChain;
    private final Chain chain = new Chain();
    private double leaving = NONE;
    private int leavingChain = Chain.END;
    private double ended = NONE;
    private int endedChain = Chain.END;
    private boolean stayed;
    private int firstBlock;
    private int lastBlock;
    private int moments;

    ForcedPath(AcousticModel model, WordGraph graph) {
        this.model = model;
        this.graph = graph;
        scores = new double[graph.size() * AcousticModel.STATES];
        chains = new int[scores.length];
        Arrays.fill(scores, NONE);
        afterWord = new double[graph.blocks() + 1];
        afterWordChain = new int[graph.blocks() + 1];
        beforeWord = new double[graph.blocks() + 1];
        beforeWordChain = new int[graph.blocks() + 1];
        Arrays.fill(afterWord, NONE);
        Arrays.fill(beforeWord, NONE);
        afterWord[0] = 0;
        beforeWord[0] = NO_PAUSE;
        for (int block = 1; block < graph.blocks() && graph.mayBeMissing(block - 1); block++) {
            afterWord[block] = beforeWord[block - 1] + MISSING;
            beforeWord[block] = afterWord[block] + NO_PAUSE;
        }
        for (int block = 1; block < graph.blocks() - 1 && graph.partOnly(); block++) {
            afterWord[block] = PART_ONLY;
            beforeWord[block] = PART_ONLY + NO_PAUSE;
        }
        Arrays.fill(afterWordChain, Chain.END);
        Arrays.fill(beforeWordChain, Chain.END);
        Arrays.fill(chains, Chain.END);
        lastBlock = graph.partOnly() ? graph.blocks() - 1 : graph.mayBeMissing(0) ? reach(0) : 0;
    }

    /** Entries into units: what was entered when, at which likelihood, and from where. */
    private static final class Chain {
        static final int END = -1;

        private int[] before = new int[4096];
        private int[] unit = new int[4096];
        private int[] moment = new int[4096];
        private double[] score = new double[4096];
        private int count;

        int add(int fromEntry, int enteredUnit, int atMoment, double atScore) {
            if (count == before.length) {
                before = Arrays.copyOf(before, 2 * count);
                unit = Arrays.copyOf(unit, 2 * count);
                moment = Arrays.copyOf(moment, 2 * count);
                score = Arrays.copyOf(score, 2 * count);
            }
            before[count] = fromEntry;
            unit[count] = enteredUnit;
            moment[count] = atMoment;
            score[count] = atScore;
            return count++;
        }

        /** Keeps the entries that these ends lead to, and says where they have come to. */
        int[] sweep(List<int[]> ends) {
            boolean[] kept = new boolean[count];
            for (int[] some : ends) {
                for (int end : some) {
                    for (int e = end; e >= 0 && !kept[e]; e = before[e]) {
                        kept[e] = true;
                    }
                }
            }
            int[] to = new int[count];
            int n = 0;
            for (int e = 0; e < count; e++) {
                if (kept[e]) {
                    to[e] = n;
                    before[n] = before[e] < 0 ? END : to[before[e]];
                    unit[n] = unit[e];
                    moment[n] = moment[e];
                    score[n] = score[e];
                    n++;
                }
            }
            count = n;
            return to;
        }
    }

    /** The last block that can be entered from one: the next, or further on over words that may be missing. */
    private int reach(int block) {
        int last = Math.min(graph.blocks() - 1, block + 1);
        while (last < graph.blocks() - 1 && graph.mayBeMissing(last)) {
            last++;
        }
        return last;
    }

    /** Takes in a moment. @param heard how likely each part of each phone is, @param bestSpeech the best of any speech */
    void next(float[] heard, float bestSpeech) {
        double best = NONE;
        int seenFirst = graph.blocks();
        int seenLast = -1;
        double[] mostOf = new double[lastBlock - firstBlock + 1];
        for (int block = firstBlock; block <= lastBlock; block++) {
            double most = NONE;
            for (int u = graph.start(block); u < graph.start(block + 1); u++) {
                most = Math.max(most, advance(u, heard, bestSpeech));
            }
            mostOf[block - firstBlock] = most;
            best = Math.max(best, most);
        }
        for (int block = firstBlock; block <= lastBlock; block++) {
            if (mostOf[block - firstBlock] >= best - BEAM) {
                seenFirst = Math.min(seenFirst, block);
                seenLast = block;
            } else {
                int from = graph.start(block) * AcousticModel.STATES;
                int to = graph.start(block + 1) * AcousticModel.STATES;
                Arrays.fill(scores, from, to, NONE);
                Arrays.fill(chains, from, to, Chain.END);
            }
        }
        int last = reach(seenLast);
        join(seenFirst, last);
        firstBlock = seenFirst;
        lastBlock = last;
        moments++;
        if (moments % SWEEP_EVERY == 0) {
            sweep();
        }
    }

    private double advance(int u, float[] heard, float bestSpeech) {
        WordGraph.Unit unit = graph.unit(u);
        int at = u * AcousticModel.STATES;
        int p = unit.phone();
        double enter;
        int from;
        if (unit.kind() != WordGraph.Kind.PHONE) {
            enter = afterWord[unit.block()]
                    + (unit.kind() == WordGraph.Kind.OTHER_SPEECH
                            ? OTHER_SPEECH
                            : model.symbol(p).equals("SIL") ? PAUSE : NOISE);
            from = afterWordChain[unit.block()];
        } else if (unit.first()) {
            enter = beforeWord[unit.block()];
            from = beforeWordChain[unit.block()];
        } else {
            // As the unit before was left a moment ago: it has been advanced meanwhile.
            enter = leaving;
            from = leavingChain;
        }
        leaving = scores[at + 2] + model.transition(p, 2, 3);
        leavingChain = chains[at + 2];
        double c = stay(at, 2, p, 1);
        int cChain = stayed ? chains[at + 2] : chains[at + 1];
        double b = stay(at, 1, p, 0);
        int bChain = stayed ? chains[at + 1] : chains[at];
        double a = scores[at] + model.transition(p, 0, 0);
        int aChain = chains[at];
        if (enter > a) {
            a = enter;
            aChain = enter == NONE ? Chain.END : chain.add(from, u, moments, enter);
        }
        boolean other = unit.kind() == WordGraph.Kind.OTHER_SPEECH;
        int h = p * AcousticModel.STATES;
        scores[at] = a + (other ? bestSpeech - OTHER_SPEECH_EACH : heard[h]);
        scores[at + 1] = b + (other ? bestSpeech - OTHER_SPEECH_EACH : heard[h + 1]);
        scores[at + 2] = c + (other ? bestSpeech - OTHER_SPEECH_EACH : heard[h + 2]);
        chains[at] = aChain;
        chains[at + 1] = bChain;
        chains[at + 2] = cChain;
        return Math.max(scores[at], Math.max(scores[at + 1], scores[at + 2]));
    }

    private double stay(int at, int state, int phone, int before) {
        double stays = scores[at + state] + model.transition(phone, state, state);
        double comes = scores[at + before] + model.transition(phone, before, state);
        stayed = stays >= comes;
        return stayed ? stays : comes;
    }

    /** What is likely at the joints between words, after this moment. */
    private void join(int first, int last) {
        for (int block = first; block <= Math.min(last, graph.blocks() - 1); block++) {
            if (block > first || first > 0) {
                afterWord[block] = block == first ? NONE : ended;
                afterWordChain[block] = block == first ? Chain.END : endedChain;
                boolean skips = block > first && graph.mayBeMissing(block - 1);
                if (skips && beforeWord[block - 1] + MISSING > afterWord[block]) {
                    afterWord[block] = beforeWord[block - 1] + MISSING;
                    afterWordChain[block] = beforeWordChain[block - 1];
                }
            } else {
                afterWord[0] = NONE;
            }
            beforeWord[block] = NONE;
            ended = NONE;
            endedChain = Chain.END;
            double pauseEnds = NONE;
            int pauseChain = Chain.END;
            for (int u = graph.start(block); u < graph.start(block + 1); u++) {
                WordGraph.Unit unit = graph.unit(u);
                int at = u * AcousticModel.STATES + 2;
                double leaves = scores[at] + model.transition(unit.phone(), 2, 3);
                if (unit.kind() != WordGraph.Kind.PHONE) {
                    if (leaves > pauseEnds) {
                        pauseEnds = leaves;
                        pauseChain = chains[at];
                    }
                } else if (unit.last() && leaves > ended) {
                    ended = leaves;
                    endedChain = chains[at];
                }
            }
            // After a pause another one may come: silence, then a breath, then silence.
            if (pauseEnds > afterWord[block]) {
                beforeWord[block] = pauseEnds;
                beforeWordChain[block] = pauseChain;
                afterWord[block] = pauseEnds;
                afterWordChain[block] = pauseChain;
            } else {
                beforeWord[block] = afterWord[block] + NO_PAUSE;
                beforeWordChain[block] = afterWordChain[block];
                if (pauseEnds > beforeWord[block]) {
                    beforeWord[block] = pauseEnds;
                    beforeWordChain[block] = pauseChain;
                }
            }
        }
        for (int block = 0; block < first; block++) {
            afterWord[block] = NONE;
            beforeWord[block] = NONE;
        }
        for (int block = Math.min(last, graph.blocks() - 1) + 1; block < graph.blocks(); block++) {
            if (afterWord[block] == NONE && beforeWord[block] == NONE) {
                break;
            }
            afterWord[block] = NONE;
            beforeWord[block] = NONE;
        }
    }

    private void sweep() {
        int[] to = chain.sweep(List.of(chains, afterWordChain, beforeWordChain));
        for (int[] ends : List.of(chains, afterWordChain, beforeWordChain)) {
            for (int i = 0; i < ends.length; i++) {
                ends[i] = ends[i] < 0 || ends[i] >= to.length ? Chain.END : to[ends[i]];
            }
        }
    }

    /** The most likely way through all words; none when there were too few moments for them. */
    Optional<List<Step>> path() {
        int end = graph.partOnly() ? likeliestEnd() : graph.blocks() - 1;
        if (lastBlock < end || Math.max(beforeWord[end], afterWord[end]) == NONE) {
            return Optional.empty();
        }
        boolean straight = afterWord[end] >= beforeWord[end];
        double score = straight ? afterWord[end] : beforeWord[end];
        int at = moments;
        List<Step> out = new ArrayList<>();
        for (int e = straight ? afterWordChain[end] : beforeWordChain[end]; e >= 0; e = chain.before[e]) {
            out.add(new Step(graph.unit(chain.unit[e]), chain.moment[e], at, score - chain.score[e]));
            at = chain.moment[e];
            score = chain.score[e];
        }
        Collections.reverse(out);
        return Optional.of(out);
    }

    private int likeliestEnd() {
        int best = graph.blocks() - 1;
        for (int block = firstBlock; block <= Math.min(lastBlock, graph.blocks() - 2); block++) {
            if (Math.max(beforeWord[block], afterWord[block]) + PART_ONLY
                    > Math.max(beforeWord[best], afterWord[best]) + (best < graph.blocks() - 1 ? PART_ONLY : 0)) {
                best = block;
            }
        }
        return best;
    }
}
