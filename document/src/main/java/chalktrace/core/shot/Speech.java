package chalktrace.core.shot;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What is said in a shot, and the mouths that show it.
 *
 * @param script the line as it was written, with the names of those who speak; empty when there is none
 * @param words in rising order of their start
 * @param sayings how words that the dictionary lacks or has otherwise are said
 * @param speaker whose mouths are worked on
 * @param others the others who have mouths
 */
public record Speech(String script, List<Word> words, List<Saying> sayings, Speaker speaker, List<Speaker> others)
        implements FrameBound<Speech> {

    public static final Speech NONE = new Speech("", List.of(), List.of(), Speaker.EVERYBODY, List.of());

    /** A word and its phones (ARPAbet, without stress), such as "kettle": K EH T AH L. */
    public record Saying(String word, List<String> phones) {

        /** @throws IllegalArgumentException when one is no phone; it says which */
        public Saying {
            phones = List.copyOf(phones);
            phones.forEach(Phone::requireSymbol);
        }
    }

    /** @throws IllegalArgumentException when two speakers have one name */
    public Speech {
        if (others.stream().anyMatch(other -> other.name().equals(speaker.name()))
                || others.stream().map(Speaker::name).distinct().count() < others.size()) {
            throw new IllegalArgumentException("Two who speak must not have the same name.");
        }
        words = InOrder.sorted(words, Comparator.comparingDouble(Word::startSeconds));
        sayings = List.copyOf(sayings);
        others = List.copyOf(others);
    }

    public List<MouthSpan> mouths() {
        return speaker.mouths();
    }

    public Optional<MouthPlace> place() {
        return speaker.place();
    }

    public MouthChart chart() {
        return speaker.chart();
    }

    public MouthRules rules() {
        return speaker.rules();
    }

    /** All who have mouths, the one that is worked on first. */
    public List<Speaker> speakers() {
        return Stream.concat(Stream.of(speaker), others.stream()).toList();
    }

    /** The words that move the mouths that are worked on. */
    public List<Word> spoken() {
        return words.stream().filter(speaker::says).toList();
    }

    /**
     * Works on the mouths of another of the speakers.
     *
     * @param kept the one that is worked on so far, as it is to be kept
     */
    public Speech turnedTo(Speaker other, Speaker kept) {
        List<Speaker> rest = new ArrayList<>(others);
        int at = rest.indexOf(other);
        if (at >= 0) {
            rest.set(at, kept);
        } else {
            rest.add(kept);
        }
        return new Speech(script, words, sayings, other, rest);
    }

    @Override
    public Optional<Speech> moved(FrameChange change) {
        return Optional.of(new Speech(
                script,
                FrameChanges.moved(words, change),
                sayings,
                speaker.moved(change).orElse(speaker),
                FrameChanges.moved(others, change)));
    }

    public Speech withScript(String text) {
        return new Speech(text, words, sayings, speaker, others);
    }

    public Speech withWords(List<Word> newWords) {
        return new Speech(script, newWords, sayings, speaker, others);
    }

    public Speech withSayings(List<Saying> newSayings) {
        return new Speech(script, words, newSayings, speaker, others);
    }

    public Speech withSpeaker(Speaker newSpeaker) {
        return new Speech(script, words, sayings, newSpeaker, others);
    }

    public Speech withMouths(List<MouthSpan> newMouths) {
        return withSpeaker(speaker.withMouths(newMouths));
    }

    public Speech withPlace(MouthPlace newPlace) {
        return withSpeaker(speaker.withPlace(newPlace));
    }

    public Speech withChart(MouthChart newChart) {
        return withSpeaker(speaker.withChart(newChart));
    }

    public Speech withRules(MouthRules newRules) {
        return withSpeaker(speaker.withRules(newRules));
    }
}
