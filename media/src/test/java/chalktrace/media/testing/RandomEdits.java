package chalktrace.media.testing;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.timing.TimingEdits;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Strokes;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;

/** Edits of many kinds, one after the other. */
public final class RandomEdits {

    private RandomEdits() {}

    /** Many different edits, as a person makes them, from a seed that is printed. */
    public static List<Shot> of(Shot start, int count) {
        long seed = System.nanoTime();
        System.out.println("edits of seed " + seed);
        Random random = new Random(seed);
        List<Shot> all = new ArrayList<>();
        Shot shot = start;
        for (int i = 0; i < count; i++) {
            shot = next(shot, random, i);
            all.add(shot);
        }
        return all;
    }

    /** @param i tells one edit from another */
    public static Shot next(Shot shot, Random random, int i) {
        return edit(shot, random, i).change().apply(shot);
    }

    private static Edit edit(Shot shot, Random random, int i) {
        Level level = shot.levels().get(random.nextInt(shot.levels().size()));
        return switch (random.nextInt(7)) {
            case 0 -> new Edit("name", s -> s.withName("name " + i));
            case 1 -> new Edit("mark", s -> s.withMarks(List.of(new Mark(random.nextInt(40), Mark.Kind.KEY))));
            case 2 ->
                new Edit(
                        "new level",
                        s -> s.withLevels(Stream.concat(
                                        s.levels().stream(), Stream.of(Level.empty(s.newId("level"), "more " + i)))
                                .toList()));
            case 3 ->
                new Edit(
                        "drop a level",
                        s -> s.levels().size() < 2
                                ? s
                                : s.withLevels(s.levels().subList(0, s.levels().size() - 1)));
            case 4 ->
                new Edit(
                        "drop a drawing",
                        s -> s.withLevel(
                                level.id(),
                                l -> new Level(
                                        l.id(),
                                        l.name(),
                                        l.visible(),
                                        l.locked(),
                                        l.opacity(),
                                        l.style(),
                                        List.of(),
                                        Exposures.NONE)));
            case 5 -> TimingEdits.insertFrames(List.of(level.id()), random.nextInt(9), 1 + random.nextInt(3));
            default -> new Edit("draw", s -> s.withLevel(level.id(), l -> drawn(l, 1 + random.nextInt(3), i)));
        };
    }

    /** One more stroke in a drawing. @param i tells one stroke from another */
    public static Level drawn(Level level, int number, int i) {
        Drawing drawing = level.drawing(number).orElse(Drawing.empty(number)).plus(Strokes.line(i, 3, 9, 9 + i));
        return level.with(drawing).with(level.exposures().with(Exposure.of(number * 3, 2, number)));
    }
}
