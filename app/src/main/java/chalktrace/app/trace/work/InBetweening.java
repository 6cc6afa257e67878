package chalktrace.app.trace.work;

import chalktrace.app.controls.WhileWanted;
import chalktrace.app.footage.FootageTrack;
import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Proposals;
import chalktrace.app.kernel.Selection;
import chalktrace.app.keys.Action;
import chalktrace.app.keys.KeySet;
import chalktrace.app.session.Landings;
import chalktrace.app.session.View;
import chalktrace.app.sound.Transport;
import chalktrace.app.words.Words;
import chalktrace.core.between.InBetween;
import chalktrace.core.between.Smear;
import chalktrace.core.between.StrokeMatching;
import chalktrace.core.between.TimingChart;
import chalktrace.core.between.TrackedSpacing;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.BetweenEdits;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.edit.selection.DrawingPiece;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.selection.PickEdits;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRange;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.DoubleFunction;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** Drafts of the drawings between the one at the gate and the next of the current level. */
public final class InBetweening {

    /** Half of the side of the patch of footage that is followed. */
    private static final double PATCH_PX = 60;

    private static final int MOST_NAMED = 6;

    private final Document document;
    private final Selection selection;
    private final Transport transport;
    private final View view;
    private final KeySet keys;
    private final Proposals proposals;
    private final Notices notices;
    private final ObjectProperty<Way> way = new SimpleObjectProperty<>(Way.OWN);
    private final ObjectProperty<TimingChart> ownChart = new SimpleObjectProperty<>();
    private Curve drawnWay;
    private final ReadOnlyObjectWrapper<Drawing> draft = new ReadOnlyObjectWrapper<>();
    private Optional<Drawing> withoutPartner = Optional.empty();
    private final List<TouchedPair> pairs = new ArrayList<>();
    private Pick touched;

    InBetweening(
            Document document,
            Selection selection,
            Transport transport,
            View view,
            KeySet keys,
            Proposals proposals,
            Notices notices) {
        this.document = document;
        this.selection = selection;
        this.transport = transport;
        this.view = view;
        this.keys = keys;
        this.proposals = proposals;
        this.notices = notices;
        document.whenOpened(() -> {
            pairs.clear();
            touched = null;
        });
        document.shotProperty().addListener(changed -> hideDraft());
        WhileWanted.hear(() -> draft.get() != null, List.of(draft), this::hideDraft, transport.frameProperty());
    }

    /** Along what in-betweens go. */
    public enum Way {
        /** As the two drawings alone suggest. */
        OWN,
        /** Through the drawing before and the one after as well. */
        NEIGHBOURS,
        /** Along a line that was picked for it. */
        DRAWN
    }

    public ObjectProperty<Way> wayProperty() {
        return way;
    }

    /** A chart made by hand; null for one of the named spacings. */
    public ObjectProperty<TimingChart> ownChartProperty() {
        return ownChart;
    }

    /**
     * Takes the way and the chart of in-betweens from the footage: what lies under the first drawing is followed to the second.
     *
     * @param every in-betweens stand on every n-th frame
     */
    public void takeFromFootage(int every) {
        withKeys((level, keys) -> {
            Shot shot = document.shot();
            int first = keys.get(0).start();
            FrameRange range = new FrameRange(first, keys.get(1).start() + 1);
            Optional<Point2D> middle = BetweenEdits.middle(level, keys.get(0));
            if (middle.isEmpty()) {
                notices.problem(Words.TRACE.of("the-first-drawing-has-no"));
                return;
            }
            proposals.find(
                    Words.TRACE.of("follow-the-footage"),
                    job -> spacing(
                            shot,
                            FootageTrack.follow(shot, first, range, middle.get(), PATCH_PX, job),
                            middle.get(),
                            every),
                    this::take);
        });
    }

    /**
     * As {@link #takeFromFootage}, from a point that was tracked.
     *
     * @param place where it is on a frame, in px of the shot
     */
    public void takeFromPoint(IntFunction<Optional<Point2D>> place, int every) {
        withKeys((level, keys) -> {
            FrameRange range = new FrameRange(keys.get(0).start(), keys.get(1).start() + 1);
            List<Point2D> places = IntStream.range(range.start(), range.end())
                    .mapToObj(place)
                    .flatMap(Optional::stream)
                    .toList();
            if (places.size() < range.frames()) {
                notices.problem(Words.TRACE.of("the-point-is-not-known"));
                return;
            }
            proposals.findQuietly(job -> TrackedSpacing.of(places, every), this::take);
        });
    }

    private void take(TrackedSpacing spacing) {
        drawnWay = spacing.line();
        way.set(Way.DRAWN);
        ownChart.set(spacing.chart());
        notices.say(Words.TRACE.of("arc-and-timing-chart-are"));
    }

    private static TrackedSpacing spacing(Shot shot, FootageTrack.Followed track, Point2D middle, int every) {
        if (!track.lost().isEmpty()) {
            throw new IllegalArgumentException(Words.TRACE.of(
                    "what-lies-under-the-first",
                    shot.setup().number(track.lost().get(0))));
        }
        double middleX = shot.setup().size().width() / 2.0;
        double middleY = shot.setup().size().height() / 2.0;
        return TrackedSpacing.of(
                track.way().stream()
                        .map(place -> place.transform(middleX, middleY).transform(middle, null))
                        .toList(),
                every);
    }

    /** Takes the one picked stroke as the way of in-betweens. @return what came of it, as a sentence */
    public String takeDrawnWay() {
        Pick pick = selection.pickProperty().get();
        Optional<Stroke> stroke = pick == null || pick.strokes().size() != 1
                ? Optional.empty()
                : document.shot()
                        .level(pick.level())
                        .flatMap(level -> level.drawing(pick.drawing()))
                        .map(drawing ->
                                drawing.strokes().get(pick.strokes().iterator().next()));
        if (stroke.isEmpty()) {
            return Words.TRACE.of("draw-the-arc-on-any", keys.text(Action.PICK));
        }
        drawnWay = stroke.get().curve();
        way.set(Way.DRAWN);
        return Words.TRACE.of("in-betweens-follow-the-selected");
    }

    /** The draft of an in-between that lies over the board; null for none. */
    public ReadOnlyObjectProperty<Drawing> draftProperty() {
        return draft.getReadOnlyProperty();
    }

    /** What of the shown draft has no partner in the other drawing. */
    public Optional<Drawing> withoutPartner() {
        return withoutPartner;
    }

    /** The showings between which the gate lies: the one at it or before it, and the next with another drawing. */
    private Optional<List<Exposure>> keys() {
        int frame = transport.frame();
        Exposure before = null;
        for (Exposure run : document.shot().level(String.valueOf(selection.level())).stream()
                .flatMap(level -> level.exposures().runs().stream())
                .filter(run -> !run.isBlank())
                .toList()) {
            if (run.start() <= frame) {
                before = run;
            } else if (before != null && run.drawing() != before.drawing()) {
                return Optional.of(List.of(before, run));
            }
        }
        return Optional.empty();
    }

    /** Between which drawings in-betweens would be made, as words. */
    public String keyWords() {
        ShotSetup setup = document.shot().setup();
        return keys().map(k -> Words.TRACE.of(
                        "from-drawing-frame-to-drawing",
                        k.get(0).drawing(),
                        setup.number(k.get(0).start()),
                        k.get(1).drawing(),
                        setup.number(k.get(1).start())))
                .orElse(Words.TRACE.of("the-gate-does-not-lie"));
    }

    /** The chart of the in-betweens that would be made. */
    public TimingChart chart(TimingChart.Spacing spacing, int every) {
        int count =
                keys().map(k -> BetweenEdits.frames(k.get(0), k.get(1), every)).orElse(0);
        TimingChart own = ownChart.get();
        return own != null && own.ticks().size() == count ? own : TimingChart.of(spacing, count);
    }

    /** Shows the in-between at a share of the way, to draw over. */
    public void showDraft(double share) {
        withKeys((level, keys) -> {
            Map<Integer, Integer> byHand = byHand(level, keys);
            Optional<Point2D> middle = arc(level, keys).map(arc -> arc.apply(share));
            proposals.findQuietly(
                    job -> {
                        InBetween between = between(level, keys, byHand);
                        InBetween.Draft made = between.at(share, middle);
                        Drawing drawing = BetweenEdits.draft(key(level, keys.get(0)), key(level, keys.get(1)), made);
                        return new ShownDraft(drawing, new Drawing(1, made.alone()), alone(between));
                    },
                    made -> {
                        withoutPartner = Optional.of(made.withoutPartner());
                        draft.set(made.drawing());
                        sayAlone(made.alone());
                    });
        });
    }

    /** @param alone what is to be said of strokes without a partner; empty for nothing */
    private record ShownDraft(Drawing drawing, Drawing withoutPartner, String alone) {}

    /**
     * Shows a smear between the two drawings.
     *
     * @param length how much of the way it covers, 0 to 1
     * @param features what becomes of the selected strokes of the first drawing
     */
    public void showSmear(double length, Smear.Features features) {
        withKeys((level, keys) -> {
            Pick pick = selection.pickProperty().get();
            boolean ofFirst = pick != null
                    && pick.level().equals(level.id())
                    && pick.drawing() == keys.get(0).drawing();
            Set<Integer> chosen = ofFirst ? Set.copyOf(pick.strokes()) : Set.of();
            if (features != Smear.Features.STRETCHED && chosen.isEmpty()) {
                notices.problem(Words.TRACE.of(
                        "select-the-features-on-drawing", keys.get(0).drawing(), this.keys.text(Action.PICK)));
                return;
            }
            Map<Integer, Integer> byHand = byHand(level, keys);
            proposals.findQuietly(job -> Smear.of(between(level, keys, byHand), length, chosen, features), strokes -> {
                withoutPartner = Optional.empty();
                draft.set(new Drawing(1, strokes));
            });
        });
    }

    public void hideDraft() {
        withoutPartner = Optional.empty();
        draft.set(null);
    }

    /** Puts the draft that is shown onto the drawing at the gate, as strokes. */
    public void acceptDraft() {
        if (draft.get() == null) {
            return;
        }
        StrokeLanding landing =
                StrokeLanding.afresh(document.shot(), String.valueOf(selection.level()), transport.frame());
        if (!landing.canDraw()) {
            notices.problem(Landings.refusal(document.shot(), landing));
            return;
        }
        Drawing shown = draft.get();
        document.apply(PickEdits.paste(landing, new DrawingPiece(shown.items())));
    }

    /** Makes all in-betweens from the gate's drawing to the next, on every n-th frame, spaced by a chart. */
    public void makeInBetweens(TimingChart.Spacing spacing, int every) {
        withKeys((level, keys) -> {
            TimingChart chart = chart(spacing, every);
            Map<Integer, Integer> byHand = byHand(level, keys);
            Optional<DoubleFunction<Point2D>> arc = arc(level, keys);
            proposals.proposeLong(
                    Words.TRACE.of("draw-in-betweens"), now -> List.of(now.level(level.id())), (now, job) -> {
                        Level there = now.level(level.id()).orElse(level);
                        List<Exposure> between = keys.stream()
                                .map(run -> there.exposures().at(run.start()).orElse(run))
                                .toList();
                        InBetween pairs = between(there, between, byHand);
                        Edit edit =
                                BetweenEdits.make(there.id(), between.get(0), between.get(1), pairs, chart, every, arc);
                        return new Proposals.Outcome(edit, () -> sayAlone(alone(pairs)));
                    });
        });
    }

    private void withKeys(BiConsumer<Level, List<Exposure>> does) {
        Optional<Level> level = document.shot().level(String.valueOf(selection.level()));
        Optional<List<Exposure>> keys = keys();
        if (level.isPresent() && keys.isPresent()) {
            does.accept(level.get(), keys.get());
        } else {
            notices.problem(keyWords());
        }
    }

    private Optional<DoubleFunction<Point2D>> arc(Level level, List<Exposure> keys) {
        return switch (way.get()) {
            case OWN -> Optional.empty();
            case NEIGHBOURS -> BetweenEdits.arc(level, keys.get(0), keys.get(1));
            case DRAWN ->
                drawnWay == null ? Optional.empty() : BetweenEdits.along(drawnWay, level, keys.get(0), keys.get(1));
        };
    }

    private static InBetween between(Level level, List<Exposure> keys, Map<Integer, Integer> byHand) {
        List<Stroke> first = key(level, keys.get(0)).strokes();
        List<Stroke> second = key(level, keys.get(1)).strokes();
        Map<Integer, Integer> fixed = new HashMap<>(byHand);
        fixed.entrySet().removeIf(pair -> pair.getKey() >= first.size() || pair.getValue() >= second.size());
        return InBetween.of(first, second, StrokeMatching.match(first, second, fixed));
    }

    /** The pairs of strokes between two drawings that were made by hand. */
    private Map<Integer, Integer> byHand(Level level, List<Exposure> keys) {
        Map<Integer, Integer> fixed = new HashMap<>();
        for (TouchedPair pair : pairs) {
            boolean mine = pair.level().equals(level.id())
                    && pair.first() == keys.get(0).drawing()
                    && pair.second() == keys.get(1).drawing();
            if (mine) {
                fixed.put(pair.of(), pair.with());
            }
        }
        return fixed;
    }

    /** A pair of strokes that the artist made by touching both. @param first drawing, @param second drawing, by number */
    private record TouchedPair(String level, int first, int of, int second, int with) {}

    /**
     * Takes the one picked stroke for a pair: the first touch is remembered, one on another drawing of the level makes the pair.
     *
     * @return what is to be done next, as a sentence
     */
    public String touchForPair() {
        Pick pick = selection.pickProperty().get();
        if (pick == null || pick.strokes().size() != 1) {
            return Words.TRACE.of("select-one-stroke-first-then", keys.text(Action.PICK));
        }
        if (touched == null || !touched.level().equals(pick.level()) || touched.drawing() == pick.drawing()) {
            touched = pick;
            return Words.TRACE.of("now-select-its-partner-on");
        }
        boolean forward = startOf(touched) < startOf(pick);
        Pick a = forward ? touched : pick;
        Pick b = forward ? pick : touched;
        pairs.add(new TouchedPair(
                a.level(),
                a.drawing(),
                a.strokes().iterator().next(),
                b.drawing(),
                b.strokes().iterator().next()));
        touched = null;
        return Words.TRACE.of("these-two-are-one-stroke", a.drawing(), b.drawing());
    }

    private int startOf(Pick pick) {
        return document.shot().level(pick.level()).stream()
                .flatMap(level -> level.exposures().showing(pick.drawing()).stream())
                .mapToInt(Exposure::start)
                .min()
                .orElse(0);
    }

    private void sayAlone(String alone) {
        if (!alone.isEmpty()) {
            notices.say(alone);
        }
    }

    private static Drawing key(Level level, Exposure run) {
        return level.drawing(run.drawing()).orElseThrow();
    }

    /** Which strokes found no partner, of which another partner would do as well, and what can be done; empty when all is clear. */
    private static String alone(InBetween between) {
        List<Integer> first = between.matched().leftOver();
        List<Integer> second = between.matched().added();
        List<Integer> unsure = between.matched().unsure();
        List<String> said = new ArrayList<>();
        if (!first.isEmpty() || !second.isEmpty()) {
            String strokes = first.isEmpty()
                    ? Words.TRACE.count("strokes-of-the-second", second.size(), numbers(second))
                    : second.isEmpty()
                            ? Words.TRACE.count("strokes-of-the-first", first.size(), numbers(first))
                            : Words.TRACE.of(
                                    "strokes-of-both",
                                    Words.TRACE.count("strokes-of-the-first", first.size(), numbers(first)),
                                    numbers(second));
            said.add(Words.TRACE.count("without-partner", first.size() + second.size(), strokes));
        }
        if (!unsure.isEmpty()) {
            String strokes = Words.TRACE.count("strokes-of-the-first", unsure.size(), numbers(unsure));
            said.add(Words.TRACE.count("unsure-pairs", unsure.size(), strokes));
        }
        return String.join(" ", said);
    }

    private static String numbers(List<Integer> strokes) {
        String list = strokes.stream()
                .limit(MOST_NAMED)
                .map(stroke -> String.valueOf(stroke + 1))
                .collect(Collectors.joining(", "));
        return strokes.size() > MOST_NAMED ? list + " ..." : list;
    }
}
