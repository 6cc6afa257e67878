package chalktrace.media.export;

import chalktrace.core.shot.Shot;
import chalktrace.media.Progress;
import chalktrace.media.UnwritableException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** The exposure sheet: a table where the name ends so, else pages to print. */
final class SheetExporter implements Exporter {

    @Override
    public String id() {
        return "sheet";
    }

    @Override
    public String title() {
        return "Exposure sheet (PDF, CSV)";
    }

    @Override
    public List<String> endings() {
        return List.of(".pdf", ".csv");
    }

    @Override
    public List<Choice<?>> choices() {
        return List.of();
    }

    @Override
    public Outcome write(Shot shot, Path target, Choices choices, Progress progress) throws UnwritableException {
        boolean table = target.toString().toLowerCase(Locale.ROOT).endsWith(".csv");
        SheetFiles.write(target, table ? SheetFiles.csv(shot) : SheetFiles.pdf(shot));
        return new Outcome(true, shot.setup().length(), List.of());
    }
}
