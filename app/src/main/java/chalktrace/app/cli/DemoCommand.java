package chalktrace.app.cli;

import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.ParentCommand;

@Command(name = "demo", description = "Open the window with a copy of the demo shot.")
final class DemoCommand implements Callable<Integer> {

    @Mixin
    WindowOptions options;

    @ParentCommand
    ChalkCommand chalk;

    @Override
    public Integer call() throws Exception {
        return chalk.opener().open(null, true, options);
    }
}
