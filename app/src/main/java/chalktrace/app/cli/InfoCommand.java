package chalktrace.app.cli;

import chalktrace.core.shot.Shot;
import chalktrace.media.UnreadableException;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.MediaFacts;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "info", description = "Say what a video, sound, picture, run of pictures or shot is.")
final class InfoCommand implements Callable<Integer> {

    @Parameters(paramLabel = "FILE", description = "The file, or any one picture of a run, or its folder.")
    Path file;

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
        MediaFacts facts = facts(file);
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
        answer.print(text.toString(), document);
    }

    private static MediaFacts facts(Path file) throws UnreadableException {
        return MediaFacts.of(file);
    }
}
