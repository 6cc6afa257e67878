package chalktrace.core.edit.mouth;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthChart.Mouth;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Speaker;
import chalktrace.core.shot.Speech;
import chalktrace.core.speech.MouthDrawings;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The mouths of a shot as showings of a level. The level can be edited as any other: what was changed there counts as set by
 * hand when the mouths are set anew.
 */
public final class MouthLevels {

    private MouthLevels() {}

    /** The mouth level of the speaker that is worked on: the one that is kept for them, else the first that is no other's. */
    public static Optional<Level> find(Shot shot) {
        Speech speech = shot.speech();
        Set<String> taken = speech.others().stream()
                .flatMap(other -> other.level().stream())
                .collect(Collectors.toSet());
        Optional<Level> own = speech.speaker().level().flatMap(shot::level).filter(MouthLevels::isForMouths);
        return own.isPresent()
                ? own
                : shot.levels().stream()
                        .filter(level -> isForMouths(level) && !taken.contains(level.id()))
                        .findFirst();
    }

    private static boolean isForMouths(Level level) {
        return level.style().role() == LevelStyle.Role.MOUTH;
    }

    /**
     * A mouth level in front of all others with the chart's mouths from three sides, showing the shot's mouths; the mouths that
     * were only painted over the picture are hidden. Where there is a mouth level already, it shows the mouths again.
     */
    public static Edit make(MouthPlace place) {
        return new Edit(EditWords.TEXTS.of("make-a-mouth-level"), shot -> {
            if (find(shot).isPresent()) {
                return show(shot, MouthChart.Side.FRONT);
            }
            Set<String> known = shot.chalks().stream().map(Chalk::id).collect(Collectors.toSet());
            List<Chalk> chalks = new ArrayList<>(shot.chalks());
            MouthDrawings.chalks(place).stream()
                    .filter(chalk -> !known.contains(chalk.id()))
                    .forEach(chalks::add);
            Level level = new Level(
                    shot.newId("level"),
                    name(shot.speech().speaker()),
                    true,
                    false,
                    1,
                    LevelStyle.ROUGH.withRole(LevelStyle.Role.MOUTH),
                    MouthDrawings.of(shot.speech().chart(), place),
                    Exposures.NONE);
            List<Level> levels = new ArrayList<>(shot.levels());
            levels.add(0, level);
            Shot made = shot.withChalks(chalks)
                    .withLevels(levels)
                    .withMouthPlace(new MouthPlace(place.x(), place.y(), place.width(), false));
            return show(made, MouthChart.Side.FRONT);
        });
    }

    private static String name(Speaker speaker) {
        return speaker.name().isEmpty()
                ? EditWords.TEXTS.of("mouths")
                : EditWords.TEXTS.of("mouths-of", speaker.name());
    }

    /** Works on the mouths of another speaker; those of the one before stay as they are, with their level. */
    public static Shot turnedTo(Shot shot, Speaker other) {
        Speech speech = shot.speech();
        Optional<String> level = find(shot).map(Level::id);
        // Who has no level yet doesn't get that of another.
        return shot.withSpeech(speech.turnedTo(other, speech.speaker().withLevel(level)));
    }

    /** How the mouth level's showing at a frame is placed; as it is where nothing shows. */
    public static Placement placementAt(Shot shot, int frame) {
        return find(shot)
                .flatMap(level -> level.exposures().at(frame))
                .map(Exposure::placement)
                .orElse(Placement.AS_IS);
    }

    /** Which mouth is seen when: as the level shows them where there is one, else as they were set. */
    public static List<MouthSpan> seen(Shot shot) {
        return find(shot).map(level -> seen(shot, level)).orElse(shot.mouths());
    }

    private static List<MouthSpan> seen(Shot shot, Level level) {
        List<MouthSpan> out = new ArrayList<>();
        MouthSpan[] set = byFrame(shot);
        for (int f = 0; f < set.length; f++) {
            Optional<MouthSpan> here = mouthOn(shot, level, f, set[f]);
            if (here.isEmpty()) {
                continue;
            }
            int end = out.size() - 1;
            if (end >= 0 && out.get(end).range().end() == f && goesOn(out.get(end), here.get())) {
                out.set(
                        end,
                        out.get(end)
                                .withRange(new FrameRange(out.get(end).range().start(), f + 1)));
            } else {
                out.add(here.get());
            }
        }
        return out;
    }

    private static boolean goesOn(MouthSpan before, MouthSpan after) {
        return before.isSameMouth(after) && before.byHand() == after.byHand();
    }

    private static MouthSpan[] byFrame(Shot shot) {
        MouthSpan[] out = new MouthSpan[shot.setup().length()];
        for (MouthSpan span : shot.mouths()) {
            for (int f = span.range().start();
                    f < Math.min(out.length, span.range().end());
                    f++) {
                out[f] = span;
            }
        }
        return out;
    }

    /** The mouth that the level shows on a frame; set by hand where it is another than was set. @param set null for none */
    private static Optional<MouthSpan> mouthOn(Shot shot, Level level, int frame, MouthSpan set) {
        Optional<Exposure> run = level.exposures().at(frame).filter(r -> !r.isBlank());
        if (run.isEmpty()) {
            return Optional.empty();
        }
        int drawing = run.get().drawing();
        Optional<Mouth> mouth = shot.speech().chart().mouthOfDrawing(drawing);
        MouthSpan seen = new MouthSpan(
                FrameRange.of(frame, 1), mouth.map(Mouth::id).orElse(""), mouth.isPresent() ? 0 : drawing, true);
        return Optional.of(set != null && seen.isSameMouth(set) ? set.withRange(seen.range()) : seen);
    }

    /**
     * With what was changed on the mouth level taken over as mouths set by hand.
     *
     * @return the shot itself when nothing was
     */
    public static Shot adopted(Shot shot) {
        Optional<Level> level = find(shot);
        if (level.isEmpty() || shot.mouths().isEmpty()) {
            return shot;
        }
        List<MouthSpan> seen = seen(shot, level.get());
        Set<String> chart =
                shot.speech().chart().mouths().stream().map(Mouth::id).collect(Collectors.toSet());
        return seen.equals(shot.mouths())
                ? shot
                : shot.withMouths(seen.stream()
                        .filter(span -> !span.byHand() || span.isOwn() || chart.contains(span.shape()))
                        .toList());
    }

    /**
     * With another chart. Where its mouths are others or lie in another order, the mouth level of before stays, hidden, as a
     * level like any other, and a new one takes its place; mouths set by hand that the chart lacks go.
     */
    public static Shot recharted(Shot shot, Speech speech) {
        List<String> ids = speech.chart().mouths().stream().map(Mouth::id).toList();
        List<String> before =
                shot.speech().chart().mouths().stream().map(Mouth::id).toList();
        Shot adopted = adopted(shot);
        Shot changed = adopted.withSpeech(speech.withMouths(adopted.mouths().stream()
                .filter(span -> ids.contains(span.shape()) || ids.equals(before) && span.isOwn())
                .toList()));
        Optional<Level> level = find(shot);
        if (level.isEmpty() || ids.equals(before)) {
            return changed;
        }
        Shot without = changed.withLevel(level.get().id(), l -> l.withName(EditWords.TEXTS.of("level-before", l.name()))
                .withVisible(false)
                .withStyle(l.style().withRole(LevelStyle.Role.LINE)));
        return speech.place().map(place -> make(place).change().apply(without)).orElse(without);
    }

    /** With the mouths on the mouth level, from the side and in the place in which each frame showed one before. */
    public static Shot shown(Shot shot) {
        return show(shot, MouthChart.Side.FRONT);
    }

    private static Shot show(Shot shot, MouthChart.Side otherwise) {
        Optional<Level> found = find(shot);
        if (found.isEmpty()) {
            return shot;
        }
        Level level = found.get();
        List<Exposure> runs = new ArrayList<>();
        MouthSpan[] set = byFrame(shot);
        int[] drawings = new int[set.length];
        Placement[] places = new Placement[set.length];
        for (int f = 0; f < set.length; f++) {
            Optional<Exposure> before = level.exposures().at(f);
            places[f] = before.map(Exposure::placement).orElse(f > 0 ? places[f - 1] : Placement.AS_IS);
            drawings[f] = set[f] == null ? 0 : drawing(shot, set[f], sideOf(shot, before, otherwise));
        }
        for (int start = 0; start < set.length; ) {
            int end = start + 1;
            while (end < set.length && drawings[end] == drawings[start] && Objects.equals(places[end], places[start])) {
                end++;
            }
            if (drawings[start] > 0 && level.drawing(drawings[start]).isPresent()) {
                runs.add(new Exposure(start, end - start, drawings[start], places[start]));
            }
            start = end;
        }
        return shot.withLevel(level.id(), l -> l.with(new Exposures(runs)));
    }

    private static int drawing(Shot shot, MouthSpan span, MouthChart.Side side) {
        return span.isOwn() ? span.drawing() : shot.speech().chart().drawing(span.shape(), side);
    }

    private static MouthChart.Side sideOf(Shot shot, Optional<Exposure> before, MouthChart.Side otherwise) {
        int count = shot.speech().chart().mouths().size();
        MouthChart.Side[] sides = MouthChart.Side.values();
        return before.filter(run -> !run.isBlank() && run.drawing() <= count * sides.length)
                .map(run -> sides[(run.drawing() - 1) / count])
                .orElse(otherwise);
    }

    /** Shows the mouths of a span from another side. */
    public static Edit turn(FrameRange frames, MouthChart.Side side) {
        return new Edit(EditWords.TEXTS.of("mouths-from-another-side"), shot -> {
            Optional<Level> level = find(shot);
            if (level.isEmpty()) {
                return shot;
            }
            Exposures out = level.get().exposures();
            for (int f = frames.start(); f < Math.min(frames.end(), shot.setup().length()); f++) {
                Optional<Exposure> run = out.at(f);
                Optional<Mouth> mouth = run.filter(r -> !r.isBlank())
                        .flatMap(r -> shot.speech().chart().mouthOfDrawing(r.drawing()));
                if (mouth.isPresent()) {
                    int number = shot.speech().chart().drawing(mouth.get().id(), side);
                    out = out.with(new Exposure(f, 1, number, run.get().placement()));
                }
            }
            Exposures turned = out.joined();
            return shot.withLevel(level.get().id(), l -> l.with(turned));
        });
    }

    /**
     * Lets the mouths follow a head: each frame's mouth is placed as the way puts it.
     *
     * @param way the placement of each frame, from 0
     */
    public static Edit follow(List<Placement> way) {
        return new Edit(EditWords.TEXTS.of("mouths-follow"), shot -> {
            Optional<Level> level = find(shot);
            if (level.isEmpty()) {
                return shot;
            }
            List<Exposure> out = new ArrayList<>();
            for (Exposure run : level.get().exposures().runs()) {
                for (int f = run.start(); f < run.end(); f++) {
                    Placement place = way.isEmpty() ? Placement.AS_IS : way.get(Math.min(way.size() - 1, f));
                    out.add(new Exposure(f, 1, run.drawing(), place));
                }
            }
            return shot.withLevel(level.get().id(), l -> l.with(new Exposures(out).joined()));
        });
    }

    /**
     * Puts the mouths elsewhere: on their level for some frames, each before it is placed as its frame has it, so that they go on
     * following what they followed; without a level the place at which they are painted.
     *
     * @param change moved, and scaled and turned about the picture's middle
     */
    public static Edit place(FrameRange frames, Placement change) {
        return new Edit(EditWords.TEXTS.of("place-the-mouths"), shot -> find(shot)
                .map(level -> placed(shot, level, frames, change))
                .or(() -> shot.mouthPlace().map(place -> shot.withMouthPlace(placed(shot, place, change))))
                .orElse(shot));
    }

    private static Shot placed(Shot shot, Level level, FrameRange frames, Placement change) {
        List<Exposure> out = new ArrayList<>();
        for (Exposure run : level.exposures().runs()) {
            int from = Math.max(run.start(), Math.min(run.end(), frames.start()));
            int to = Math.max(from, Math.min(run.end(), frames.end()));
            add(out, run, run.start(), from, run.placement());
            add(out, run, from, to, change.then(run.placement()));
            add(out, run, to, run.end(), run.placement());
        }
        return shot.withLevel(level.id(), l -> l.with(new Exposures(out).joined()));
    }

    private static void add(List<Exposure> out, Exposure run, int from, int to, Placement placement) {
        if (to > from) {
            out.add(new Exposure(from, to - from, run.drawing(), placement));
        }
    }

    private static MouthPlace placed(Shot shot, MouthPlace place, Placement change) {
        Point2D to = change.transform(
                        shot.setup().size().width() / 2.0, shot.setup().size().height() / 2.0)
                .transform(new Point2D.Double(place.x(), place.y()), null);
        return new MouthPlace(to.getX(), to.getY(), place.width() * change.scale(), place.visible());
    }
}
