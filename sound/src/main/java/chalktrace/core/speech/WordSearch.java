package chalktrace.core.speech;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.DoublePredicate;

/** Looks for words in what is heard: the most likely way through them, beside the best free way through any phones. */
final class WordSearch {

    /**
     * Accents differ in their vowels most: a vowel counts at least as much as the likeliest one, less this, in logarithms a
     * moment. Measured with eight accents of a synthesiser: 87 to 88 of 100 words start within a frame instead of 81.
     */
    private static final float OTHER_VOWEL = 3;

    /** A phone or a pause that lasts at least so many moments and is so far from the best free row hides something else. */
    private static final int HIDING_MOMENTS = 12;

    private static final double HIDING_DISTANCE = 3;

    private static final int MOMENTS_BETWEEN_REPORTS = 100;

    private WordSearch() {}

    /**
     * A way through some words.
     *
     * @param free the logarithm of how likely the best free way is up to each moment
     * @param firstMoment from which the moments of the steps are counted
     */
    record Found(Hearing hearing, List<ForcedPath.Step> steps, double[] free, int firstMoment) {

        double distance(ForcedPath.Step step) {
            return free[step.to()] - free[step.from()] - step.score();
        }

        /** As {@link #distance}, with no vowel allowed for another. */
        double strictDistance(ForcedPath.Step step) {
            AcousticModel model = hearing.model();
            int phone = step.unit().phone();
            double[] scores = new double[AcousticModel.STATES];
            Arrays.fill(scores, Double.NEGATIVE_INFINITY);
            float[] heard = new float[model.phones() * AcousticModel.STATES];
            for (int t = step.from(); t < step.to(); t++) {
                hearing.hear(firstMoment + t, heard);
                for (int s = AcousticModel.STATES - 1; s >= 0; s--) {
                    double enter = s > 0
                            ? scores[s - 1] + model.transition(phone, s - 1, s)
                            : t == step.from() ? 0 : Double.NEGATIVE_INFINITY;
                    scores[s] = Math.max(scores[s] + model.transition(phone, s, s), enter)
                            + heard[phone * AcousticModel.STATES + s];
                }
            }
            double last = scores[AcousticModel.STATES - 1]
                    + model.transition(phone, AcousticModel.STATES - 1, AcousticModel.STATES);
            return free[step.to()] - free[step.from()] - last;
        }

        /** Whether a step probably stands for something that is not in the script. */
        boolean hides(ForcedPath.Step step) {
            int moments = step.to() - step.from();
            return moments >= HIDING_MOMENTS && distance(step) / moments > HIDING_DISTANCE;
        }

        /** What this way says about the voice. */
        Voice voice() {
            return Voice.of(hearing, steps, firstMoment);
        }

        /** How likely it is, in logarithms a moment. */
        double likelihood() {
            double sum = steps.stream().mapToDouble(ForcedPath.Step::score).sum();
            return sum / Math.max(1, free.length - 1);
        }
    }

    /**
     * @param ways the pronunciations of each word
     * @param from the first moment, @param to the one after the last
     * @param leeway how the words may differ from what is said
     * @param progress is told 0 to 1, and says whether to go on
     * @return none when there were too few moments
     */
    static Optional<Found> search(
            Hearing hearing, List<List<List<String>>> ways, int from, int to, Leeway leeway, DoublePredicate progress) {
        AcousticModel model = hearing.model();
        ForcedPath path = new ForcedPath(model, new WordGraph(model, ways, leeway));
        PhoneLoop loop = new PhoneLoop(model);
        double[] free = new double[to - from + 1];
        float[] heard = new float[model.phones() * AcousticModel.STATES];
        for (int t = from; t < to; t++) {
            hearing.hear(t, heard);
            free[t - from + 1] = loop.next(heard);
            allowOtherVowels(model, heard);
            path.next(heard, bestSpeech(model, heard));
            if (t % MOMENTS_BETWEEN_REPORTS == 0) {
                Hearing.goOn(progress, (t - from) / (double) (to - from));
            }
        }
        return path.path().map(steps -> new Found(hearing, steps, free, from));
    }

    /** All the words in their order, nothing missing and nothing between. */
    static Optional<Found> all(
            Hearing hearing, List<List<List<String>>> ways, int from, int to, DoublePredicate progress) {
        return search(hearing, ways, from, to, Leeway.none(ways.size()), progress);
    }

    private static void allowOtherVowels(AcousticModel model, float[] heard) {
        float best = Float.NEGATIVE_INFINITY;
        for (int i = 0; i < heard.length; i++) {
            if (model.isVowel(i / AcousticModel.STATES)) {
                best = Math.max(best, heard[i]);
            }
        }
        for (int i = 0; i < heard.length; i++) {
            if (model.isVowel(i / AcousticModel.STATES)) {
                heard[i] = Math.max(heard[i], best - OTHER_VOWEL);
            }
        }
    }

    private static float bestSpeech(AcousticModel model, float[] heard) {
        float best = Float.NEGATIVE_INFINITY;
        for (int i = 0; i < heard.length; i++) {
            if (!model.isFiller(i / AcousticModel.STATES)) {
                best = Math.max(best, heard[i]);
            }
        }
        return best;
    }
}
