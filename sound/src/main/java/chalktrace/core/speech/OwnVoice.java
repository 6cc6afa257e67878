package chalktrace.core.speech;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoublePredicate;

/**
 * Looks for words a second and a third time, by the voice that the time before has shown. As any script makes itself a voice in
 * which it sounds right, the same words in other orders have to find theirs as well: only where the script does much better
 * than they do is its voice believed.
 */
final class OwnVoice {

    private static final int ROUNDS = 2;

    /**
     * So much likelier than its words in other orders a script has to be, in logarithms a moment. Of 49 right scripts in eight
     * accents one is so by 1.9 and the others by 3.1 to 7.2, of 136 scripts of other lines none by more than 1.6.
     */
    private static final double LEAST_LEAD = 1.8;

    /** So much of a long recording tells whether a script is right. */
    private static final int JUDGED_MOMENTS = 4000;

    /** Of a recording shorter than this one other order says little. */
    private static final int SHORT_MOMENTS = 1000;

    private static final int ORDERS_OF_SHORT = 3;

    private OwnVoice() {}

    /** @param found by the model's own voice @return found by the speaker's, where it is believed */
    static WordSearch.Found of(
            WordSearch.Found found, List<List<List<String>>> ways, int to, DoublePredicate progress) {
        WordSearch.Found own = again(found, ways, to, Hearing.part(progress, 0, 0.5));
        Part part = Part.of(own, ways.size());
        List<List<List<List<String>>>> orders = otherOrders(ways.subList(0, part.words()), part.moments());
        int end = found.firstMoment() + part.moments();
        double sum = 0;
        for (int i = 0; i < orders.size(); i++) {
            DoublePredicate more =
                    Hearing.part(progress, 0.5 + 0.5 * i / orders.size(), 0.5 + 0.5 * (i + 1) / orders.size());
            Optional<WordSearch.Found> other = WordSearch.all(
                    found.hearing(), orders.get(i), found.firstMoment(), end, Hearing.part(more, 0, 0.3));
            if (other.isEmpty()) {
                return found;
            }
            sum += again(other.get(), orders.get(i), end, Hearing.part(more, 0.3, 1))
                    .likelihood();
        }
        boolean believed = !orders.isEmpty() && part.likelihood() - sum / orders.size() >= LEAST_LEAD;
        return believed ? own : found;
    }

    /** None where all words are the same. */
    private static List<List<List<List<String>>>> otherOrders(List<List<List<String>>> ways, int moments) {
        List<List<List<List<String>>>> out = new ArrayList<>();
        List<List<List<String>>> order = new ArrayList<>(ways);
        Collections.reverse(order);
        Random random = new Random(1);
        for (int i = 0; i < (moments < SHORT_MOMENTS ? ORDERS_OF_SHORT : 1); i++) {
            if (!order.equals(ways)) {
                out.add(List.copyOf(order));
            }
            Collections.shuffle(order, random);
        }
        return out;
    }

    private static WordSearch.Found again(
            WordSearch.Found found, List<List<List<String>>> ways, int to, DoublePredicate progress) {
        WordSearch.Found out = found;
        for (int round = 0; round < ROUNDS; round++) {
            // What could be found by one voice can be by another: it depends on the number of moments alone.
            out = WordSearch.all(
                            found.hearing().as(out.voice()),
                            ways,
                            found.firstMoment(),
                            to,
                            Hearing.part(progress, round / (double) ROUNDS, (round + 1.0) / ROUNDS))
                    .orElse(out);
        }
        return out;
    }

    /** The first words and moments of a way, enough to judge by. */
    private record Part(int words, int moments, double likelihood) {

        static Part of(WordSearch.Found found, int words) {
            double sum = 0;
            int moments = 0;
            for (ForcedPath.Step step : found.steps()) {
                boolean starts = step.unit().first() && step.unit().block() > 0;
                if (starts && step.from() >= JUDGED_MOMENTS) {
                    return new Part(step.unit().block(), moments, sum / moments);
                }
                sum += step.score();
                moments = step.to();
            }
            return new Part(words, moments, sum / Math.max(1, moments));
        }
    }
}
