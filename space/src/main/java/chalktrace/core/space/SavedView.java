package chalktrace.core.space;

/** A view of a model that can be gone back to. */
public record SavedView(String name, Orbit orbit) {}
