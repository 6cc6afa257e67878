package chalktrace.app.cli;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.timing.OntoTwos;
import chalktrace.core.edit.timing.TimingEdits;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import chalktrace.media.UnreadableException;
import chalktrace.media.file.ShotFile;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(name = "time", description = "Change when the drawings of a shot are seen. Frames are counted from 0.")
final class TimeCommand implements Callable<Integer> {

    /** What is done, one of these. */
    static final class What {
        @Option(names = "--onto-twos", required = true, description = "Move marks onto twos, drawings along with them.")
        boolean ontoTwos;

        @Option(
                names = "--missing",
                required = true,
                paramLabel = "N",
                description = "Say what drawings on every N frames lack.")
        Integer missing;

        @Option(names = "--reverse", required = true, paramLabel = "A-B", description = "Reverse a span.")
        String reverse;

        @Option(
                names = "--on-every",
                required = true,
                paramLabel = "N",
                description = "Keep what shows on every N-th frame, held.")
        Integer onEvery;

        @Option(names = "--stretch", required = true, paramLabel = "A-B:N", description = "Make a span N frames long.")
        String stretch;
    }

    @Parameters(paramLabel = "SHOT.chalk")
    Path file;

    @Option(names = "--references", description = "With --onto-twos: stretch references along.")
    boolean references;

    @ArgGroup(multiplicity = "1")
    What what;

    @Option(names = "--level", paramLabel = "NAME", description = "One level only, by its name or id.")
    String level;

    @Option(names = "--dry-run", description = "Say what would be done, and leave the file as it is.")
    boolean dryRun;

    @Mixin
    Answer answer;

    @Spec
    CommandSpec command;

    @Override
    public Integer call() throws Exception {
        ShotFile.Opened opened = ShotFile.open(file);
        Shot shot = opened.shot();
        ObjectNode document = Answer.object().put("file", file.toString()).put("dryRun", dryRun);
        StringBuilder text = new StringBuilder();
        try {
            Edit edit = edit(shot, document, text);
            Shot changed = edit.change().apply(shot);
            document.put("changed", !changed.equals(shot));
            if (!dryRun && !changed.equals(shot)) {
                ChangedShot.save(opened, changed, file);
            }
        } catch (IllegalArgumentException e) {
            throw UnreadableException.of(file, "can't be timed so: " + e.getMessage(), "The file is as it was.");
        }
        answer.print(text.toString(), document);
        return 0;
    }

    private Edit edit(Shot shot, ObjectNode document, StringBuilder text) {
        List<String> levels = levels(shot);
        FrameRange all = FrameRange.of(0, shot.setup().length());
        if (what.ontoTwos) {
            List<OntoTwos.Move> moves = OntoTwos.proposal(shot, 2);
            ArrayNode list = document.putArray("moves");
            for (OntoTwos.Move move : moves) {
                list.addObject().put("from", move.from()).put("to", move.to());
                if (move.from() != move.to()) {
                    text.append("mark ")
                            .append(move.from())
                            .append(" to ")
                            .append(move.to())
                            .append('\n');
                }
            }
            return OntoTwos.apply(moves, references);
        }
        if (what.missing != null) {
            ArrayNode list = document.putArray("missing");
            for (String id : levels) {
                Level one = shot.level(id).orElseThrow();
                List<Integer> starts = one.exposures().runs().stream()
                        .filter(run -> !run.isBlank())
                        .map(run -> run.start())
                        .toList();
                for (int frame : OntoTwos.missing(starts, Math.max(1, what.missing))) {
                    list.addObject().put("level", id).put("frame", frame);
                    text.append(one.name()).append(": ").append(frame).append('\n');
                }
            }
            return new Edit("nothing", before -> before);
        }
        if (what.onEvery != null) {
            text.append("on every ").append(what.onEvery);
            return TimingEdits.onEvery(levels, all, what.onEvery);
        }
        if (what.reverse != null) {
            text.append("reversed ").append(what.reverse);
            return TimingEdits.reverse(levels, span(what.reverse));
        }
        int colon = what.stretch.indexOf(':');
        if (colon < 0) {
            throw wrong(what.stretch);
        }
        text.append("stretched ").append(what.stretch);
        return TimingEdits.stretch(
                levels, span(what.stretch.substring(0, colon)), number(what.stretch.substring(colon + 1)));
    }

    private List<String> levels(Shot shot) {
        List<String> chosen = shot.levels().stream()
                .filter(one ->
                        level == null || one.id().equals(level) || one.name().equals(level))
                .map(Level::id)
                .toList();
        if (chosen.isEmpty()) {
            throw new IllegalArgumentException("it has no level \"" + level + "\".");
        }
        return chosen;
    }

    private FrameRange span(String text) {
        String[] ends = text.split("-", -1);
        if (ends.length != 2 || number(ends[1]) < number(ends[0])) {
            throw wrong(text);
        }
        return new FrameRange(number(ends[0]), number(ends[1]) + 1);
    }

    private int number(String text) {
        if (!text.matches("[0-9]{1,7}")) {
            throw wrong(text);
        }
        return Integer.parseInt(text);
    }

    private ParameterException wrong(String text) {
        return new ParameterException(
                command.commandLine(),
                "\"" + text + "\" is no span: write A-B, or A-B:N for a stretch, frames from 0.");
    }
}
