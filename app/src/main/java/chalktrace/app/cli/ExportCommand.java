package chalktrace.app.cli;

import chalktrace.core.shot.Shot;
import chalktrace.media.Progress;
import chalktrace.media.export.Choice;
import chalktrace.media.export.Choices;
import chalktrace.media.export.Chosen;
import chalktrace.media.export.Exporter;
import chalktrace.media.export.Exporters;
import chalktrace.media.export.ShotSources;
import chalktrace.media.file.ShotFile;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Its switches beside those here are the exporters' choices. */
@Command(
        name = "export",
        description =
                "Write a shot as a movie, a loop, a picture, its sheet, or numbered pictures (a folder): the name's ending says which.")
final class ExportCommand implements Callable<Integer> {

    @Parameters(paramLabel = "SHOT.chalk", index = "0", arity = "0..1")
    Path file;

    @Parameters(paramLabel = "OUT|OUTDIR/", index = "1", arity = "0..1")
    String target;

    @Option(names = "--as", paramLabel = "FORMAT", description = "The format, where the name's ending does not say it.")
    String as;

    @Option(names = "--transparent", description = "No paper: as --paper none.")
    boolean transparent;

    @Option(names = "--list", description = "Only list the formats and what can be chosen for each.")
    boolean list;

    @Mixin
    MediaAccess media;

    @Mixin
    Answer answer;

    @Spec
    CommandSpec spec;

    /** Adds the exporters' choices as switches. */
    static void declare(CommandLine line) {
        CommandSpec export = line.getSubcommands().get("export").getCommandSpec();
        for (Choice<?> choice : all().values()) {
            OptionSpec.Builder option = OptionSpec.builder(switchOf(choice))
                    .description(choice.help())
                    .type(String.class);
            export.addOption(
                    choice.isFlag()
                            ? option.type(boolean.class).build()
                            : option.arity("1").paramLabel(choice.form()).build());
        }
    }

    /** Those of all exporters, once by their ids; movies, whose bounds are narrower, come first. */
    private static Map<String, Choice<?>> all() {
        return Exporters.all().stream()
                .map(Exporter::choices)
                .flatMap(Collection::stream)
                .collect(
                        Collectors.toMap(Choice::id, choice -> choice, (narrower, wider) -> wider, LinkedHashMap::new));
    }

    private static String switchOf(Choice<?> choice) {
        return choice.usual().equals(true) && choice.isFlag() ? "--no-" + choice.id() : "--" + choice.id();
    }

    @Override
    public Integer call() throws Exception {
        if (list) {
            list();
            return 0;
        }
        if (file == null || target == null) {
            throw wrong("Say which shot and where to: chalk export SHOT.chalk OUT.mp4.");
        }
        Path out = Path.of(target);
        Optional<Exporter> named = named(out);
        Shot shot = ShotFile.open(file).shot();
        int frames = Chosen.frames(shot, said(List.of(Chosen.RANGE))).frames();
        Exporter exporter = named.isPresent() ? named.get() : byEnding(frames);
        Choices choices = chosen(exporter);
        media.require(file, ShotSources.files(shot, choices.get(Chosen.FOOTAGE)));
        Exporter.Outcome outcome = exporter.write(shot, out, choices, Progress.NONE);
        ObjectNode document = Answer.object().put("file", target).put("frames", outcome.frames());
        ArrayNode problems = document.putArray("problems");
        outcome.problems().forEach(problems::add);
        answer.print(
                outcome.frames() + " frames are in " + target
                        + outcome.problems().stream()
                                .map(problem -> System.lineSeparator() + "note: " + problem)
                                .reduce("", String::concat),
                document);
        return 0;
    }

    /** What was said of an exporter's choices; what it has not is refused. */
    private Choices chosen(Exporter exporter) {
        Map<String, Choice<?>> its =
                exporter.choices().stream().collect(Collectors.toMap(Choice::id, choice -> choice));
        all().values().stream()
                .filter(choice -> !its.containsKey(choice.id()) && value(choice).isPresent())
                .findFirst()
                .ifPresent(choice -> {
                    throw wrong(switchOf(choice) + " is nothing that " + exporter.id() + " has.");
                });
        if (transparent && !its.containsKey(Chosen.PAPER.id())) {
            throw wrong("--transparent is nothing that " + exporter.id() + " has.");
        }
        return said(exporter.choices());
    }

    private Choices said(Collection<Choice<?>> choices) {
        Choices all = Choices.USUAL;
        for (Choice<?> choice : choices) {
            Optional<String> text = value(choice);
            try {
                if (text.isPresent()) {
                    all = all.read(choice, text.get());
                }
            } catch (IllegalArgumentException e) {
                throw wrong(switchOf(choice) + ": " + e.getMessage());
            }
        }
        return all;
    }

    private Optional<String> value(Choice<?> choice) {
        if (transparent && choice.id().equals(Chosen.PAPER.id())) {
            return Optional.of("none");
        }
        Object value = spec.findOption(switchOf(choice)).getValue();
        if (choice.isFlag()) {
            return Boolean.TRUE.equals(value)
                    ? Optional.of(String.valueOf(!choice.usual().equals(true)))
                    : Optional.empty();
        }
        return Optional.ofNullable((String) value);
    }

    /** The one that was named, or a folder's; empty where the ending says it. */
    private Optional<Exporter> named(Path out) {
        if (as != null) {
            return Optional.of(Exporters.byId(as)
                    .orElseThrow(() -> wrong("There is no format \"" + as + "\": chalk export --list names them.")));
        }
        boolean folder = target.endsWith("/") || !out.getFileName().toString().contains(".");
        if (folder) {
            return Optional.of(Exporters.forFolder());
        }
        if (Exporters.forFile(target, 1).isEmpty()) {
            throw wrong("\"" + target + "\" is no folder and has none of the endings "
                    + Exporters.all().stream()
                            .flatMap(exporter -> exporter.endings().stream())
                            .collect(Collectors.joining(", "))
                    + ": write OUT.mp4 or OUTDIR/.");
        }
        return Optional.empty();
    }

    private Exporter byEnding(int frames) {
        return Exporters.forFile(target, frames)
                .orElseThrow(() -> wrong("\"" + target + "\" is one picture, and these are " + frames
                        + " frames: write a folder OUT/, a loop with --as apng, or one frame with --range."));
    }

    private void list() throws Exception {
        StringBuilder text = new StringBuilder();
        ObjectNode document = Answer.object();
        ArrayNode formats = document.putArray("formats");
        for (Exporter exporter : Exporters.all()) {
            ObjectNode format = formats.addObject().put("id", exporter.id()).put("title", exporter.title());
            exporter.endings().forEach(format.putArray("endings")::add);
            ArrayNode choices = format.putArray("choices");
            text.append(exporter.id()).append(": ").append(exporter.title()).append(System.lineSeparator());
            for (Choice<?> choice : exporter.choices()) {
                choices.addObject()
                        .put("switch", switchOf(choice))
                        .put("form", choice.form())
                        .put("help", choice.help());
                text.append("  ")
                        .append(switchOf(choice))
                        .append(choice.form().isEmpty() ? "" : " " + choice.form())
                        .append(": ")
                        .append(choice.help())
                        .append(System.lineSeparator());
            }
        }
        answer.print(text.toString().stripTrailing(), document);
    }

    private ParameterException wrong(String sentence) {
        return new ParameterException(answer.command.commandLine(), sentence);
    }
}
