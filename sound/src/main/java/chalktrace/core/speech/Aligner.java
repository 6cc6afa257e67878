package chalktrace.core.speech;

import chalktrace.core.shot.Phone;
import chalktrace.core.sound.PcmBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoublePredicate;
import java.util.stream.IntStream;

/**
 * Finds when each word and phone of a script is said in a recording, with hidden Markov models (L. Rabiner, "A tutorial on
 * hidden Markov models", Proc. IEEE 77, 1989) of phones without their neighbours. First all words have to be found in order, by
 * the model's voice and then by the speaker's own; where that sounds wrong, words may be missing and other speech may come
 * between, and where an end of the script sounds wrong, a part of it alone may have been spoken. Costs about a quarter of the
 * length of a line, and a tenth of that of a long recording.
 */
public final class Aligner {

    /** A recording with fewer moments than this for each phone can't hold the script. */
    private static final int LEAST_MOMENTS = 3;

    /** A word less sure than this is looked at once more, as if it could be missing. */
    private static final double DOUBTFUL = 0.25;

    /** Other speech shorter than this is a noise. */
    private static final double LEAST_EXTRA_SECONDS = 0.15;

    /**
     * Sureness of 0.5 at this distance from the best free row of phones, in logarithms a moment. In eight accents 83 of 100 words
     * at their right places are nearer, and 78 of 100 of scripts of other lines are farther away.
     */
    private static final double MIDDLE_DISTANCE = 2.5;

    private static final double DISTANCE_STEP = 0.8;

    /** A stop of more moments than this has swallowed a pause: its word and the next may lie on the wrong side of it. */
    private static final int LONGEST_STOP = 20;

    private static final Set<String> STOPS = Set.of("P", "T", "K", "B", "D", "G", "CH", "JH");
    private static final double SURENESS_BESIDE_SWALLOWED = 0.4;

    private static final int MOST_REPEATED = 6;
    private static final double REPEATED_DISTANCE = 2;

    /** So many words at either end of a script tell whether only a part of it was spoken. */
    private static final int EDGE_WORDS = 3;

    private final Hearing hearing;
    private final DoublePredicate progress;
    private boolean believed = true;

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

    /** @param ways the pronunciations of each word */
    private record Script(List<String> words, List<List<List<String>>> ways) {

        List<List<List<String>>> of(Stretch stretch) {
            return ways.subList(stretch.from(), stretch.to());
        }
    }

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
        Script script = new Script(words, ways);
        for (Pin pin : pins) {
            Stretch before = new Stretch(from, pin.index(), moment, hearing.moment(pin.startSeconds()));
            aligner.align(script, before, found, extra);
            found.add(aligner.pinned(script, pin));
            from = pin.index() + 1;
            moment = hearing.moment(pin.endSeconds());
        }
        aligner.align(script, new Stretch(from, words.size(), moment, hearing.moments()), found, extra);
        return new Alignment(found, extra, hearing.warp(), aligner.believed);
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

    private AlignedWord pinned(Script script, Pin pin) {
        int from = hearing.moment(pin.startSeconds());
        int to = hearing.moment(pin.endSeconds());
        Stretch one = new Stretch(pin.index(), pin.index() + 1, from, to);
        List<List<List<String>>> way = script.of(one);
        Optional<WordSearch.Found> found = to - from < LEAST_MOMENTS * shortest(way)
                ? Optional.empty()
                : WordSearch.all(hearing, way, from, to, done -> progress.test(share(from)));
        List<Phone> phones = found.isPresent()
                ? stretched(
                        words(found.get(), script.words(), one, pin.startSeconds())
                                .get(0)
                                .phones(),
                        pin.startSeconds(),
                        pin.endSeconds())
                : SpelledPhones.spread(way.get(0).get(0), pin.startSeconds(), pin.endSeconds());
        return new AlignedWord(
                pin.index(), script.words().get(pin.index()), pin.startSeconds(), pin.endSeconds(), 1, true, phones);
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

    /**
     * Words that are looked for between two moments.
     *
     * @param from the first word's index, @param to that of the one after the last
     */
    private record Stretch(int from, int to, int firstMoment, int endMoment) {

        int size() {
            return to - from;
        }
    }

    /** @param believed whether the script does much better than its words in other orders */
    private record Fit(List<AlignedWord> words, List<Alignment.Extra> extra, boolean believed) {

        /** Whether the first and the last few words were heard. */
        boolean hasSureEdges() {
            int edge = Math.min(EDGE_WORDS, words.size());
            return areSure(words.subList(0, edge)) && areSure(words.subList(words.size() - edge, words.size()));
        }

        private static boolean areSure(List<AlignedWord> some) {
            return some.stream().allMatch(word -> word.sureness() >= DOUBTFUL);
        }
    }

    private void align(Script script, Stretch stretch, List<AlignedWord> found, List<Alignment.Extra> extra) {
        if (stretch.size() == 0) {
            return;
        }
        double before = found.isEmpty()
                ? hearing.seconds(stretch.firstMoment())
                : found.get(found.size() - 1).endSeconds();
        Fit fit = fit(
                script,
                stretch,
                before,
                Hearing.part(progress, share(stretch.firstMoment()), share(stretch.endMoment())));
        believed &= fit.believed();
        found.addAll(fit.words());
        extra.addAll(fit.extra());
    }

    private Fit fit(Script script, Stretch stretch, double before, DoublePredicate done) {
        boolean isLongEnough =
                stretch.endMoment() - stretch.firstMoment() >= LEAST_MOMENTS * shortest(script.of(stretch));
        Optional<Fit> whole =
                isLongEnough ? wholeFit(script, stretch, before, Hearing.part(done, 0, 0.6)) : Optional.empty();
        if (whole.isPresent() && whole.get().hasSureEdges()) {
            return whole.get();
        }
        Optional<Fit> part = partFit(script, stretch, before, Hearing.part(done, 0.6, 1));
        if (part.isPresent() && (whole.isEmpty() || leavesOutUnsure(part.get(), whole.get()))) {
            return part.get();
        }
        return whole.orElseThrow(() -> new IllegalArgumentException(
                isLongEnough
                        ? "The words could not be found in the recording. Look whether it is the right script."
                        : "The recording is too short for this script: "
                                + String.format(
                                        Locale.ROOT,
                                        "%.2f",
                                        (stretch.endMoment() - stretch.firstMoment()) * Hearing.MOMENT)
                                + " s for " + stretch.size() + " words from \""
                                + script.words().get(stretch.from()) + "\" on. Look whether it is the"
                                + " right one" + (stretch.from() > 0 ? ", or unpin a word" : "") + "."));
    }

    /** Whether what a part leaves out was hardly heard when all words had to be. */
    private static boolean leavesOutUnsure(Fit part, Fit whole) {
        if (!whole.believed()) {
            return true;
        }
        return IntStream.range(0, part.words().size())
                        .filter(i -> !part.words().get(i).heard())
                        .mapToDouble(i -> whole.words().get(i).sureness())
                        .average()
                        .orElse(1)
                < 0.5;
    }

    /** The row of words that is spoken, where it can be told; those before and after it are missing. */
    private Optional<Fit> partFit(Script script, Stretch stretch, double before, DoublePredicate done) {
        List<List<List<String>>> ways = script.of(stretch);
        Optional<SpokenPart> spoken =
                SpokenPart.of(hearing, ways, stretch.firstMoment(), stretch.endMoment(), Hearing.part(done, 0, 0.5));
        if (spoken.isEmpty() || spoken.get().to() - spoken.get().from() == stretch.size()) {
            return Optional.empty();
        }
        Stretch some = new Stretch(
                stretch.from() + spoken.get().from(),
                stretch.from() + spoken.get().to(),
                stretch.firstMoment(),
                stretch.endMoment());
        return wholeFit(script, some, before, Hearing.part(done, 0.5, 1))
                .filter(Fit::believed)
                .map(fit -> {
                    List<AlignedWord> all = new ArrayList<>();
                    for (int i = stretch.from(); i < some.from(); i++) {
                        all.add(missing(i, script.words(), before));
                    }
                    all.addAll(fit.words());
                    double after = all.get(all.size() - 1).endSeconds();
                    for (int i = some.to(); i < stretch.to(); i++) {
                        all.add(missing(i, script.words(), after));
                    }
                    return new Fit(all, fit.extra(), true);
                });
    }

    private Optional<Fit> wholeFit(Script script, Stretch stretch, double before, DoublePredicate done) {
        List<List<List<String>>> ways = script.of(stretch);
        int first = stretch.firstMoment();
        int end = stretch.endMoment();
        Optional<WordSearch.Found> plain = WordSearch.all(hearing, ways, first, end, Hearing.part(done, 0, 0.15));
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        WordSearch.Found own = OwnVoice.of(plain.get(), ways, end, Hearing.part(done, 0.15, 0.75));
        List<AlignedWord> sure = words(own, script.words(), stretch, before);
        List<Alignment.Extra> extra = List.of();
        Leeway leeway = leeway(own, sure);
        if (anyOf(leeway.otherSpeech())) {
            Optional<WordSearch.Found> again =
                    WordSearch.search(own.hearing(), ways, first, end, leeway, Hearing.part(done, 0.75, 1));
            if (again.isPresent()) {
                sure = words(again.get(), script.words(), stretch, before);
                extra = extras(again.get(), ways, stretch.from());
            }
        }
        return Optional.of(new Fit(sure, extra, own != plain.get()));
    }

    /** What may be missing, and what may come between, beside words that sound wrong. */
    private static Leeway leeway(WordSearch.Found found, List<AlignedWord> words) {
        int n = words.size();
        Leeway out = Leeway.none(n);
        for (int i = 0; i < n; i++) {
            if (words.get(i).sureness() < DOUBTFUL) {
                Arrays.fill(out.otherSpeech(), Math.max(0, i - 1), Math.min(n, i + 2) + 1, true);
                Arrays.fill(out.mayBeMissing(), Math.max(0, i - 1), Math.min(n, i + 2), true);
            }
        }
        for (ForcedPath.Step step : found.steps()) {
            if (found.hides(step)) {
                int block = step.unit().block();
                Arrays.fill(out.otherSpeech(), block, Math.min(n, block + 1) + 1, true);
            }
        }
        return out;
    }

    /** How far the whole is when all up to a moment is found. */
    private double share(int moment) {
        return 0.3 + 0.7 * moment / hearing.moments();
    }

    private static boolean anyOf(boolean[] flags) {
        for (boolean flag : flags) {
            if (flag) {
                return true;
            }
        }
        return false;
    }

    /** @param before when the word before these ends */
    private List<AlignedWord> words(WordSearch.Found found, List<String> words, Stretch stretch, double before) {
        int firstIndex = stretch.from();
        List<AlignedWord> out = new ArrayList<>();
        double at = before;
        boolean swallowedBefore = false;
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
            boolean swallows = false;
            List<Phone> phones = new ArrayList<>();
            while (end < found.steps().size()
                    && found.steps().get(end).unit().block() == block
                    && found.steps().get(end).unit().kind() == WordGraph.Kind.PHONE) {
                ForcedPath.Step phone = found.steps().get(end);
                distance += found.strictDistance(phone);
                swallows |= swallows(phone);
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
                    swallows || swallowedBefore
                            ? Math.min(SURENESS_BESIDE_SWALLOWED, sureness(distance / moments))
                            : sureness(distance / moments),
                    true,
                    phones));
            swallowedBefore = swallows;
            next = block + 1;
            s = end;
        }
        for (; next < stretch.size(); next++) {
            out.add(missing(firstIndex + next, words, at));
        }
        return out;
    }

    private boolean swallows(ForcedPath.Step step) {
        return step.to() - step.from() > LONGEST_STOP
                && STOPS.contains(hearing.model().symbol(step.unit().phone()));
    }

    private static AlignedWord missing(int index, List<String> words, double at) {
        return new AlignedWord(index, words.get(index), at, at, 0, false, List.of());
    }

    private static double sureness(double distance) {
        return 1 / (1 + Math.exp((distance - MIDDLE_DISTANCE) / DISTANCE_STEP));
    }

    private List<Alignment.Extra> extras(WordSearch.Found found, List<List<List<String>>> ways, int firstIndex) {
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
                        repeated(found.hearing(), ways.subList(0, block), from, to)));
            }
        }
        return out;
    }

    /** How many of the words before a stretch are what is said in it. */
    private int repeated(Hearing voice, List<List<List<String>>> before, int from, int to) {
        int best = 0;
        double least = REPEATED_DISTANCE;
        for (int n = 1; n <= Math.min(MOST_REPEATED, before.size()); n++) {
            List<List<List<String>>> some = before.subList(before.size() - n, before.size());
            if (to - from < LEAST_MOMENTS * shortest(some)) {
                break;
            }
            Optional<WordSearch.Found> found = WordSearch.all(voice, some, from, to, done -> progress.test(share(to)));
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
