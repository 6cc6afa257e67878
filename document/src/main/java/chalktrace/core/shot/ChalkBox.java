package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;
import java.util.List;

/** The chalks that a new shot starts with. */
public final class ChalkBox {

    private ChalkBox() {}

    /** Six chalks; the first, a clear yellow, shows over most footage. */
    public static List<Chalk> standard() {
        return List.of(
                chalk(1, "yellow", 0xF2D13C, 5),
                chalk(2, "brick", 0xD2543A, 5),
                chalk(3, "lagoon", 0x2AA7A0, 5),
                chalk(4, "soot", 0x22262B, 4),
                chalk(5, "slate", 0x4A6C9B, 4),
                chalk(6, "lime wash", 0xFBF8EF, 8));
    }

    private static Chalk chalk(int number, String name, int rgb, double width) {
        return new Chalk("chalk-" + number, name, Rgb.of(rgb), width, 1);
    }
}
