package chalktrace.core.space;

/**
 * A place on a model's surface that moves with it.
 *
 * @param triangle counted over all meshes
 * @param alongB how far from its first corner towards its second, 0 to 1
 * @param alongC how far towards its third
 */
public record SurfacePoint(int triangle, double alongB, double alongC) {}
