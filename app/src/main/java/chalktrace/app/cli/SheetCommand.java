package chalktrace.app.cli;

import chalktrace.core.shot.Shot;
import chalktrace.media.export.SheetFiles;
import chalktrace.media.file.ShotFile;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "sheet", description = "Write the exposure sheet of a shot.")
final class SheetCommand implements Callable<Integer> {

    /** What is written, one of these. */
    static final class Kinds {
        @Option(names = "--csv", required = true, description = "A table, as of RFC 4180.")
        boolean csv;

        @Option(names = "--json", required = true, description = "One JSON document, frames from 0.")
        boolean json;

        @Option(names = "--pdf", required = true, description = "Pages to print.")
        boolean pdf;
    }

    @Parameters(paramLabel = "SHOT.chalk", index = "0")
    Path shot;

    @ArgGroup(multiplicity = "1")
    Kinds kind;

    @Parameters(paramLabel = "OUT", index = "1")
    Path target;

    @Override
    public Integer call() throws Exception {
        Shot read = ShotFile.open(shot).shot();
        byte[] bytes = kind.csv
                ? SheetFiles.csv(read)
                : kind.pdf
                        ? SheetFiles.pdf(read)
                        : new ObjectMapper().writerWithDefaultPrettyPrinter().writeValueAsBytes(SheetFiles.json(read));
        SheetFiles.write(target, bytes);
        return 0;
    }
}
