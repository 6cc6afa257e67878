package chalktrace.media.export;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The ways to hand a shot on, in the order in which they are offered. */
public final class Exporters {

    private static final List<Exporter> ALL =
            List.of(new MovieExporter(), new PicturesExporter(), new AnimatedPngExporter(), new SheetExporter());

    private Exporters() {}

    public static List<Exporter> all() {
        return ALL;
    }

    /** The one that writes files of a name's ending; for a name without a known ending none. */
    public static Optional<Exporter> forFile(String name) {
        String lower = name.toLowerCase(Locale.ROOT);
        return ALL.stream()
                .filter(exporter -> exporter.endings().stream().anyMatch(lower::endsWith))
                .findFirst();
    }

    /** The one that writes into a folder. */
    public static Exporter forFolder() {
        return ALL.stream()
                .filter(exporter -> exporter.endings().isEmpty())
                .findFirst()
                .orElseThrow();
    }
}
