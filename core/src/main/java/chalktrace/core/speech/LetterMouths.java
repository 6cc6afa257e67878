package chalktrace.core.speech;

import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Mouths on frames from the spelling of words: each letter, or pair of letters that spells one sound, asks for a mouth,
 * vowels for longer than consonants. English spelling only hints at the sounds; this is what can be said without
 * listening. Closed lips (M, B, P) show for at least 1/12 s, as they must be seen to be believed (common practice: a full
 * frame at 12 frames a second, two at 24).
 */
public final class LetterMouths {

    private static final double CLOSED_LIPS_SECONDS = 1.0 / 12;

    private static final double VOWEL = 2;
    private static final double CONSONANT = 1;

    /** A pause this short keeps the mouth of the word before; a longer one comes to rest. */
    private static final double KEPT_PAUSE_SECONDS = 0.1;

    private static final Map<String, String> PAIRS = Map.ofEntries(
            Map.entry("oo", MouthChart.PURSED),
            Map.entry("ou", MouthChart.ROUND),
            Map.entry("ow", MouthChart.ROUND),
            Map.entry("oa", MouthChart.ROUND),
            Map.entry("ee", MouthChart.WIDE),
            Map.entry("ea", MouthChart.WIDE),
            Map.entry("ai", MouthChart.WIDE),
            Map.entry("ay", MouthChart.WIDE),
            Map.entry("au", MouthChart.OPEN),
            Map.entry("th", MouthChart.TONGUE),
            Map.entry("ll", MouthChart.TONGUE),
            Map.entry("ph", MouthChart.LIP_BITE),
            Map.entry("sh", MouthChart.PURSED),
            Map.entry("ch", MouthChart.PURSED),
            Map.entry("wh", MouthChart.PURSED),
            Map.entry("qu", MouthChart.PURSED),
            Map.entry("mm", MouthChart.CLOSED),
            Map.entry("pp", MouthChart.CLOSED),
            Map.entry("bb", MouthChart.CLOSED));

    private static final Map<Character, String> LETTERS = Map.ofEntries(
            Map.entry('a', MouthChart.OPEN),
            Map.entry('e', MouthChart.WIDE),
            Map.entry('i', MouthChart.WIDE),
            Map.entry('o', MouthChart.ROUND),
            Map.entry('u', MouthChart.PURSED),
            Map.entry('y', MouthChart.WIDE),
            Map.entry('m', MouthChart.CLOSED),
            Map.entry('b', MouthChart.CLOSED),
            Map.entry('p', MouthChart.CLOSED),
            Map.entry('f', MouthChart.LIP_BITE),
            Map.entry('v', MouthChart.LIP_BITE),
            Map.entry('l', MouthChart.TONGUE),
            Map.entry('w', MouthChart.PURSED),
            Map.entry('r', MouthChart.PURSED));

    private record Sound(String shape, double weight) {}

    private LetterMouths() {}

    /**
     * @param words in rising order, not overlapping
     * @return spans from the first word to the last, each with the shape of its frames; nothing without words
     */
    public static List<MouthSpan> of(List<Word> words, ShotSetup setup) {
        String[] shapes = new String[setup.length()];
        for (Word word : words) {
            fill(shapes, word, setup);
        }
        for (int i = 0; i < words.size(); i++) {
            int pauseStart = setup.rate().nearestFrame(words.get(i).endSeconds());
            boolean last = i == words.size() - 1;
            double pause =
                    last ? 1 : words.get(i + 1).startSeconds() - words.get(i).endSeconds();
            int pauseEnd = last
                    ? pauseStart + Math.max(1, setup.rate().nearestFrame(0.25))
                    : setup.rate().nearestFrame(words.get(i + 1).startSeconds());
            String kept = pause <= KEPT_PAUSE_SECONDS && pauseStart > 0 && pauseStart <= shapes.length
                    ? shapes[pauseStart - 1]
                    : MouthChart.REST;
            for (int f = Math.max(0, pauseStart); f < Math.min(pauseEnd, shapes.length); f++) {
                shapes[f] = shapes[f] == null ? kept : shapes[f];
            }
        }
        return runs(shapes);
    }

    private static void fill(String[] shapes, Word word, ShotSetup setup) {
        int start = setup.rate().nearestFrame(word.startSeconds());
        int end = Math.min(shapes.length, Math.max(start + 1, setup.rate().nearestFrame(word.endSeconds())));
        if (start >= end) {
            return;
        }
        List<Sound> sounds = sounds(word.text());
        double total = sounds.stream().mapToDouble(Sound::weight).sum();
        int frames = end - start;
        double done = 0;
        for (Sound sound : sounds) {
            int from = start + (int) Math.round(done / total * frames);
            done += sound.weight;
            int to = start + (int) Math.round(done / total * frames);
            Arrays.fill(shapes, from, to, sound.shape);
        }
        keepLipsClosed(shapes, sounds, start, end, setup.rate().nearestFrame(CLOSED_LIPS_SECONDS));
    }

    /** Gives each closed sound its least number of frames, also one that rounding had left without any. */
    private static void keepLipsClosed(String[] shapes, List<Sound> sounds, int start, int end, int least) {
        double total = sounds.stream().mapToDouble(Sound::weight).sum();
        double done = 0;
        for (Sound sound : sounds) {
            if (sound.shape.equals(MouthChart.CLOSED)) {
                int from = start + (int) Math.round(done / total * (end - start));
                int wanted = Math.max(1, Math.min(least, end - start));
                from = Math.min(from, end - wanted);
                Arrays.fill(shapes, from, from + wanted, MouthChart.CLOSED);
            }
            done += sound.weight;
        }
    }

    private static List<Sound> sounds(String text) {
        String letters = text.toLowerCase(Locale.ROOT).replaceAll("[^a-z]", "");
        List<Sound> out = new ArrayList<>();
        for (int i = 0; i < letters.length(); i++) {
            String pair = i + 1 < letters.length() ? letters.substring(i, i + 2) : "";
            char letter = letters.charAt(i);
            boolean vowel = "aeiouy".indexOf(letter) >= 0;
            if (PAIRS.containsKey(pair)) {
                out.add(new Sound(PAIRS.get(pair), vowel ? VOWEL : CONSONANT));
                i++;
            } else if (letter == 'e' && i == letters.length() - 1 && out.size() > 1) {
                // A last e is mostly silent.
                continue;
            } else {
                out.add(new Sound(LETTERS.getOrDefault(letter, MouthChart.NARROW), vowel ? VOWEL : CONSONANT));
            }
        }
        return out.isEmpty() ? List.of(new Sound(MouthChart.NARROW, 1)) : out;
    }

    private static List<MouthSpan> runs(String[] shapes) {
        List<MouthSpan> out = new ArrayList<>();
        int start = 0;
        for (int f = 1; f <= shapes.length; f++) {
            boolean changes = f == shapes.length
                    || (shapes[f] == null ? shapes[start] != null : !shapes[f].equals(shapes[start]));
            if (changes) {
                if (shapes[start] != null) {
                    out.add(new MouthSpan(new FrameRange(start, f), shapes[start], false));
                }
                start = f;
            }
        }
        return out;
    }
}
