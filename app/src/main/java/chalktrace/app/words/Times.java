package chalktrace.app.words;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;

/** Times as the person's clock shows them. */
public final class Times {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofLocalizedDateTime(
                    FormatStyle.MEDIUM, FormatStyle.SHORT)
            .withZone(ZoneId.systemDefault());

    private static final DateTimeFormatter EXACT =
            DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM).withZone(ZoneId.systemDefault());

    private Times() {}

    public static String of(Instant time) {
        return TIME.format(time);
    }

    /** With seconds, where several lie in one minute. */
    public static String exact(Instant time) {
        return EXACT.format(time);
    }
}
