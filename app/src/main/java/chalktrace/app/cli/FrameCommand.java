package chalktrace.app.cli;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FootageLayer;
import chalktrace.core.render.FootagePictures;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.media.Progress;
import chalktrace.media.UnwritableException;
import chalktrace.media.export.Choices;
import chalktrace.media.export.Chosen;
import chalktrace.media.export.Exporters;
import chalktrace.media.export.PngFiles;
import chalktrace.media.export.ShotSources;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(
        name = "frame",
        description =
                "Write one picture of footage, exactly that one, upright, pixels square, as PNG; or one frame of a shot as it is exported.")
final class FrameCommand implements Callable<Integer> {

    private static final byte[] ZIP = {'P', 'K', 3, 4};

    @Parameters(paramLabel = "CLIP|SHOT", index = "0")
    Path clip;

    @Parameters(paramLabel = "N", index = "1", description = "The picture or frame, counted from 0.")
    int n;

    @Parameters(paramLabel = "OUT.png", index = "2")
    Path target;

    @Mixin
    MediaAccess media;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        if (isShot()) {
            writeShot();
            return 0;
        }
        try (Reference reference = References.open(clip)) {
            Picture picture = reference.picture(n);
            PictureSize size = reference.displaySize();
            Scene scene = new Scene(
                    size,
                    List.of(new FootageLayer(
                            new FootagePictures.Shown(picture, size, reference.turnDegrees()),
                            Placement.AS_IS,
                            Footage.Look.AS_IS,
                            false)));
            int[] pixels = new FrameComposer(new RasterCache(0), Rgb.WHITE).composeWhole(scene);
            write(pixels, size);
            double seconds = reference.times().seconds(n);
            Optional<String> doubt = reference.doubt(n);
            answer.print(
                    "picture " + n + " (at " + seconds + " s) of " + clip.getFileName() + " is in " + target
                            + doubt.map(why -> System.lineSeparator() + "note: " + why)
                                    .orElse(""),
                    Answer.object()
                            .put("picture", n)
                            .put("seconds", seconds)
                            .put("width", size.width())
                            .put("height", size.height())
                            .put("file", target.toString())
                            .put("doubt", doubt.orElse(null)));
        }
        return 0;
    }

    /** Told by its content: a shot is a ZIP, and no footage is. */
    private boolean isShot() throws IOException {
        if (!Files.isRegularFile(clip)) {
            return false;
        }
        try (InputStream in = Files.newInputStream(clip)) {
            return Arrays.equals(in.readNBytes(ZIP.length), ZIP);
        }
    }

    private void writeShot() throws Exception {
        Shot shot = ShotFile.open(clip).shot();
        Choices choices = Choices.USUAL.read(Chosen.RANGE, String.valueOf(n));
        media.require(clip, ShotSources.files(shot, false));
        Exporters.byId("still").orElseThrow().write(shot, target, choices, Progress.NONE);
        PictureSize size = Chosen.size(shot, choices);
        answer.print(
                "frame " + n + " (at " + shot.setup().rate().seconds(n) + " s) of the shot " + clip.getFileName()
                        + " is in " + target,
                Answer.object()
                        .put("frame", n)
                        .put("seconds", shot.setup().rate().seconds(n))
                        .put("width", size.width())
                        .put("height", size.height())
                        .put("file", target.toString()));
    }

    private void write(int[] pixels, PictureSize size) throws UnwritableException {
        try {
            PngFiles.write(pixels, size, target);
        } catch (IOException e) {
            throw UnwritableException.of(target, "written", "Choose another place for it.", e);
        }
    }
}
