package chalktrace.app.window;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;

/** Times as the person's clock shows them. */
final class Times {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofLocalizedDateTime(
                    FormatStyle.MEDIUM, FormatStyle.SHORT)
            .withZone(ZoneId.systemDefault());

    private Times() {}

    static String of(Instant time) {
        return TIME.format(time);
    }
}
