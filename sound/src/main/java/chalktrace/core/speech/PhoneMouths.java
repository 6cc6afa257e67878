package chalktrace.core.speech;

import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthChart.Mouth;
import chalktrace.core.shot.MouthRules;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Mouths on frames from phones, by the rules of animators (common practice): a mouth is seen a little before its sound;
 * closed lips and bitten lips are seen for their least hold, whatever else must give way; nothing flutters; lips round
 * ahead of a round vowel while the consonants before it leave them free; short pauses hold the mouth, longer ones rest it.
 */
public final class PhoneMouths {

    /** A mouth that stands for consonants for which lips are free has no more than this priority. */
    private static final int FREE_PRIORITY = 2;

    /** A vowel this much fainter than the line's middle one hardly opens the mouth; one this much louder opens it wide. */
    private static final double FAINT_DECIBELS = -8;

    private static final double LOUD_DECIBELS = 3;

    /** A run of so many least holds gives at most one of them to each side and stays. */
    private static final int LONG_RUN = 4;

    private static final double SLACK = 0.1;
    private static final double SAME_SECONDS = 1e-6;

    private record Sounding(String phone, Mouth mouth, double start, double end, double decibels) {

        Sounding as(Mouth other) {
            return new Sounding(phone, other, start, end, decibels);
        }

        Sounding lasting(double from, double to) {
            return new Sounding(phone, mouth, from, to, decibels);
        }

        /** Of two sounds on one frame the one that is seen: vowels before consonants, but for those of the lips. */
        int priority() {
            return Phone.isVowel(phone) || mustBeSeen() ? mouth.priority() : Math.min(FREE_PRIORITY, mouth.priority());
        }

        boolean isHeardVowel() {
            return Phone.isVowel(phone) && decibels != Phone.NOT_KNOWN;
        }

        boolean mustBeSeen() {
            return mouth.leastMillis() > 0 && !phone.equals(Phone.SILENCE);
        }
    }

    /**
     * What a frame shows.
     *
     * @param kept whether nothing may take its place
     */
    private record Seen(Mouth mouth, int priority, boolean kept) {}

    private final MouthChart chart;
    private final MouthRules rules;
    private final FrameRate rate;
    private final int length;

    private PhoneMouths(MouthChart chart, MouthRules rules, FrameRate rate, int length) {
        this.chart = chart;
        this.rules = rules;
        this.rate = rate;
        this.length = length;
    }

    /** The mouths of the one in a shot that is worked on, by its words, chart and rules. */
    public static List<MouthSpan> of(Shot shot) {
        return of(
                shot.speech().spoken(),
                shot.speech().chart(),
                shot.speech().rules(),
                shot.setup().rate(),
                shot.setup().length());
    }

    /**
     * @param words in rising order
     * @param frames how many there are
     * @return spans over all frames, each with the mouth of its frames; nothing without words
     */
    public static List<MouthSpan> of(List<Word> words, MouthChart chart, MouthRules rules, FrameRate rate, int frames) {
        if (words.isEmpty()) {
            return List.of();
        }
        PhoneMouths mouths = new PhoneMouths(chart, rules, rate, frames);
        List<Sounding> sounds = mouths.soundings(words);
        return mouths.onFrames(mouths.rounded(rules.opened() ? mouths.opened(sounds) : sounds));
    }

    private Sounding silence(double from, double to) {
        return new Sounding(Phone.SILENCE, chart.mouthOf(Phone.SILENCE), from, to, Phone.NOT_KNOWN);
    }

    /** All sounds on the ruler, earlier by the lead, with what fills the pauses. */
    private List<Sounding> soundings(List<Word> words) {
        double lead = rules.leadMillis() / 1000.0;
        double rest = rules.restMillis() / 1000.0;
        List<Sounding> out = new ArrayList<>();
        double at = 0;
        for (Word word : words) {
            for (Phone phone : SpelledPhones.of(word)) {
                double start = Math.max(at, phone.startSeconds() - lead);
                double end = phone.endSeconds() - lead;
                if (end <= start) {
                    continue;
                }
                if (start - at >= rest || out.isEmpty() && start > at) {
                    out.add(silence(at, start));
                } else if (start > at) {
                    Sounding before = out.remove(out.size() - 1);
                    out.add(before.lasting(before.start, start));
                }
                out.add(new Sounding(phone.symbol(), chart.mouthOf(phone.symbol()), start, end, phone.decibels()));
                at = end;
            }
        }
        double all = rate.seconds(length);
        if (at < all) {
            out.add(silence(at, all));
        }
        return out;
    }

    private List<Sounding> opened(List<Sounding> sounds) {
        double[] loudness = sounds.stream()
                .filter(Sounding::isHeardVowel)
                .mapToDouble(Sounding::decibels)
                .sorted()
                .toArray();
        if (loudness.length == 0) {
            return sounds;
        }
        double middle = loudness[loudness.length / 2];
        Mouth wide = chart.mouthOf("AA");
        Mouth half = chart.mouthOf("AH");
        return sounds.stream()
                .map(sound -> {
                    double over = sound.decibels - middle;
                    boolean faint = sound.isHeardVowel() && sound.mouth.equals(wide) && over < FAINT_DECIBELS;
                    boolean loud = sound.isHeardVowel() && sound.mouth.equals(half) && over > LOUD_DECIBELS;
                    return faint ? sound.as(half) : loud ? sound.as(wide) : sound;
                })
                .toList();
    }

    /** Consonants for which the lips are free take on the round vowel that they lead to. */
    private List<Sounding> rounded(List<Sounding> sounds) {
        List<Sounding> out = new ArrayList<>();
        double ahead = rules.roundAheadMillis() / 1000.0;
        double from = Double.MAX_VALUE;
        Mouth round = null;
        for (int i = sounds.size() - 1; i >= 0; i--) {
            Sounding sound = sounds.get(i);
            boolean isRound =
                    sound.mouth.phones().contains("OW") || sound.mouth.phones().contains("UW");
            boolean free = sound.mouth.priority() <= FREE_PRIORITY && !sound.phone.equals(Phone.SILENCE);
            if (isRound && Phone.isVowel(sound.phone)) {
                round = sound.mouth;
                from = sound.start - ahead;
                out.add(sound);
            } else if (round != null && free && sound.end > from) {
                double split = Math.max(sound.start, from);
                out.add(sound.as(round).lasting(split, sound.end));
                if (split > sound.start) {
                    out.add(sound.lasting(sound.start, split));
                    round = null;
                }
            } else {
                round = null;
                out.add(sound);
            }
        }
        Collections.reverse(out);
        return out;
    }

    private List<MouthSpan> onFrames(List<Sounding> sounds) {
        Seen[] seen = new Seen[length];
        fill(seen, sounds);
        keep(seen, sounds);
        calm(seen);
        return spans(seen);
    }

    /** Each step of the rhythm shows what is heard for most of it, sounds that matter more weighing more. */
    private void fill(Seen[] seen, List<Sounding> sounds) {
        int first = 0;
        for (int f = 0; f < length; f += rules.every()) {
            double from = rate.seconds(f);
            double to = rate.seconds(Math.min(length, f + rules.every()));
            while (first < sounds.size() - 1 && sounds.get(first).end <= from) {
                first++;
            }
            Seen best = new Seen(chart.mouthOf(Phone.SILENCE), 0, false);
            double most = 0;
            for (int i = first; i < sounds.size() && sounds.get(i).start < to; i++) {
                Sounding sound = sounds.get(i);
                double weight = (Math.min(to, sound.end) - Math.max(from, sound.start)) * (4 + sound.priority());
                // What must be seen gets its own frames, and no others.
                if (weight > most && !sound.mustBeSeen()) {
                    most = weight;
                    best = new Seen(sound.mouth, sound.priority(), false);
                }
            }
            for (int k = f; k < Math.min(length, f + rules.every()); k++) {
                seen[k] = best;
            }
        }
    }

    /** Mouths that must be seen get their frames, one after the other, also those between which little room is left. */
    private void keep(Seen[] seen, List<Sounding> sounds) {
        List<Sounding> must = new ArrayList<>();
        for (Sounding sound : sounds) {
            Sounding before = must.isEmpty() ? null : must.get(must.size() - 1);
            if (sound.mustBeSeen()
                    && before != null
                    && before.mouth.equals(sound.mouth)
                    && before.end >= sound.start - SAME_SECONDS) {
                must.set(must.size() - 1, before.lasting(before.start, sound.end));
            } else if (sound.mustBeSeen()) {
                must.add(sound);
            }
        }
        int free = 0;
        for (int i = 0; i < must.size(); i++) {
            Sounding sound = must.get(i);
            int frames = Math.max(
                    onRhythmUp(framesOf(sound.mouth.leastMillis())),
                    onRhythm(rate.nearestFrame(sound.end)) - onRhythm(rate.nearestFrame(sound.start)));
            int start = Math.max(free, onRhythm(rate.nearestFrame(sound.start)));
            if (i > 0 && must.get(i - 1).mouth.equals(sound.mouth)) {
                // Lips that close twice must be seen to open between.
                start = Math.max(start, Math.min(length, free + rules.every()));
                if (start - free <= onRhythmUp(framesOf(rules.leastMillis()))) {
                    show(between(sounds, must.get(i - 1), sound), free, start, seen);
                }
            }
            int end = start + frames;
            if (i + 1 < must.size() && !must.get(i + 1).mouth.equals(sound.mouth)) {
                int least = onRhythmUp(framesOf(sound.mouth.leastMillis()));
                end = Math.max(start + least, Math.min(end, onRhythm(rate.nearestFrame(must.get(i + 1).start))));
            }
            show(sound.mouth, Math.min(start, length - 1), end, seen);
            free = Math.min(length, end);
        }
    }

    private void show(Mouth mouth, int from, int to, Seen[] seen) {
        for (int f = from; f < Math.min(length, to); f++) {
            seen[f] = new Seen(mouth, mouth.priority(), true);
        }
    }

    private static Mouth between(List<Sounding> sounds, Sounding from, Sounding to) {
        return sounds.stream()
                .filter(sound -> sound.start >= from.end - SAME_SECONDS && sound.end <= to.start + SAME_SECONDS)
                .map(Sounding::mouth)
                .max(Comparator.comparingInt(Mouth::priority))
                .orElse(from.mouth);
    }

    /** In pieces that are cut within runs so long that neither side reaches across: a long line costs no more a word. */
    private void calm(Seen[] seen) {
        int least = onRhythmUp(framesOf(rules.leastMillis()));
        int from = 0;
        for (int start = 0, end; start < length; start = end) {
            end = end(seen, start);
            boolean last = end == length;
            if (last || end - start >= LONG_RUN * least) {
                int to = last ? length : (start + end) / 2;
                calm(seen, from, to, least);
                from = to;
            }
        }
    }

    /** Runs that are too short are taken over by a neighbour, the least important of them first. */
    private void calm(Seen[] seen, int first, int last, int least) {
        while (true) {
            int at = -1;
            int end = -1;
            int lowest = Integer.MAX_VALUE;
            for (int start = first, next; start < last; start = next) {
                next = end(seen, start);
                int rank = seen[start].priority * 100 + next - start;
                if (next - start < least && rank < lowest && mayGo(seen, start, next)) {
                    lowest = rank;
                    at = start;
                    end = next;
                }
            }
            if (at < 0) {
                return;
            }
            if (grown(seen, at, end, least)) {
                continue;
            }
            Seen before = seen[at - 1];
            Seen after = seen[end];
            Seen taker = after.kept || !before.kept && before.priority >= after.priority ? before : after;
            Arrays.fill(seen, at, end, taker);
        }
    }

    /** Makes a run that matters more than a free neighbour as long as it must be, at the neighbour's cost. */
    private boolean grown(Seen[] seen, int start, int end, int least) {
        Seen run = seen[start];
        boolean overBefore = isLess(seen[start - 1], run);
        boolean overAfter = isLess(seen[end], run);
        if (run.priority <= FREE_PRIORITY || !overBefore && !overAfter) {
            return false;
        }
        boolean back = overBefore && (!overAfter || seen[start - 1].priority <= seen[end].priority);
        int frames = least - (end - start);
        int from = back ? start - frames : end;
        int to = back ? start : end + frames;
        if (from < 0 || to > length || !IntStream.range(from, to).allMatch(f -> isLess(seen[f], run))) {
            return false;
        }
        Arrays.fill(seen, from, to, run);
        return true;
    }

    private static boolean isLess(Seen other, Seen than) {
        return !other.kept && other.priority < than.priority;
    }

    /** Whether a run can be given to a neighbour: one that is free, or, of sounds that hardly show, any other mouth. */
    private boolean mayGo(Seen[] seen, int start, int end) {
        if (seen[start].kept || start == 0 || end == length) {
            return false;
        }
        Seen before = seen[start - 1];
        Seen after = seen[end];
        return !(before.kept && after.kept)
                || seen[start].priority <= FREE_PRIORITY && !before.mouth.equals(after.mouth);
    }

    private int end(Seen[] seen, int start) {
        int end = start + 1;
        while (end < length && seen[end].mouth.equals(seen[start].mouth) && seen[end].kept == seen[start].kept) {
            end++;
        }
        return end;
    }

    private int framesOf(int millis) {
        return (int) Math.max(1, Math.ceil(rate.framesPerSecond() * millis / 1000 - SLACK));
    }

    private int onRhythm(int frame) {
        return Math.round(frame / (float) rules.every()) * rules.every();
    }

    private int onRhythmUp(int frames) {
        return (frames + rules.every() - 1) / rules.every() * rules.every();
    }

    private static List<MouthSpan> spans(Seen[] seen) {
        List<MouthSpan> out = new ArrayList<>();
        int start = 0;
        for (int f = 1; f <= seen.length; f++) {
            if (f == seen.length || !seen[f].mouth.equals(seen[start].mouth)) {
                out.add(new MouthSpan(new FrameRange(start, f), seen[start].mouth.id(), false));
                start = f;
            }
        }
        return out;
    }
}
