package chalktrace.core.motion;

import chalktrace.core.words.MotionWords;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * What a measured movement proposes: keys where it starts, stops and turns, breakdowns between them, contacts, jumps that want a smear, and on how many frames each
 * drawing may stay. Several points count by their share of all movement.
 *
 * <p>Common practice: keys lie where a movement starts, stops or turns; the breakdown where a limb bends from one direction into another, else before the largest
 * jump in spacing, else about half way; small spacing reads on twos, a jump that strobes wants ones, or a smear; anticipation is a short move against the main one
 * before it, overshoot a return after it.
 *
 * @param keys in rising order, as are the others
 */
public record Study(
        List<MotionProposal> keys,
        List<MotionProposal> breakdowns,
        List<MotionProposal> contacts,
        List<MotionProposal> smears,
        List<SpanAdvice> spans) {

    /** A turn is weighed against what else moves within so many frames of it. */
    private static final int AROUND = 12;

    /** And against this share of the widest movement, so that where all else rests a trifle is no key. */
    private static final double TRIFLE = 0.25;

    /** Turns of several points within so many frames are one. */
    private static final int TOGETHER = 2;

    private static final double BEND_DEGREES = 35;

    /** A jump that is at least so large a part of the way between two keys wants a drawing before it. */
    private static final double JUMP_SHARE = 0.4;

    /** So many times as far as the frames before and after is a jump. */
    private static final double JUMP_TIMES = 1.5;

    /** A move before or after the main one counts as its anticipation or overshoot up to this share of it. */
    private static final double AGAINST_SHARE = 0.45;

    /** So many limits in one frame want a smear. */
    private static final double SMEAR_LIMITS = 1.5;

    private static final int LONGEST_EVERY = 3;

    /** What goes no farther than this between two keys, in heights of the picture, is held. */
    private static final double TRAVEL_OF_HEIGHT = 0.003;

    public Study {
        keys = List.copyOf(keys);
        breakdowns = List.copyOf(breakdowns);
        contacts = List.copyOf(contacts);
        smears = List.copyOf(smears);
        spans = List.copyOf(spans);
    }

    /** Of all the frames on which a point is known. */
    public static Study of(List<MovingPoint> points, StudySettings settings) {
        int first = points.stream().mapToInt(MovingPoint::firstFrame).min().orElse(0);
        int last = points.stream().mapToInt(MovingPoint::lastFrame).max().orElse(0);
        return of(points, first, last, settings);
    }

    /**
     * Where a point's path only begins or ends because it was not followed any farther is no key. Cost: frames times points.
     *
     * @param first frame and
     * @param last frame of the movement: there paths that are on their way begin and end with keys
     */
    public static Study of(List<MovingPoint> points, int first, int last, StudySettings settings) {
        return new Maker(points, first, last, settings).study();
    }

    /** Without contacts: where nobody says what a point is, coming down means nothing. */
    public Study withoutContacts() {
        return new Study(keys, breakdowns, List.of(), smears, spans);
    }

    /** All of them, by frame. */
    public List<MotionProposal> proposals() {
        List<MotionProposal> out = new ArrayList<>(keys);
        out.addAll(breakdowns);
        out.addAll(contacts);
        out.addAll(smears);
        out.sort(Comparator.comparingInt(MotionProposal::frame));
        return List.copyOf(out);
    }

    private static final class Maker {

        /** A point that moves, and what is known of it. @param extent how far it reaches, in px */
        private record Mover(
                MovingPoint point,
                MovingPoint smooth,
                TurnFinder finder,
                List<Turn> turns,
                List<MovingPoint.Stretch> rests,
                double extent) {

            /** Whether it is on most frames of a span. */
            boolean isKnown(int from, int to) {
                return 2 * IntStream.rangeClosed(from, to).filter(point::knows).count() > to - from;
            }

            /** How far it reaches about a frame, in px. */
            double reach(int frame) {
                return smooth.extent(frame - AROUND, frame + AROUND);
            }
        }

        private record Found(Mover mover, Turn turn) {}

        private final int first;
        private final int last;
        private final StudySettings settings;
        private final List<Mover> movers = new ArrayList<>();

        Maker(List<MovingPoint> points, int first, int last, StudySettings settings) {
            this.first = first;
            this.last = last;
            this.settings = settings;
            for (MovingPoint point : points) {
                double extent = extent(point);
                if (extent > Math.max(8 * point.noise(), 0.004 * settings.heightPx())) {
                    TurnFinder finder = new TurnFinder(point, settings.turnShare() * extent, settings.heightPx());
                    movers.add(new Mover(point, point.smoothed(2), finder, finder.turns(), finder.rests(), extent));
                }
            }
        }

        /** A point counts by how far it reaches, and not by its way: the shake of a hand-held camera is a long way to nowhere. */
        private static double extent(MovingPoint point) {
            return point.extent(point.firstFrame(), point.lastFrame());
        }

        Study study() {
            List<MotionProposal> keys = keys();
            List<MotionProposal> breakdowns = new ArrayList<>();
            List<SpanAdvice> spans = new ArrayList<>();
            for (int i = 0; i + 1 < keys.size(); i++) {
                int from = keys.get(i).frame();
                int to = keys.get(i + 1).frame();
                // Of what nobody has seen nothing is said; between two frames there is nothing to choose.
                if (to - from >= 2 && movers.stream().anyMatch(mover -> mover.isKnown(from, to))) {
                    spans.add(span(from, to));
                    if (!isHeld(from, to)) {
                        breakdowns.add(breakdown(from, to));
                    }
                }
            }
            return new Study(keys, breakdowns, contacts(), smears(), spans);
        }

        private List<MotionProposal> keys() {
            List<Found> all = new ArrayList<>();
            for (Mover mover : movers) {
                mover.turns().stream().filter(this::isOfMovement).forEach(turn -> all.add(new Found(mover, turn)));
            }
            all.sort(Comparator.comparingInt(found -> found.turn().frame()));
            List<MotionProposal> out = new ArrayList<>();
            List<Found> group = new ArrayList<>();
            for (Found found : all) {
                if (!group.isEmpty()
                        && found.turn().frame() - group.get(0).turn().frame() > TOGETHER) {
                    add(group, out);
                    group.clear();
                }
                group.add(found);
            }
            add(group, out);
            return out;
        }

        private boolean isOfMovement(Turn turn) {
            return switch (turn.kind()) {
                case FIRST -> turn.frame() == first;
                case LAST -> turn.frame() == last;
                case START, STOP, TURN -> true;
            };
        }

        private void add(List<Found> group, List<MotionProposal> out) {
            if (group.isEmpty()) {
                return;
            }
            Set<Mover> turning = new LinkedHashSet<>();
            group.forEach(found -> turning.add(found.mover()));
            List<String> names =
                    turning.stream().map(mover -> mover.point().name()).toList();
            double share = share(turning, group.get(0).turn().frame());
            // The same point's own turns near each other, as a stop and a start, stay apart.
            if (turning.size() == 1) {
                for (Found found : group) {
                    if (share >= Math.min(settings.leastShare(), 1.0 / movers.size())) {
                        out.add(key(found, names));
                    }
                }
                return;
            }
            if (share >= settings.leastShare()) {
                Found main = group.stream()
                        .max(Comparator.comparingDouble(
                                found -> found.mover().reach(found.turn().frame())))
                        .orElseThrow();
                out.add(key(main, names));
            }
        }

        /** How much of all movement about a frame is that of some. */
        private double share(Set<Mover> some, int frame) {
            double all = 0;
            double widest = 0;
            double theirs = 0;
            for (Mover mover : movers) {
                double reach = mover.reach(frame);
                all += reach;
                theirs += some.contains(mover) ? reach : 0;
                widest = Math.max(widest, mover.extent());
            }
            return theirs / Math.max(all, TRIFLE * widest);
        }

        private MotionProposal key(Found found, List<String> names) {
            return new MotionProposal(found.turn().frame(), MotionProposal.Kind.KEY, reason(found), names);
        }

        private String reason(Found found) {
            Turn turn = found.turn();
            return switch (turn.kind()) {
                case FIRST -> MotionWords.TEXTS.of("the-movement-is-on-its-way");
                case LAST -> MotionWords.TEXTS.of("the-movement-goes-on-after-it");
                case START -> MotionWords.TEXTS.of("starts-to-move");
                case STOP -> MotionWords.TEXTS.of("comes-to-rest");
                case TURN -> against(found, MotionWords.TEXTS.of("turns-degrees", whole(turn.degrees())));
            };
        }

        /** With a word more where the move to or from a turn is one against the main one. */
        private String against(Found found, String reason) {
            List<Turn> turns = found.mover().turns();
            int at = turns.indexOf(found.turn());
            if (at < 1 || at + 1 >= turns.size()) {
                return reason;
            }
            double before = found.mover()
                    .point()
                    .distance(turns.get(at - 1).frame(), found.turn().frame());
            double after = found.mover()
                    .point()
                    .distance(found.turn().frame(), turns.get(at + 1).frame());
            if (before < AGAINST_SHARE * after && begins(turns.get(at - 1))) {
                return MotionWords.TEXTS.of("anticipation", reason, whole(before), whole(after));
            }
            if (after < AGAINST_SHARE * before && turns.get(at + 1).kind() == Turn.Kind.STOP) {
                return MotionWords.TEXTS.of("overshoot", reason, whole(after), whole(before));
            }
            return reason;
        }

        private static boolean begins(Turn turn) {
            return turn.kind() == Turn.Kind.START || turn.kind() == Turn.Kind.FIRST;
        }

        /** What goes farthest between two frames. */
        private Mover main(int from, int to) {
            return movers.stream()
                    .max(Comparator.comparingDouble(mover -> mover.smooth().length(from, to)))
                    .orElseThrow();
        }

        private boolean isHeld(int from, int to) {
            for (Mover mover : movers) {
                boolean rests =
                        mover.rests().stream().anyMatch(rest -> rest.first() <= from + 1 && rest.last() >= to - 1);
                if (!rests && mover.isKnown(from, to)) {
                    return false;
                }
            }
            return true;
        }

        private MotionProposal breakdown(int from, int to) {
            Mover mover = main(from, to);
            MovingPoint point = mover.point();
            TurnFinder finder = mover.finder();
            int sharpest = from + 1;
            double most = 0;
            for (int frame = from + 1; frame < to; frame++) {
                double degrees = finder.bend(frame, from, to);
                if (degrees > most) {
                    most = degrees;
                    sharpest = frame;
                }
            }
            int middle = (from + to + 1) / 2;
            if (most >= BEND_DEGREES) {
                return breakdown(sharpest, MotionWords.TEXTS.of("bends-by-degrees", whole(most)), point);
            }
            int jump = from + 1;
            for (int frame = from + 1; frame <= to; frame++) {
                jump = spacing(point, frame) > spacing(point, jump) ? frame : jump;
            }
            double largest = spacing(point, jump);
            double around = Math.max(spacing(point, jump - 1), jump < to ? spacing(point, jump + 1) : 0);
            if (jump - 1 > from && largest >= JUMP_SHARE * point.length(from, to) && largest > JUMP_TIMES * around) {
                return breakdown(jump - 1, MotionWords.TEXTS.of("before-the-largest-spacing", whole(largest)), point);
            }
            return breakdown(middle, MotionWords.TEXTS.of("half-way-between-the-keys"), point);
        }

        private static double spacing(MovingPoint point, int frame) {
            return point.spacing(frame).orElse(0);
        }

        private static MotionProposal breakdown(int frame, String reason, MovingPoint point) {
            return new MotionProposal(frame, MotionProposal.Kind.BREAKDOWN, reason, List.of(point.name()));
        }

        private SpanAdvice span(int from, int to) {
            if (isHeld(from, to)) {
                return new SpanAdvice(from, to, to - from, MotionWords.TEXTS.of("nothing-moves-a-hold"));
            }
            double travel = points().stream()
                    .mapToDouble(point -> point.extent(from, to))
                    .max()
                    .orElse(0);
            if (travel < TRAVEL_OF_HEIGHT * settings.heightPx()) {
                return new SpanAdvice(from, to, to - from, MotionWords.TEXTS.of("hardly-moves-a-hold", tenths(travel)));
            }
            double limit = settings.limitPercent() / 100 * settings.heightPx();
            for (int every = LONGEST_EVERY; every > 1; every--) {
                double jump = largestJump(from, to, every);
                // On threes a movement reads only where it is slow.
                double allowed = every == LONGEST_EVERY ? limit / 3 : limit;
                if (jump <= allowed && to - from >= every) {
                    return new SpanAdvice(
                            from,
                            to,
                            every,
                            MotionWords.TEXTS.of("largest-spacing-within", against(every, jump, allowed)));
                }
            }
            return new SpanAdvice(
                    from,
                    to,
                    1,
                    MotionWords.TEXTS.of("largest-spacing-above", against(2, largestJump(from, to, 2), limit)));
        }

        private Object[] against(int every, double px, double limit) {
            return new Object[] {every, whole(px), tenths(settings.percent(px)), tenths(settings.percent(limit))};
        }

        private List<MovingPoint> points() {
            return movers.stream().map(Mover::point).toList();
        }

        private double largestJump(int from, int to, int every) {
            double most = 0;
            for (MovingPoint point : points()) {
                for (int frame = from; frame + every <= to; frame++) {
                    if (point.knows(frame) && point.knows(frame + every)) {
                        most = Math.max(most, point.distance(frame, frame + every));
                    }
                }
            }
            return most;
        }

        private List<MotionProposal> contacts() {
            List<MotionProposal> out = new ArrayList<>();
            for (MovingPoint point : points()) {
                for (ContactFinder.Contact contact : ContactFinder.of(point, settings)) {
                    String height = whole(point.y(contact.frame()));
                    String reason =
                            switch (contact.sign()) {
                                case LINE -> MotionWords.TEXTS.of("comes-down-onto-the-floor-line", height);
                                case LEVEL -> MotionWords.TEXTS.of("comes-down-where-it-keeps-resting", height);
                                case STOP -> MotionWords.TEXTS.of("comes-down-and-stops-at-once", height);
                                case SPRING -> MotionWords.TEXTS.of("comes-down-and-springs-back", height);
                            };
                    out.add(new MotionProposal(
                            contact.frame(), MotionProposal.Kind.CONTACT, reason, List.of(point.name())));
                }
            }
            out.sort(Comparator.comparingInt(MotionProposal::frame));
            return out;
        }

        private List<MotionProposal> smears() {
            double limit = SMEAR_LIMITS * settings.limitPercent() / 100 * settings.heightPx();
            List<MotionProposal> out = new ArrayList<>();
            for (MovingPoint point : points()) {
                for (int frame = point.firstFrame() + 1; frame <= point.lastFrame(); frame++) {
                    double px = spacing(point, frame);
                    if (px > limit && px >= spacing(point, frame - 1) && px > spacing(point, frame + 1)) {
                        out.add(new MotionProposal(
                                frame,
                                MotionProposal.Kind.SMEAR,
                                MotionWords.TEXTS.of("largest-spacing", whole(px), whole(settings.percent(px))),
                                List.of(point.name())));
                    }
                }
            }
            out.sort(Comparator.comparingInt(MotionProposal::frame));
            return out;
        }

        private static String whole(double value) {
            return String.format(Locale.ROOT, "%.0f", value);
        }

        private static String tenths(double value) {
            return String.format(Locale.ROOT, "%.1f", value);
        }
    }
}
