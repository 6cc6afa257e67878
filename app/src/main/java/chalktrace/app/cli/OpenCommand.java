package chalktrace.app.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;

@Command(name = "open", description = "Open the window with a shot, or with an empty one.")
final class OpenCommand implements Callable<Integer> {

    @Parameters(paramLabel = "SHOT.chalk", arity = "0..1")
    Path shot;

    @Mixin
    WindowOptions options;

    @ParentCommand
    ChalkCommand chalk;

    @Override
    public Integer call() throws Exception {
        return chalk.opener().open(shot, false, options);
    }
}
