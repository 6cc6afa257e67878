package chalktrace.core.space;

import java.util.List;

/** An animation of a model. */
public record Motion(String name, List<Channel> channels) {

    public Motion {
        channels = List.copyOf(channels);
    }

    /** When its last key is. */
    public double seconds() {
        return channels.stream()
                .mapToDouble(c -> c.seconds()[c.seconds().length - 1])
                .max()
                .orElse(0);
    }
}
