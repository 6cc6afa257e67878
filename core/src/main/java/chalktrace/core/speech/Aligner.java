package chalktrace.core.speech;

import chalktrace.core.shot.Phone;
import chalktrace.core.sound.PcmBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.DoublePredicate;

/**
 * Finds when each word and phone of a script is said in a recording, with hidden Markov models (L. Rabiner, "A tutorial on
 * hidden Markov models", Proc. IEEE 77, 1989) of phones without their neighbours. First all words have to be found in order;
 * where that sounds wrong, words may be missing and other speech may come between. Costs about a tenth of the
 * recording's length.
 */
public final class Aligner {

    /** A recording with fewer moments than this for each phone can't hold the script. */
    private static final int LEAST_MOMENTS = 3;

    /** A word less sure than this is looked at once more, as if it could be missing. */
    private static final double DOUBTFUL = 0.25;

    /** Other speech shorter than this is a noise. */
    private static final double LEAST_EXTRA_SECONDS = 0.15;

    /** Sureness of 0.5 at this distance from the best free row of phones, in logarithms a moment. */
    private static final double MIDDLE_DISTANCE = 2;

    private static final double DISTANCE_STEP = 0.5;

    /** A phone or a pause that lasts at least so many moments and is so far from the best free row hides something else. */
    private static final int HIDING_MOMENTS = 12;

    private static final double HIDING_DISTANCE = 3;
    private static final int MOST_REPEATED = 6;

    private final Hearing hearing;
    private final DoublePredicate progress;

    private Aligner(Hearing hearing, DoublePredicate progress) {
        this.hearing = hearing;
        this.progress = progress;
    }

    /**
     * A word whose place is given, so that others are found before and after it.
     *
     * @param index of the word in the script
     */
    public record Pin(int index, double startSeconds, double endSeconds) {}

    /**
     * @param sound at any rate, any number of channels
     * @param fromSeconds where the line may start in it, @param toSeconds where it may end
     * @param words of the script
     * @param pins in rising order of index and time
     * @param progress is told 0 to 1, and says whether to go on
     * @throws IllegalArgumentException when the sound is silent or too short for the script, or a word can't be pronounced; it
     *     says which and what to do
     * @throws java.util.concurrent.CancellationException when progress says not to go on
     */
    public static Alignment align(
            PcmBuffer sound,
            double fromSeconds,
            double toSeconds,
            List<String> words,
            List<Pin> pins,
            Pronunciations pronunciations,
            DoublePredicate progress) {
        List<List<List<String>>> ways = new ArrayList<>();
        for (String word : words) {
            ways.add(pronunciations.of(word).ways());
        }
        requireSound(sound, fromSeconds, toSeconds);
        Hearing hearing = Hearing.of(sound, fromSeconds, toSeconds, done -> progress.test(done * 0.3));
        Aligner aligner = new Aligner(hearing, progress);
        List<AlignedWord> found = new ArrayList<>();
        List<Alignment.Extra> extra = new ArrayList<>();
        int from = 0;
        int moment = 0;
        for (Pin pin : pins) {
            aligner.align(words, ways, from, pin.index(), moment, hearing.moment(pin.startSeconds()), found, extra);
            found.add(aligner.pinned(words, ways, pin));
            from = pin.index() + 1;
            moment = hearing.moment(pin.endSeconds());
        }
        aligner.align(words, ways, from, words.size(), moment, hearing.moments(), found, extra);
        return new Alignment(found, extra, hearing.warp());
    }

    private static void requireSound(PcmBuffer sound, double from, double to) {
        if (to - from < 0.05) {
            throw new IllegalArgumentException(
                    "There is no sound to align with. Choose a longer part of the recording.");
        }
        float loudest = 0;
        for (long i = Math.round(from * sound.sampleRate()); i < to * sound.sampleRate(); i += 3) {
            loudest = Math.max(loudest, Math.abs(sound.at(i, 0)));
        }
        if (loudest < 1e-4) {
            throw new IllegalArgumentException(
                    "The recording is silent: no word can be found in it. Choose another, or look at its gain.");
        }
    }

    private AlignedWord pinned(List<String> words, List<List<List<String>>> ways, Pin pin) {
        int from = hearing.moment(pin.startSeconds());
        int to = hearing.moment(pin.endSeconds());
        List<AlignedWord> one = new ArrayList<>();
        List<List<List<String>>> way = ways.subList(pin.index(), pin.index() + 1);
        Optional<Found> found = to - from < LEAST_MOMENTS * shortest(way)
                ? Optional.empty()
                : search(way, from, to, new boolean[2], new boolean[2]);
        List<Phone> phones = found.isPresent()
                ? stretched(
                        words(found.get(), words, pin.index(), 1, one).get(0).phones(),
                        pin.startSeconds(),
                        pin.endSeconds())
                : SpelledPhones.spread(way.get(0).get(0), pin.startSeconds(), pin.endSeconds());
        return new AlignedWord(
                pin.index(), words.get(pin.index()), pin.startSeconds(), pin.endSeconds(), 1, true, phones);
    }

    /** Phones over exactly a time, as they share it. */
    private static List<Phone> stretched(List<Phone> phones, double start, double end) {
        double from = phones.get(0).startSeconds();
        double ratio = (end - start) / (phones.get(phones.size() - 1).endSeconds() - from);
        return phones.stream()
                .map(phone -> phone.withTimes(
                        start + (phone.startSeconds() - from) * ratio, start + (phone.endSeconds() - from) * ratio))
                .toList();
    }

    private static int shortest(List<List<List<String>>> ways) {
        return ways.stream()
                .mapToInt(way -> way.stream().mapToInt(List::size).min().orElse(1))
                .sum();
    }

    /** Words from one to before another, within some moments. */
    private void align(
            List<String> words,
            List<List<List<String>>> ways,
            int from,
            int to,
            int firstMoment,
            int endMoment,
            List<AlignedWord> found,
            List<Alignment.Extra> extra) {
        if (from == to) {
            return;
        }
        List<List<List<String>>> some = ways.subList(from, to);
        if (endMoment - firstMoment < LEAST_MOMENTS * shortest(some)) {
            throw new IllegalArgumentException("The recording is too short for this script: "
                    + String.format(Locale.ROOT, "%.2f", (endMoment - firstMoment) * Hearing.MOMENT)
                    + " s for " + (to - from) + " words from \"" + words.get(from) + "\" on. Look whether it is the"
                    + " right one" + (from > 0 ? ", or unpin a word" : "") + ".");
        }
        int n = some.size();
        Found first = search(some, firstMoment, endMoment, new boolean[n + 1], new boolean[n + 1])
                .orElseThrow(() -> new IllegalArgumentException(
                        "The words could not be found in the recording. Look whether it is the right script."));
        List<AlignedWord> sure = words(first, words, from, n, found);
        boolean[] otherSpeech = new boolean[n + 1];
        boolean[] mayBeMissing = new boolean[n + 1];
        for (int i = 0; i < n; i++) {
            if (sure.get(i).sureness() < DOUBTFUL) {
                Arrays.fill(otherSpeech, Math.max(0, i - 1), Math.min(n, i + 2) + 1, true);
                Arrays.fill(mayBeMissing, Math.max(0, i - 1), Math.min(n, i + 2), true);
            }
        }
        for (ForcedPath.Step step : first.steps()) {
            if (first.hides(step)) {
                Arrays.fill(
                        otherSpeech,
                        step.unit().block(),
                        Math.min(n, step.unit().block() + 1) + 1,
                        true);
            }
        }
        if (anyOf(otherSpeech)) {
            Optional<Found> again = search(some, firstMoment, endMoment, otherSpeech, mayBeMissing);
            if (again.isPresent()) {
                sure = words(again.get(), words, from, n, found);
                extra.addAll(extras(again.get(), some, from));
            }
        }
        found.addAll(sure);
    }

    /** A way through some words, with the best free way up to each moment. */
    private record Found(List<ForcedPath.Step> steps, double[] free, int firstMoment) {

        double distance(ForcedPath.Step step) {
            return free[step.to()] - free[step.from()] - step.score();
        }

        /** Whether it probably stands for something that is not in the script. */
        boolean hides(ForcedPath.Step step) {
            int moments = step.to() - step.from();
            return moments >= HIDING_MOMENTS && distance(step) / moments > HIDING_DISTANCE;
        }
    }

    private static boolean anyOf(boolean[] flags) {
        for (boolean flag : flags) {
            if (flag) {
                return true;
            }
        }
        return false;
    }

    private Optional<Found> search(
            List<List<List<String>>> ways, int from, int to, boolean[] otherSpeech, boolean[] mayBeMissing) {
        AcousticModel model = hearing.model();
        ForcedPath path = new ForcedPath(model, new WordGraph(model, ways, otherSpeech, mayBeMissing));
        PhoneLoop loop = new PhoneLoop(model);
        double[] free = new double[to - from + 1];
        float[] heard = new float[model.phones() * AcousticModel.STATES];
        for (int t = from; t < to; t++) {
            hearing.hear(t, heard);
            free[t - from + 1] = loop.next(heard);
            path.next(heard, bestSpeech(model, heard));
            if (t % 100 == 0) {
                Hearing.goOn(progress, 0.3 + 0.7 * t / hearing.moments());
            }
        }
        return path.path().map(steps -> new Found(steps, free, from));
    }

    private static float bestSpeech(AcousticModel model, float[] heard) {
        float best = Float.NEGATIVE_INFINITY;
        for (int p = 0; p < model.phones(); p++) {
            for (int s = 0; s < AcousticModel.STATES && !model.isFiller(p); s++) {
                best = Math.max(best, heard[p * AcousticModel.STATES + s]);
            }
        }
        return best;
    }

    private List<AlignedWord> words(
            Found found, List<String> words, int firstIndex, int count, List<AlignedWord> before) {
        List<AlignedWord> out = new ArrayList<>();
        double at = before.isEmpty()
                ? hearing.seconds(found.firstMoment())
                : before.get(before.size() - 1).endSeconds();
        int next = 0;
        for (int s = 0; s < found.steps().size(); ) {
            ForcedPath.Step step = found.steps().get(s);
            if (step.unit().kind() != WordGraph.Kind.PHONE) {
                s++;
                continue;
            }
            int block = step.unit().block();
            for (; next < block; next++) {
                out.add(missing(firstIndex + next, words, at));
            }
            int end = s;
            double distance = 0;
            List<Phone> phones = new ArrayList<>();
            while (end < found.steps().size()
                    && found.steps().get(end).unit().block() == block
                    && found.steps().get(end).unit().kind() == WordGraph.Kind.PHONE) {
                ForcedPath.Step phone = found.steps().get(end);
                distance += found.distance(phone);
                phones.add(new Phone(
                        hearing.model().symbol(phone.unit().phone()),
                        hearing.seconds(found.firstMoment() + phone.from()),
                        hearing.seconds(found.firstMoment() + phone.to())));
                end++;
            }
            int moments = found.steps().get(end - 1).to() - step.from();
            at = phones.get(phones.size() - 1).endSeconds();
            out.add(new AlignedWord(
                    firstIndex + block,
                    words.get(firstIndex + block),
                    phones.get(0).startSeconds(),
                    at,
                    sureness(distance / moments),
                    true,
                    phones));
            next = block + 1;
            s = end;
        }
        for (; next < count; next++) {
            out.add(missing(firstIndex + next, words, at));
        }
        return out;
    }

    private static AlignedWord missing(int index, List<String> words, double at) {
        return new AlignedWord(index, words.get(index), at, at, 0, false, List.of());
    }

    private static double sureness(double distance) {
        return 1 / (1 + Math.exp((distance - MIDDLE_DISTANCE) / DISTANCE_STEP));
    }

    private List<Alignment.Extra> extras(Found found, List<List<List<String>>> ways, int firstIndex) {
        List<Alignment.Extra> out = new ArrayList<>();
        for (ForcedPath.Step step : found.steps()) {
            boolean lasts = (step.to() - step.from()) * Hearing.MOMENT >= LEAST_EXTRA_SECONDS;
            if (step.unit().kind() == WordGraph.Kind.OTHER_SPEECH && lasts) {
                int from = found.firstMoment() + step.from();
                int to = found.firstMoment() + step.to();
                int block = step.unit().block();
                out.add(new Alignment.Extra(
                        hearing.seconds(from),
                        hearing.seconds(to),
                        firstIndex + block,
                        repeated(ways.subList(0, block), from, to)));
            }
        }
        return out;
    }

    /** How many of the words before a stretch are what is said in it. */
    private int repeated(List<List<List<String>>> before, int from, int to) {
        int best = 0;
        double least = MIDDLE_DISTANCE;
        for (int n = 1; n <= Math.min(MOST_REPEATED, before.size()); n++) {
            List<List<List<String>>> some = before.subList(before.size() - n, before.size());
            if (to - from < LEAST_MOMENTS * shortest(some)) {
                break;
            }
            Optional<Found> found = search(some, from, to, new boolean[n + 1], new boolean[n + 1]);
            if (found.isPresent()) {
                double distance = found.get().steps().stream()
                                .mapToDouble(found.get()::distance)
                                .sum()
                        / (to - from);
                if (distance < least) {
                    least = distance;
                    best = n;
                }
            }
        }
        return best;
    }
}
