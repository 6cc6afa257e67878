package chalktrace.core.speech;

import java.util.List;
import java.util.Optional;
import java.util.function.DoublePredicate;

/**
 * The words of a script that a recording has, where it has only some: one row of them, all before and all after it missing.
 *
 * @param from the first word, @param to the one after the last
 */
record SpokenPart(int from, int to) {

    private static final int ROUNDS = 2;

    /** So many words times moments are compared at most: six hundred words with five minutes take some seconds. */
    private static final long MOST_COMPARED = 20_000_000;

    /** @return none where nothing is found, or the script and the recording are too long to try */
    static Optional<SpokenPart> of(
            Hearing hearing, List<List<List<String>>> ways, int from, int to, DoublePredicate progress) {
        if ((long) ways.size() * (to - from) > MOST_COMPARED) {
            return Optional.empty();
        }
        Leeway leeway = Leeway.partOnly(ways.size());
        Hearing voice = hearing;
        Optional<SpokenPart> part = Optional.empty();
        for (int round = 0; round <= ROUNDS; round++) {
            DoublePredicate more = Hearing.part(progress, round / (ROUNDS + 1.0), (round + 1) / (ROUNDS + 1.0));
            Optional<WordSearch.Found> found = WordSearch.search(voice, ways, from, to, leeway, more);
            part = found.flatMap(way -> of(way.steps()));
            if (part.isEmpty()) {
                return part;
            }
            voice = hearing.as(found.get().voice());
        }
        return part;
    }

    private static Optional<SpokenPart> of(List<ForcedPath.Step> steps) {
        List<ForcedPath.Step> phones = steps.stream()
                .filter(step -> step.unit().kind() == WordGraph.Kind.PHONE)
                .toList();
        return phones.isEmpty()
                ? Optional.empty()
                : Optional.of(new SpokenPart(
                        phones.get(0).unit().block(),
                        phones.get(phones.size() - 1).unit().block() + 1));
    }
}
