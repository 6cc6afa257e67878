package chalktrace.app.kernel;

import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.PixelTile;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javax.imageio.ImageIO;

/**
 * A small picture by which a shot is known: the first frame that shows a drawing, without footage.
 *
 * @param pixels ARGB, row by row
 */
public record ShotPicture(int width, int height, int[] pixels) {

    /** On any thread. @param width in px */
    public static ShotPicture of(Shot shot, int width) {
        int frame = shot.levels().stream()
                .flatMap(level -> level.exposures().runs().stream())
                .filter(run -> !run.isBlank())
                .mapToInt(Exposure::start)
                .min()
                .orElse(0);
        Scene scene = Scenes.of(shot, frame, SceneOptions.export(false), (clip, at) -> Optional.empty());
        return of(scene, width, new FrameComposer(new RasterCache(0), Rgb.WHITE));
    }

    /** Of a scene. On any thread. */
    public static ShotPicture of(Scene scene, int width, FrameComposer composer) {
        double scale = (double) width / scene.size().width();
        int height = Math.max(1, (int) Math.round(scale * scene.size().height()));
        int[] pixels = new int[width * height];
        composer.compose(scene, new Viewpoint(scale, 0, 0, 0, width, height), PixelTile.whole(pixels, width, height));
        return new ShotPicture(width, height, pixels);
    }

    /** For the window. */
    public Image image() {
        WritableImage image = new WritableImage(width, height);
        image.getPixelWriter().setPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
        return image;
    }

    /** As a PNG. */
    public byte[] png() {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, width, height, pixels, 0, width);
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(image, "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("writing to memory can't fail", e);
        }
    }
}
