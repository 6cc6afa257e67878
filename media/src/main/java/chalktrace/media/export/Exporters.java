package chalktrace.media.export;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The ways to hand a shot on, in the order in which they are offered. */
public final class Exporters {

    private static final List<Exporter> ALL = List.of(
            MovieExporter.MP4,
            MovieExporter.PRORES,
            MovieExporter.WEBM,
            MovieExporter.LOSSLESS,
            new PicturesExporter(),
            new StillExporter(),
            new AnimatedPngExporter(),
            MovieExporter.ANIMATED_WEBP,
            new SheetExporter());

    private Exporters() {}

    public static List<Exporter> all() {
        return ALL;
    }

    /** The one of an id. */
    public static Optional<Exporter> byId(String id) {
        return ALL.stream().filter(exporter -> exporter.id().equals(id)).findFirst();
    }

    /** The one that writes files of a name's ending; for a name without a known ending none. @param frames how many are written */
    public static Optional<Exporter> forFile(String name, int frames) {
        String lower = name.toLowerCase(Locale.ROOT);
        return ALL.stream()
                .filter(exporter -> exporter.endings().stream().anyMatch(lower::endsWith))
                .filter(exporter -> exporter.isMeantBy(frames))
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
