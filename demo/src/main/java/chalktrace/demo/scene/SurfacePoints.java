package chalktrace.demo.scene;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Where points of the scene's surfaces are seen on each frame of the clip, computed from the camera and the bodies that it was rendered from: what a followed
 * point is measured against. Places are parts of the picture, 0 to 1 from its upper left corner.
 */
public final class SurfacePoints {

    /** So far from the surface, in metres, a place is on it. */
    private static final double ON_SURFACE = 0.002;

    private static final double NEAREST = 0.5;
    private static final double FARTHEST = 5;
    private static final int STEPS = 200;

    /** Light and shadow on a place that is called steady change by no more than this share. */
    private static final double STEADY = 0.08;

    /** Steadiness is looked at on every so many frames. */
    private static final int LOOKED_AT = 4;

    /** What does not change its shape: what rests, the head, the kettle. */
    private static final List<Body> BODIES = List.of((pose, x, y, z) -> new Vec(x, y, z), Pose::onHead, Pose::onKettle);

    private final Performance performance;
    private final double aspect;

    /** A body by the places of its own axes. */
    private interface Body {
        Vec at(Pose pose, double x, double y, double z);

        default Vec at(Pose pose, Vec own) {
            return at(pose, own.x(), own.y(), own.z());
        }

        default Vec own(Pose pose, Vec place) {
            Vec origin = at(pose, 0, 0, 0);
            Vec from = place.minus(origin);
            return new Vec(
                    from.dot(at(pose, 1, 0, 0).minus(origin)),
                    from.dot(at(pose, 0, 1, 0).minus(origin)),
                    from.dot(at(pose, 0, 0, 1).minus(origin)));
        }
    }

    /** @param aspect of the picture, its width over its height */
    public SurfacePoints(Performance performance, double aspect) {
        this.performance = performance;
        this.aspect = aspect;
    }

    /**
     * The way of what is seen at a place of a frame.
     *
     * @return a place for each frame from the first on; empty where it belongs to no body, or is not seen on all of them
     */
    public Optional<List<double[]>> path(double x, double y, int first, int frames) {
        return BODIES.stream()
                .flatMap(body -> path(body, x, y, first, frames, 1).stream())
                .findFirst();
    }

    /**
     * Whether all around a place is one body, seen on all frames in the same light: no edge, shadow or gleam passes over it, which a follower could take for it.
     *
     * @param reach to each side, in parts of the picture's height
     */
    public boolean isSteady(double x, double y, double reach, int first, int frames) {
        return BODIES.stream().anyMatch(body -> {
            for (int i = 0; i < 9; i++) {
                double aroundX = x + (i % 3 - 1) * reach / aspect;
                double aroundY = y + (i / 3 - 1) * reach;
                Optional<List<double[]>> path = path(body, aroundX, aroundY, first, frames, LOOKED_AT);
                if (path.isEmpty() || !keepsItsLight(path.get(), first)) {
                    return false;
                }
            }
            return true;
        });
    }

    private boolean keepsItsLight(List<double[]> path, int first) {
        double least = Double.MAX_VALUE;
        double most = 0;
        for (int i = 0; i < path.size(); i++) {
            int frame = first + i * LOOKED_AT;
            double light = Renderer.light(performance, frame, aspect, path.get(i)[0], path.get(i)[1]);
            least = Math.min(least, light);
            most = Math.max(most, light);
        }
        return most - least <= STEADY * most;
    }

    private Optional<List<double[]>> path(Body body, double x, double y, int first, int frames, int every) {
        Pose start = performance.at(first);
        Optional<Vec> own =
                hit(new Bodies(start), new Camera(first, aspect), x, y).map(place -> body.own(start, place));
        List<double[]> out = new ArrayList<>();
        for (int frame = first; frame < first + frames; frame += every) {
            Pose pose = performance.at(frame);
            Bodies bodies = new Bodies(pose);
            Camera camera = new Camera(frame, aspect);
            Optional<double[]> seen = own.map(at -> body.at(pose, at)).flatMap(place -> seen(bodies, camera, place));
            if (seen.isEmpty()) {
                return Optional.empty();
            }
            out.add(seen.get());
        }
        return Optional.of(out);
    }

    /** Empty where there is no surface, or something lies before it. */
    private static Optional<double[]> seen(Bodies bodies, Camera camera, Vec place) {
        double[] seen = camera.seen(place);
        return Math.abs(bodies.distance(place.x(), place.y(), place.z())) < ON_SURFACE
                        && hit(bodies, camera, seen[0], seen[1])
                                .filter(at -> at.minus(place).length() < 4 * ON_SURFACE)
                                .isPresent()
                ? Optional.of(seen)
                : Optional.empty();
    }

    /** Where a ray of the camera meets a body. */
    private static Optional<Vec> hit(Bodies bodies, Camera camera, double x, double y) {
        Vec ray = camera.ray(x, y);
        double along = NEAREST;
        for (int i = 0; i < STEPS && along < FARTHEST; i++) {
            Vec at = camera.place().plus(ray.times(along));
            double d = bodies.distance(at.x(), at.y(), at.z());
            if (d < ON_SURFACE / 4) {
                return Optional.of(at);
            }
            along += 0.9 * d;
        }
        return Optional.empty();
    }
}
