package chalktrace.core.motion;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.Function;

/**
 * What moves in a source when nobody has touched a point. Particles all over the picture go along with its {@link Flow} (after P. Sand, S. Teller, "Particle video",
 * CVPR 2006), the camera's own movement is taken out of their ways, and those that lie near each other and move alike are one part.
 */
public final class MovingParts {

    /** So many are told at most, the one that moves most first. */
    private static final int MOST = 8;

    /** A part reaches at least so far, in heights of the picture. */
    private static final double LEAST_REACH = 0.015;

    /** Longer ways than this, in pictures, count no more for it. */
    private static final int LONG = 48;

    /** What belongs together lies so near, in heights of the picture, and its steps differ by so much of themselves. */
    private static final double NEAR = 0.16;

    private static final double ALIKE = 0.45;

    /** By so much, in the smallest parts of the flow, two steps may differ in any case. */
    private static final double NOISE = 0.3;

    /** Two ways are compared over so many pictures at least. */
    private static final int COMPARED = 5;

    /** What leads a part goes so many times as far as what stands still; one that is alone in it farther. */
    private static final double LEADS = 2.2;

    private static final double ALONE = 3;

    /** And each so many times as far as its own unsteadiness would lead it in as many steps: where little is to be seen a place wanders more than elsewhere. */
    private static final double STEADY_TIMES = 15;

    private final double height;
    private final double grain;

    /** The way of a particle. @param reach of the steady one, in px @param beyond so many times as far as what stands still in its clip */
    private record Way(MovingPoint seen, MovingPoint steady, double reach, double beyond) {}

    private MovingParts(double height, double grain) {
        this.height = height;
        this.grain = grain;
    }

    /**
     * The parts that move most. Pictures that can't be read end all ways there. Cost: the flow of each two pictures.
     *
     * @param from the first picture that is looked at, @param to the first that is not
     * @throws PictureUnavailableException when none of them can be read
     * @throws CancellationException when the progress says so
     */
    public static List<MovingPart> of(PictureSource source, int from, int to, Tracking.Progress progress)
            throws PictureUnavailableException {
        Particles particles = new Particles();
        Pyramid before = null;
        SeenPlace places = null;
        PictureUnavailableException unread = null;
        for (int n = from; n < to; n++) {
            if (!progress.at(n - from, to - from)) {
                throw new CancellationException();
            }
            Pyramid now = null;
            try {
                Picture picture = source.picture(n);
                places = new SeenPlace(picture.size(), source.displaySize(), source.turnDegrees());
                now = new Pyramid(Luma.of(picture));
            } catch (PictureUnavailableException e) {
                unread = e;
            }
            if (before != null && now != null) {
                particles.move(n, before, now);
            } else {
                particles.endAll();
            }
            before = now;
        }
        if (places == null && unread != null) {
            throw unread;
        }
        if (places == null) {
            return List.of();
        }
        SeenPlace seen = places;
        List<Particle> ended = particles.ended();
        double floor = particles.floor().aStep();
        return new MovingParts(source.displaySize().height(), particles.grain())
                .parts(ended.stream()
                        .filter(particle -> particle.steps() >= Stillness.SHORTEST)
                        .map(particle -> way(particle, seen, floor))
                        .toList());
    }

    private static Way way(Particle particle, SeenPlace places, double floor) {
        MovingPoint steady = particle.steady(places);
        return new Way(
                particle.seen(places),
                steady,
                steady.extent(steady.firstFrame(), steady.lastFrame()),
                Math.min(
                        particle.reach() / Math.max(1e-9, floor * Math.sqrt(particle.steps())),
                        particle.reach()
                                / Math.max(1e-9, STEADY_TIMES * steady.noise() * Math.sqrt(particle.steps()))));
    }

    /** The widest way leads a part, and takes those along that move as it does; then the widest of the others. */
    private List<MovingPart> parts(List<Way> ways) {
        List<Way> left = new ArrayList<>(ways.stream()
                .filter(way -> way.beyond() > 1 && way.reach() > Math.max(LEAST_REACH * height, 2 * grain))
                .sorted(Comparator.comparingDouble(MovingParts::weight).reversed())
                .toList());
        List<MovingPart> out = new ArrayList<>();
        while (!left.isEmpty() && out.size() < MOST) {
            Way leader = left.get(0);
            Set<Way> members = new HashSet<>(left.stream()
                    .filter(way -> way == leader || isAlike(leader.steady(), way.steady()))
                    .toList());
            left.removeAll(members);
            if (leader.beyond() < (members.size() == 1 ? ALONE : LEADS)) {
                continue;
            }
            out.add(new MovingPart(together(leader, members, Way::seen), together(leader, members, Way::steady)));
        }
        return out;
    }

    private static double weight(Way way) {
        return way.reach()
                * Math.min(LONG, way.steady().lastFrame() - way.steady().firstFrame());
    }

    private boolean isAlike(MovingPoint a, MovingPoint b) {
        int from = Math.max(a.firstFrame(), b.firstFrame());
        int to = Math.min(a.lastFrame(), b.lastFrame());
        if (to - from < COMPARED) {
            return false;
        }
        double apart = 0;
        double different = 0;
        double spacing = 0;
        for (int frame = from + 1; frame <= to; frame++) {
            apart += Math.hypot(b.x(frame) - a.x(frame), b.y(frame) - a.y(frame)) / (to - from);
            different += Math.hypot(
                    a.x(frame) - a.x(frame - 1) - b.x(frame) + b.x(frame - 1),
                    a.y(frame) - a.y(frame - 1) - b.y(frame) + b.y(frame - 1));
            spacing += Math.max(a.distance(frame - 1, frame), b.distance(frame - 1, frame));
        }
        return apart < NEAR * height && different < ALIKE * spacing + NOISE * grain * (to - from);
    }

    /** One path from the leader's first place, which steps from picture to picture as the middle one of the members does. */
    private static TrackPath together(Way leader, Set<Way> members, Function<Way, MovingPoint> which) {
        List<MovingPoint> points = members.stream().map(which).toList();
        int first = points.stream().mapToInt(MovingPoint::firstFrame).min().orElseThrow();
        int last = points.stream().mapToInt(MovingPoint::lastFrame).max().orElseThrow();
        MovingPoint start = which.apply(leader);
        double[] x = path(points, start.firstFrame(), start.x(start.firstFrame()), first, last, (p, n) -> p.x(n));
        double[] y = path(points, start.firstFrame(), start.y(start.firstFrame()), first, last, (p, n) -> p.y(n));
        return TrackPath.of(new MovingPoint("", first, x, y), (double) members.size() / (1 + members.size()));
    }

    /** One of a point's coordinates on a picture. */
    private interface Coordinate {
        double of(MovingPoint point, int picture);
    }

    private static double[] path(
            List<MovingPoint> points, int anchor, double at, int first, int last, Coordinate coordinate) {
        double[] out = new double[last - first + 1];
        out[anchor - first] = at;
        for (int n = anchor + 1; n <= last; n++) {
            out[n - first] = out[n - 1 - first] + step(points, n, coordinate);
        }
        for (int n = anchor - 1; n >= first; n--) {
            out[n - first] = out[n + 1 - first] - step(points, n + 1, coordinate);
        }
        return out;
    }

    /** The middle one of all steps onto a picture; NaN where there is none. */
    private static double step(List<MovingPoint> points, int picture, Coordinate coordinate) {
        double[] steps = points.stream()
                .filter(point -> point.knows(picture) && point.knows(picture - 1))
                .mapToDouble(point -> coordinate.of(point, picture) - coordinate.of(point, picture - 1))
                .sorted()
                .toArray();
        return steps.length == 0 ? Double.NaN : (steps[(steps.length - 1) / 2] + steps[steps.length / 2]) / 2;
    }
}
