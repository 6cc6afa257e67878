package chalktrace.demo;

import chalktrace.core.edit.speech.AlignEdits;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.Loudness;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.speech.Aligner;
import chalktrace.core.speech.Pronunciations;
import chalktrace.core.speech.ScriptText;
import chalktrace.demo.film.ClipMaker;
import chalktrace.demo.film.PoseSheet;
import chalktrace.demo.model.FigureModel;
import chalktrace.demo.model.FigureStaging;
import chalktrace.demo.scene.Performance;
import chalktrace.demo.traced.TracedShot;
import chalktrace.demo.traced.TrackedPoints;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import chalktrace.media.sound.SoundFiles;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Map;

/** Makes all demo material: clip, sheet of poses, line, table of its words, and the shot that is traced over them. */
public final class Remake {

    static final String CLIP = "kettle-clip.mp4";
    static final String POSES = "kettle-poses.png";
    static final String MODEL = "kettle-figure.glb";
    static final String LINE = "kettle-line.wav";
    static final String LINE_WORDS = "kettle-line-words.csv";
    static final String SHOT = "kettle" + ShotFile.ENDING;

    private Remake() {}

    /** @param arguments the folder to write to, and "--keep-clip" to film nothing anew */
    public static void main(String[] arguments) throws Exception {
        Path folder = Path.of(arguments[0]).toAbsolutePath();
        Files.createDirectories(folder);
        copy(SpokenLine.SOUND, folder.resolve(LINE));
        copy(SpokenLine.WORDS, folder.resolve(LINE_WORDS));
        Performance performance = new Performance(new SpokenLine(SoundFiles.read(folder.resolve(LINE))));
        Path clip = folder.resolve(CLIP);
        if (arguments.length < 2 || !Files.exists(clip)) {
            ClipMaker.film(
                    performance,
                    clip,
                    done -> System.out.print("\rfilming " + done + " of " + Performance.FRAMES + " frames "));
            System.out.println();
        }
        FigureModel.write(performance, folder.resolve(MODEL));
        PoseSheet.make(performance, folder.resolve(POSES));
        try (Reference reference = References.open(clip)) {
            Shot shot = new TracedShot(performance)
                    .make(
                            clip,
                            reference,
                            folder.resolve(POSES),
                            FigureStaging.footage(
                                    folder.resolve(MODEL), ShotSetup.standard().size()),
                            folder.resolve(LINE),
                            aligned(SoundFiles.read(folder.resolve(LINE))));
            ShotFile.fresh().save(shot.withTracks(TrackedPoints.of(reference, "footage-1")), folder.resolve(SHOT));
        }
        System.out.println("wrote " + folder);
    }

    /** The words of the line as the program itself finds them. */
    private static List<Word> aligned(PcmBuffer line) {
        ScriptText script = ScriptText.parse(TracedShot.SCRIPT);
        return AlignEdits.words(
                Aligner.align(
                        line,
                        0,
                        line.seconds(),
                        script.texts(),
                        List.of(),
                        new Pronunciations(List.of()),
                        done -> true),
                script.words(),
                Performance.LINE / 24.0,
                Map.of(),
                new Loudness(line));
    }

    private static void copy(String resource, Path target) throws Exception {
        try (InputStream in = SpokenLine.resource(resource)) {
            Files.copy(in, target, StandardCopyOption.REPLACE_EXISTING);
        }
    }
}
