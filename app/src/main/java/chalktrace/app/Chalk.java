package chalktrace.app;

import chalktrace.app.cli.ChalkCommand;
import chalktrace.app.state.ProgramLog;
import chalktrace.app.window.ChalkApplication;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;

/** Where the program starts. It is no {@code Application} itself, so that it starts from a plain class path. */
public final class Chalk {

    private Chalk() {}

    public static void main(String[] arguments) {
        ProgramLog.start();
        PrintWriter out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
        PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
        System.exit(ChalkCommand.run(out, err, ChalkApplication::open, arguments));
    }
}
