package chalktrace.core.shot;

import java.util.List;

/** By which something leans on something else in the shot. @param in the parts one of which holds it */
public record Reference(String id, List<ShotPart<?>> in) {

    public static Reference to(String id, ShotPart<?>... in) {
        return new Reference(id, List.of(in));
    }

    boolean holds(PartValues shot) {
        return in.stream().anyMatch(part -> shot.has(part, id));
    }
}
