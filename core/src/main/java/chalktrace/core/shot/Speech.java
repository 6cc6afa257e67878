package chalktrace.core.shot;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What is said in a shot, and the mouths that show it.
 *
 * @param script the line as it was written, with the names of those who speak; empty when there is none
 * @param words in rising order of their start
 * @param mouths in rising order, never overlapping
 * @param place where the mouths are drawn on the picture
 * @param chart which mouth stands for which sounds
 * @param rules how mouths are set from sounds
 * @param sayings how words that the dictionary lacks or has otherwise are said
 */
public record Speech(
        String script,
        List<Word> words,
        List<MouthSpan> mouths,
        Optional<MouthPlace> place,
        MouthChart chart,
        MouthRules rules,
        List<Saying> sayings) {

    public static final Speech NONE =
            new Speech("", List.of(), List.of(), Optional.empty(), MouthChart.TEN, MouthRules.STANDARD, List.of());

    /** A word and its phones (ARPAbet, without stress), such as "kettle": K EH T AH L. */
    public record Saying(String word, List<String> phones) {

        public Saying {
            phones = List.copyOf(phones);
        }
    }

    public Speech {
        words = Shot.sorted(words, Comparator.comparingDouble(Word::startSeconds));
        mouths =
                Shot.sorted(mouths, Comparator.comparingInt(span -> span.range().start()));
        sayings = List.copyOf(sayings);
    }

    public Speech withScript(String text) {
        return new Speech(text, words, mouths, place, chart, rules, sayings);
    }

    public Speech withWords(List<Word> newWords) {
        return new Speech(script, newWords, mouths, place, chart, rules, sayings);
    }

    public Speech withMouths(List<MouthSpan> newMouths) {
        return new Speech(script, words, newMouths, place, chart, rules, sayings);
    }

    public Speech withPlace(MouthPlace newPlace) {
        return new Speech(script, words, mouths, Optional.of(newPlace), chart, rules, sayings);
    }

    public Speech withChart(MouthChart newChart) {
        return new Speech(script, words, mouths, place, newChart, rules, sayings);
    }

    public Speech withRules(MouthRules newRules) {
        return new Speech(script, words, mouths, place, chart, newRules, sayings);
    }

    public Speech withSayings(List<Saying> newSayings) {
        return new Speech(script, words, mouths, place, chart, rules, newSayings);
    }
}
