package chalktrace.app.space;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.space.Dress;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Lens;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.Point3;
import chalktrace.core.space.StagedPicture;
import chalktrace.media.model.ModelFiles;
import java.awt.image.BufferedImage;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Against the pictures of three.js 0.160, an independent renderer; how they were made says the README beside them. */
class SilhouettesTest {

    private static final PictureSize SIZE = new PictureSize(320, 180);

    @TempDir
    Path folder;

    static Stream<Arguments> views() {
        return Stream.of(
                Arguments.of(
                        "figure",
                        "/chalktrace/app/demo/kettle-figure.glb",
                        new Orbit(35, 10, 0, 2.6, new Point3(0, 1.2, 0.2), new Lens(40)),
                        2.5),
                Arguments.of("torus", "torus.obj", new Orbit(-50, 30, 0, 5, Point3.ZERO, new Lens(50)), 0),
                Arguments.of("cube", "cube.obj", new Orbit(20, -25, 0, 5, new Point3(0.2, 1, 0), new Lens(24)), 0));
    }

    @ParameterizedTest
    @MethodSource("views")
    void theSilhouetteIsThatOfAnotherRenderer(String name, String resource, Orbit orbit, double seconds)
            throws Exception {
        Path file = folder.resolve(resource.replaceFirst(".*/", ""));
        try (InputStream in = SilhouettesTest.class.getResourceAsStream(resource)) {
            Files.copy(in, file);
        }
        Figure figure = ModelFiles.read(file);
        String motion = figure.model().motions().isEmpty()
                ? ""
                : figure.model().motions().get(0).name();
        int[] ours = new StagedPicture(figure, motion, seconds, orbit, Dress.USUAL, SIZE)
                .draw()
                .toArgb();
        BufferedImage theirs = ImageIO.read(SilhouettesTest.class.getResource("three-" + name + ".png"));
        double both = 0;
        double either = 0;
        for (int i = 0; i < ours.length; i++) {
            double here = (ours[i] >>> 24) / 255.0;
            double there = 1 - (theirs.getRGB(i % SIZE.width(), i / SIZE.width()) & 255) / 255.0;
            both += Math.min(here, there);
            either += Math.max(here, there);
        }
        assertThat(both / either).isGreaterThan(0.99);
    }
}
