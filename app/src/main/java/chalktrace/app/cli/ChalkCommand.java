package chalktrace.app.cli;

import java.io.PrintWriter;
import java.util.concurrent.Callable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.ScopeType;

/** The command line: one piece of the work without the window. Errors are one line on standard error. */
@Command(
        name = "chalk",
        description = "Chalk Trace: draw over moving reference, frame by frame. Without a command it opens the window.",
        mixinStandardHelpOptions = true,
        scope = ScopeType.INHERIT,
        version = "Chalk Trace 0.1.0",
        subcommands = {
            OpenCommand.class,
            DemoCommand.class,
            InfoCommand.class,
            FrameCommand.class,
            PreviewCommand.class,
            TrackCommand.class,
            StudyCommand.class,
            ConformCommand.class,
            NewCommand.class,
            ShotCommand.class,
            ExportCommand.class,
            SheetCommand.class,
            TimeCommand.class,
            AlignCommand.class,
            OnsetsCommand.class,
            MouthsCommand.class,
            SyncCommand.class,
            CheckCommand.class,
            VersionsCommand.class,
            CheckFileCommand.class,
            CommandLine.HelpCommand.class
        })
public final class ChalkCommand implements Callable<Integer> {

    private static final int BAD_INPUT = 1;
    private static final int BAD_USAGE = 2;

    private final WindowOptions.Opener opener;

    private ChalkCommand(WindowOptions.Opener opener) {
        this.opener = opener;
    }

    WindowOptions.Opener opener() {
        return opener;
    }

    @Override
    public Integer call() throws Exception {
        return opener.open(null, false, new WindowOptions());
    }

    /** Runs one command. @return the exit code: 0, 1 for bad input, 2 for bad usage, 3 when a check has found something */
    public static int run(PrintWriter out, PrintWriter err, WindowOptions.Opener opener, String... arguments) {
        CommandLine line = new CommandLine(new ChalkCommand(opener));
        ExportCommand.declare(line);
        line.setOut(out);
        line.setErr(err);
        line.setCaseInsensitiveEnumValuesAllowed(true);
        line.setParameterExceptionHandler((bad, given) -> {
            err.println("chalk: " + oneLine(bad) + " See chalk "
                    + (bad.getCommandLine().getParent() == null
                            ? "--help."
                            : bad.getCommandLine()
                                            .getCommandSpec()
                                            .qualifiedName()
                                            .replaceFirst("^chalk ", "") + " --help."));
            return BAD_USAGE;
        });
        line.setExecutionExceptionHandler((failure, command, parsed) -> {
            err.println("chalk: " + oneLine(failure));
            return BAD_INPUT;
        });
        try {
            return line.execute(arguments);
        } catch (OutOfMemoryError e) {
            err.println("chalk: there is not enough memory for this. Use smaller pictures or a shorter shot.");
            return BAD_INPUT;
        }
    }

    /** The words of a failure, without what only wraps it. */
    private static String oneLine(Exception failure) {
        Throwable said = failure;
        while (said instanceof RuntimeException && said.getCause() != null) {
            said = said.getCause();
        }
        String message = said.getMessage() == null ? said.toString() : said.getMessage();
        String line = message.replaceAll("\\s+", " ").strip();
        return line.endsWith(".") || line.endsWith("?") ? line : line + ".";
    }
}
