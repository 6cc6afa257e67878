package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * One who speaks in a shot, and the mouths that show it.
 *
 * @param name as it stands in the script; empty for everybody
 * @param mouths in rising order, never overlapping
 * @param place where the mouths are drawn on the picture
 * @param chart which mouth stands for which sounds
 * @param rules how mouths are set from sounds
 * @param level the id of the level on which the mouths are; none for the first of the shot's mouth levels that is no other's
 */
public record Speaker(
        String name,
        List<MouthSpan> mouths,
        Optional<MouthPlace> place,
        MouthChart chart,
        MouthRules rules,
        Optional<String> level)
        implements FrameBound<Speaker> {

    public static final Speaker EVERYBODY =
            new Speaker("", List.of(), Optional.empty(), MouthChart.TEN, MouthRules.STANDARD, Optional.empty());

    public Speaker {
        mouths = InOrder.sorted(
                mouths, Comparator.comparingInt(span -> span.range().start()));
    }

    /** Whether a word moves these mouths: one of this speaker, or of nobody who was named. */
    public boolean says(Word word) {
        return name.isEmpty() || word.speaker().isEmpty() || word.speaker().equals(name);
    }

    /** Someone else with the same chart and rules, without mouths. */
    public Speaker another(String newName) {
        return new Speaker(newName, List.of(), Optional.empty(), chart, rules, Optional.empty());
    }

    public Speaker withName(String newName) {
        return new Speaker(newName, mouths, place, chart, rules, level);
    }

    public Speaker withMouths(List<MouthSpan> newMouths) {
        return new Speaker(name, newMouths, place, chart, rules, level);
    }

    public Speaker withPlace(MouthPlace newPlace) {
        return new Speaker(name, mouths, Optional.of(newPlace), chart, rules, level);
    }

    public Speaker withChart(MouthChart newChart) {
        return new Speaker(name, mouths, place, newChart, rules, level);
    }

    public Speaker withRules(MouthRules newRules) {
        return new Speaker(name, mouths, place, chart, newRules, level);
    }

    public Speaker withLevel(Optional<String> newLevel) {
        return new Speaker(name, mouths, place, chart, rules, newLevel);
    }

    /** Mouths keep at least a frame each, unless all of their own are taken out. */
    @Override
    public Optional<Speaker> moved(FrameChange change) {
        if (!change.reach().sound()) {
            return Optional.of(this);
        }
        List<MouthSpan> out = new ArrayList<>();
        int free = 0;
        for (MouthSpan span : mouths) {
            Optional<FrameRange> to = change.range(span.range());
            if (to.isPresent()) {
                int start = Math.max(free, to.get().start());
                free = Math.max(start + 1, to.get().end());
                out.add(span.withRange(new FrameRange(start, free)));
            }
        }
        return Optional.of(withMouths(out));
    }

    /** The mouth that a frame shows. */
    public Optional<MouthSpan> mouthAt(int frame) {
        return mouths.stream().filter(span -> span.range().contains(frame)).findFirst();
    }
}
