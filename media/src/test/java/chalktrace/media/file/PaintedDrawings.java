package chalktrace.media.file;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRate;
import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.parser.LoaderContext;
import com.github.weisj.jsvg.parser.SVGLoader;
import com.github.weisj.jsvg.view.ViewBox;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Optional;

/** Drawings painted on white by this program, beside how another painted them. */
final class PaintedDrawings {

    /** Of pictures, in pixels. */
    static final int SIDE = 240;

    /** @param painted pixels that are not white, @param differ those that the other does not have there, nor right beside */
    record Difference(int painted, int differ) {
        double share() {
            return differ / (double) Math.max(1, painted);
        }
    }

    private PaintedDrawings() {}

    /** @param other picture of {@link #SIDE} */
    static Difference difference(ImportedDrawing read, BufferedImage other) {
        int[] theirs = other.getRGB(0, 0, SIDE, SIDE, null, 0, SIDE);
        int[] ours = painted(read);
        int painted = 0;
        int differ = 0;
        for (int i = 0; i < ours.length; i++) {
            painted += ours[i] != -1 || theirs[i] != -1 ? 1 : 0;
            differ += isNear(ours[i], theirs, i) && isNear(theirs[i], ours, i) ? 0 : 1;
        }
        return new Difference(painted, differ);
    }

    /** As Java's own painter does it, under the library that reads SVG. */
    static BufferedImage byJava(byte[] svg) {
        SVGDocument document = new SVGLoader().load(new ByteArrayInputStream(svg), null, LoaderContext.createDefault());
        BufferedImage picture = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = picture.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, SIDE, SIDE);
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        document.render(null, graphics, new ViewBox(SIDE, SIDE));
        graphics.dispose();
        return picture;
    }

    private static int[] painted(ImportedDrawing read) {
        double scaleX = SIDE / read.width();
        double scaleY = SIDE / read.height();
        List<DrawingItem> items = read.piece()
                .transformed(AffineTransform.getScaleInstance(scaleX, scaleY))
                .items();
        Shot shot = Shot.empty("t", new ShotSetup(FrameRate.FILM, new PictureSize(SIDE, SIDE), 1, 1, Rgb.WHITE))
                .withChalks(read.chalks().stream()
                        .map(chalk -> chalk.withLine(chalk.line().scaled(Math.sqrt(scaleX * scaleY))))
                        .toList())
                .withLevels(List.of(Level.empty("l", "l")
                        .with(Drawing.of(1, items))
                        .with(new Exposures(List.of(Exposure.of(0, 1, 1))))));
        return new FrameComposer(new RasterCache(1 << 24), Rgb.WHITE)
                .composeWhole(Scenes.of(shot, 0, SceneOptions.export(false), (footage, frame) -> Optional.empty()));
    }

    /** Whether a colour is found at a place or right beside it. */
    private static boolean isNear(int color, int[] words, int at) {
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                int x = at % SIDE + dx;
                int y = at / SIDE + dy;
                if (x >= 0 && y >= 0 && x < SIDE && y < SIDE && difference(color, words[y * SIDE + x]) < 40) {
                    return true;
                }
            }
        }
        return false;
    }

    private static int difference(int a, int b) {
        int most = 0;
        for (int shift = 0; shift <= 16; shift += 8) {
            most = Math.max(most, Math.abs((a >> shift & 255) - (b >> shift & 255)));
        }
        return most;
    }
}
