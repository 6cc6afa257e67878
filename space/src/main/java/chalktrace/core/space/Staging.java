package chalktrace.core.space;

import chalktrace.core.picture.PictureSize;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.IntUnaryOperator;
import java.util.stream.Stream;

/**
 * How a model is put before the camera in a shot.
 *
 * @param motion the name of the animation that plays; empty for the rest pose
 * @param borrowed an animation of another model, which plays in place of the own one
 * @param fromSeconds where in it the footage starts
 * @param every how many frames each pose is held: 1 for ones, 2 for twos; counted from the shot's first frame
 * @param loops whether the animation starts again at its end, and does not hold its last pose
 * @param zUp whether the model was made lying on its back, with z pointing up
 * @param view where the camera stands as long as it has no keys
 * @param keys of the camera, in rising order, at most one a frame
 * @param cameraEvery how many frames each place of the camera is held
 * @param views to go back to
 */
public record Staging(
        Dress dress,
        String motion,
        Optional<Borrowed> borrowed,
        double fromSeconds,
        int every,
        boolean loops,
        boolean zUp,
        Orbit view,
        List<CameraKey> keys,
        int cameraEvery,
        List<SavedView> views) {

    private static final double USUAL_PITCH = 8;

    public static final int LONGEST_HOLD = 24;

    /** @throws IllegalArgumentException when a hold is not 1 to 24 frames, or the start before the animation's */
    public Staging {
        if (every < 1 || every > LONGEST_HOLD || cameraEvery < 1 || cameraEvery > LONGEST_HOLD) {
            throw new IllegalArgumentException("A pose is held for 1 to 24 frames.");
        }
        if (!(fromSeconds >= 0 && fromSeconds < 1e6)) {
            throw new IllegalArgumentException("An animation is played from 0 s or later.");
        }
        keys = keys.stream().sorted(Comparator.comparingInt(CameraKey::frame)).toList();
        views = List.copyOf(views);
    }

    /** Seen from the front, a little from the side and from above, with four views round it and those of its own cameras; its first animation plays. */
    public static Staging of(Figure figure, PictureSize size) {
        Bounds bounds = figure.reach();
        double aspect = (double) size.width() / size.height();
        Lens lens = new Lens(50);
        Orbit front = Orbit.round(bounds, 0, USUAL_PITCH, lens, aspect);
        for (double yaw : new double[] {40, 90}) {
            double distance =
                    Orbit.round(bounds, yaw, USUAL_PITCH, lens, aspect).distance();
            front = front.withDistance(Math.max(front.distance(), distance));
        }
        String motion =
                figure.model().motions().stream().findFirst().map(Motion::name).orElse("");
        return new Staging(
                Dress.USUAL,
                motion,
                Optional.empty(),
                0,
                1,
                false,
                false,
                front.withYaw(30),
                List.of(),
                1,
                usualViews(figure, front));
    }

    /** Four round the model, and those of its own cameras. */
    private static List<SavedView> usualViews(Figure figure, Orbit front) {
        List<SavedView> views = new ArrayList<>(List.of(
                new SavedView("Front", front),
                new SavedView("Three-quarter", front.withYaw(40)),
                new SavedView("Side", front.withYaw(90)),
                new SavedView("Back", front.withYaw(180))));
        for (int node : figure.model().cameras()) {
            Node camera = figure.model().nodes().get(node);
            Matrix4 place = figure.rest().place(node);
            double away =
                    place.point(Point3.ZERO).minus(figure.reach().middle()).length();
            views.add(
                    new SavedView(camera.name(), Orbit.of(place, camera.camera().orElseThrow(), Math.max(away, 1e-3))));
        }
        return views;
    }

    /** Where the camera stands on a frame. */
    public Orbit cameraAt(int frame) {
        if (keys.isEmpty()) {
            return view;
        }
        int held = held(frame, cameraEvery);
        CameraKey before = keys.get(0);
        for (CameraKey key : keys) {
            if (key.frame() > held) {
                return held < keys.get(0).frame() ? before.orbit() : between(before, key, held);
            }
            before = key;
        }
        return before.orbit();
    }

    private static Orbit between(CameraKey before, CameraKey after, int frame) {
        double share = (double) (frame - before.frame()) / (after.frame() - before.frame());
        return switch (before.move()) {
            case CUT -> before.orbit();
            case EVEN -> before.orbit().towards(after.orbit(), share);
            case EASED -> before.orbit().towards(after.orbit(), share * share * (3 - 2 * share));
        };
    }

    /** The frame whose pose a frame shows. */
    public int poseFrame(int frame) {
        return held(frame, every);
    }

    private static int held(int frame, int every) {
        return frame - Math.floorMod(frame, every);
    }

    /**
     * The pose and camera of a frame; with an animation that the figure has not it is at rest.
     *
     * @param figure with the borrowed animation, if one is borrowed: {@link Borrowed#on}
     * @param seconds of the footage, since it started, on {@link #poseFrame}
     */
    public StagedPicture at(Figure figure, int frame, double seconds, PictureSize size) {
        String plays = borrowed.map(Borrowed::name).orElse(motion);
        Optional<Motion> moves = figure.model().motion(plays);
        double time = moves.isEmpty() ? 0 : timeIn(moves.get(), fromSeconds + seconds);
        return new StagedPicture(
                zUp ? figure.raised() : figure, moves.isEmpty() ? "" : plays, time, cameraAt(frame), dress, size);
    }

    private double timeIn(Motion moves, double time) {
        double length = moves.seconds();
        return loops && length > 0 ? time - Math.floor(time / length) * length : Math.max(0, Math.min(length, time));
    }

    public Optional<CameraKey> keyAt(int frame) {
        return keys.stream().filter(key -> key.frame() == frame).findFirst();
    }

    /** Seen from elsewhere on a frame: with keys, one is set there; without, from everywhere. */
    public Staging seenFrom(int frame, Orbit orbit) {
        if (keys.isEmpty()) {
            return withView(orbit);
        }
        int held = held(frame, cameraEvery);
        return withKey(
                keyAt(held).orElse(new CameraKey(held, orbit, moveAt(held))).withOrbit(orbit));
    }

    /** How the camera goes on from a frame; eased before the first key. */
    public CameraKey.Move moveAt(int frame) {
        return keys.stream()
                .filter(key -> key.frame() <= frame)
                .reduce((before, after) -> after)
                .map(CameraKey::move)
                .orElse(CameraKey.Move.EASED);
    }

    /** With a key in the place of the one on the same frame, if any. */
    public Staging withKey(CameraKey key) {
        return withKeys(Stream.concat(keys.stream().filter(other -> other.frame() != key.frame()), Stream.of(key))
                .toList());
    }

    /** Without the camera's key on a frame; where the last one stood the camera stays. */
    public Staging withoutKey(int frame) {
        List<CameraKey> left = keys.stream().filter(key -> key.frame() != frame).toList();
        return (left.isEmpty() ? withView(cameraAt(frame)) : this).withKeys(left);
    }

    /** With the camera's keys on other frames; of two that come onto one the later stays. */
    public Staging moved(IntUnaryOperator frame) {
        TreeMap<Integer, CameraKey> moved = new TreeMap<>();
        for (CameraKey key : keys) {
            int to = frame.applyAsInt(key.frame());
            moved.put(to, key.withFrame(to));
        }
        return withKeys(List.copyOf(moved.values()));
    }

    public Staging withDress(Dress other) {
        return new Staging(other, motion, borrowed, fromSeconds, every, loops, zUp, view, keys, cameraEvery, views);
    }

    /** With an animation of its own; none is borrowed any more. */
    public Staging withMotion(String name) {
        return new Staging(
                dress, name, Optional.empty(), fromSeconds, every, loops, zUp, view, keys, cameraEvery, views);
    }

    /** With the animation of another model. */
    public Staging withBorrowed(Borrowed other) {
        return new Staging(
                dress, "", Optional.of(other), fromSeconds, every, loops, zUp, view, keys, cameraEvery, views);
    }

    public Staging withFromSeconds(double seconds) {
        return new Staging(dress, motion, borrowed, seconds, every, loops, zUp, view, keys, cameraEvery, views);
    }

    public Staging withEvery(int frames) {
        return new Staging(dress, motion, borrowed, fromSeconds, frames, loops, zUp, view, keys, cameraEvery, views);
    }

    public Staging withZUp(boolean lying) {
        return new Staging(dress, motion, borrowed, fromSeconds, every, loops, lying, view, keys, cameraEvery, views);
    }

    public Staging withLoops(boolean again) {
        return new Staging(dress, motion, borrowed, fromSeconds, every, again, zUp, view, keys, cameraEvery, views);
    }

    public Staging withView(Orbit orbit) {
        return new Staging(dress, motion, borrowed, fromSeconds, every, loops, zUp, orbit, keys, cameraEvery, views);
    }

    public Staging withKeys(List<CameraKey> others) {
        return new Staging(dress, motion, borrowed, fromSeconds, every, loops, zUp, view, others, cameraEvery, views);
    }

    public Staging withCameraEvery(int frames) {
        return new Staging(dress, motion, borrowed, fromSeconds, every, loops, zUp, view, keys, frames, views);
    }

    public Staging withViews(List<SavedView> others) {
        return new Staging(dress, motion, borrowed, fromSeconds, every, loops, zUp, view, keys, cameraEvery, others);
    }
}
