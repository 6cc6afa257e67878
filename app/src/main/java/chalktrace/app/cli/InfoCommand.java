package chalktrace.app.cli;

import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.shot.Shot;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Model;
import chalktrace.core.space.Motion;
import chalktrace.core.space.Point3;
import chalktrace.media.UnreadableException;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.MediaFacts;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "info", description = "Say what a video, sound, picture, run of pictures, model or shot is.")
final class InfoCommand implements Callable<Integer> {

    @Parameters(paramLabel = "FILE", description = "The file, or any one picture of a run, or its folder.")
    Path file;

    @Option(
            names = "--check",
            description = "Also decode each picture, and name those that are missing or may look wrong.")
    boolean check;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        if (file.toString().toLowerCase(Locale.ROOT).endsWith(ShotFile.ENDING)) {
            shot();
        } else {
            media();
        }
        return 0;
    }

    private void shot() throws Exception {
        Shot shot = ShotFile.open(file).shot();
        ObjectNode document = Answer.object()
                .put("kind", "shot")
                .put("name", shot.name())
                .put("width", shot.setup().size().width())
                .put("height", shot.setup().size().height())
                .put("frames", shot.setup().length())
                .put("rate", shot.setup().rate().asText())
                .put("seconds", shot.setup().seconds())
                .put("levels", shot.levels().size())
                .put(
                        "drawings",
                        shot.levels().stream()
                                .mapToInt(level -> level.drawings().size())
                                .sum())
                .put("footage", shot.footage().size())
                .put("sounds", shot.sounds().size())
                .put("words", shot.words().size())
                .put("cues", shot.cues().size());
        answer.print(
                String.format(
                        Locale.ROOT,
                        "shot \"%s\": %s, %d frames at %s a second (%.3f s), %d levels with %d drawings",
                        shot.name(),
                        shot.setup().size(),
                        shot.setup().length(),
                        shot.setup().rate().spoken(),
                        shot.setup().seconds(),
                        document.get("levels").asInt(),
                        document.get("drawings").asInt()),
                document);
    }

    private void media() throws Exception {
        MediaFacts facts = MediaFacts.of(file);
        if (facts.model().isPresent()) {
            model(facts.model().get());
            return;
        }
        ObjectNode document = Answer.object().put("kind", facts.kind());
        StringBuilder text = new StringBuilder(facts.kind());
        facts.pictures().ifPresent(pictures -> {
            document.put("width", pictures.size().width())
                    .put("height", pictures.size().height())
                    .put("frames", pictures.count())
                    .put("rate", pictures.rate().asText())
                    .put("seconds", pictures.seconds());
            text.append(String.format(
                    Locale.ROOT,
                    ": %s, %d pictures at %s a second (%.3f s)",
                    pictures.size(),
                    pictures.count(),
                    pictures.rate().spoken(),
                    pictures.seconds()));
        });
        facts.sound()
                .ifPresentOrElse(
                        sound -> {
                            if (facts.pictures().isEmpty()) {
                                document.put("seconds", sound.seconds());
                            }
                            document.putObject("sound")
                                    .put("sampleRate", sound.sampleRate())
                                    .put("channels", sound.channels())
                                    .put("seconds", sound.seconds());
                            text.append(String.format(
                                    Locale.ROOT,
                                    "%s sound of %d Hz, %d channel%s (%.3f s)",
                                    facts.pictures().isEmpty() ? ":" : ",",
                                    sound.sampleRate(),
                                    sound.channels(),
                                    sound.channels() == 1 ? "" : "s",
                                    sound.seconds()));
                        },
                        () -> document.putNull("sound"));
        ArrayNode notes = document.putArray("notes");
        for (String note : facts.notes()) {
            notes.add(note);
            text.append(System.lineSeparator()).append("note: ").append(note);
        }
        if (check && facts.pictures().isPresent()) {
            check(document.putArray("doubts"), text);
        }
        answer.print(text.toString(), document);
    }

    private void check(ArrayNode doubts, StringBuilder text) throws UnreadableException {
        try (Reference reference = References.open(file)) {
            for (int n = 0; n < reference.times().count(); n++) {
                Optional<String> doubt;
                try {
                    reference.picture(n);
                    doubt = reference.doubt(n);
                } catch (PictureUnavailableException e) {
                    doubt = Optional.of(e.getMessage());
                }
                int picture = n;
                doubt.ifPresent(why -> {
                    doubts.addObject().put("picture", picture).put("reason", why);
                    text.append(System.lineSeparator()).append("doubtful: ").append(why);
                });
            }
        }
    }

    private void model(Figure figure) throws JsonProcessingException {
        Model model = figure.model();
        Point3 size = figure.bounds().size();
        ObjectNode document = Answer.object()
                .put("kind", "model")
                .put("triangles", model.triangles())
                .put("vertices", model.vertices())
                .put("joints", model.joints().size())
                .put("cameras", model.cameras().size());
        ArrayNode animations = document.putArray("animations");
        StringBuilder text = new StringBuilder(String.format(
                Locale.ROOT,
                "model: %d triangles, %d vertices, %d joints, %.4g x %.4g x %.4g %s",
                model.triangles(),
                model.vertices(),
                model.joints().size(),
                size.x(),
                size.y(),
                size.z(),
                model.unit().isEmpty() ? "(no unit stated)" : model.unit()));
        for (Motion motion : model.motions()) {
            animations.addObject().put("name", motion.name()).put("seconds", motion.seconds());
            text.append(String.format(Locale.ROOT, "%nanimation \"%s\": %.3f s", motion.name(), motion.seconds()));
        }
        document.putArray("size").add(size.x()).add(size.y()).add(size.z());
        document.put("unit", model.unit()).put("up", "y");
        ArrayNode notes = document.putArray("notes");
        for (String note : model.notes()) {
            notes.add(note);
            text.append(System.lineSeparator()).append("note: ").append(note);
        }
        answer.print(text.toString(), document);
    }
}
