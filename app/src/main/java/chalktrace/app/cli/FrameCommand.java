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
import chalktrace.media.UnwritableException;
import chalktrace.media.export.PngFiles;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "frame", description = "Write one picture of footage as PNG: exactly that one, upright, pixels square.")
final class FrameCommand implements Callable<Integer> {

    @Parameters(paramLabel = "CLIP", index = "0")
    Path clip;

    @Parameters(paramLabel = "N", index = "1", description = "The picture, counted from 0.")
    int n;

    @Parameters(paramLabel = "OUT.png", index = "2")
    Path target;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
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

    private void write(int[] pixels, PictureSize size) throws UnwritableException {
        try {
            PngFiles.write(pixels, size, target);
        } catch (IOException e) {
            throw UnwritableException.of(target, "written", "Choose another place for it.", e);
        }
    }
}
