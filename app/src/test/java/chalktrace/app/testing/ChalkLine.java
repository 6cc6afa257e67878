package chalktrace.app.testing;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.cli.ChalkCommand;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.Arrays;

/** Runs commands of the command line and keeps what they print. */
public final class ChalkLine {

    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    /** @return the exit code */
    public int run(Object... arguments) {
        out.getBuffer().setLength(0);
        err.getBuffer().setLength(0);
        return ChalkCommand.run(
                new PrintWriter(out, true),
                new PrintWriter(err, true),
                (shot, demo, options) -> 0,
                Arrays.stream(arguments).map(Object::toString).toArray(String[]::new));
    }

    /** What a command that has to succeed prints as JSON. */
    public JsonNode json(Object... arguments) throws Exception {
        assertThat(run(arguments)).as(err.toString()).isZero();
        return new ObjectMapper().readTree(out.toString());
    }

    public String out() {
        return out.toString();
    }

    public String err() {
        return err.toString();
    }
}
