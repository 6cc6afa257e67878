package chalktrace.app.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** What a command prints: text for people, or one JSON document with --json. */
final class Answer {

    @Option(names = "--json", description = "Print one JSON document instead of text.")
    boolean json;

    @Spec(Spec.Target.MIXEE)
    CommandSpec command;

    static ObjectNode object() {
        return JsonNodeFactory.instance.objectNode();
    }

    void print(String text, ObjectNode document) throws JsonProcessingException {
        PrintWriter out = command.commandLine().getOut();
        out.println(json ? new ObjectMapper().writerWithDefaultPrettyPrinter().writeValueAsString(document) : text);
        out.flush();
    }
}
