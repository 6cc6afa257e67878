package chalktrace.app.trace.work;

import chalktrace.app.footage.Footages;
import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Selection;
import chalktrace.app.session.View.Tool;
import chalktrace.app.sound.Transport;
import chalktrace.core.edit.ChalkEdits;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.PixelTile;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The colour at a place of the frame at the gate, and the chalk that drew there. */
public final class ColourUnder {

    /** Takes the colour under the pointer into the current chalk. */
    public static final Tool TAKE = new Tool("take-colour");

    /** Takes the chalk in hand that drew what is under the pointer. */
    public static final Tool FIND_CHALK = new Tool("find-chalk");

    private static final long RASTER_BYTES = 16L << 20;

    /** What covers less than this, of 255, is no line to take a colour from. */
    private static final int LEAST_COVER = 64;

    private final Document document;
    private final Selection selection;
    private final Transport transport;
    private final Footages footages;
    private final FrameComposer composer = new FrameComposer(new RasterCache(RASTER_BYTES), Rgb.WHITE);

    /** From what a colour is taken. */
    public enum Source {
        /** As the board shows it, without onion skin. */
        ALL,
        /** Lines and paint as they are drawn, whatever lies under them. */
        DRAWINGS,
        /** References as they are, however faint they show. */
        REFERENCES
    }

    ColourUnder(Document document, Selection selection, Transport transport, Footages footages) {
        this.document = document;
        this.selection = selection;
        this.transport = transport;
        this.footages = footages;
    }

    /** @return empty beside the picture, and where the source has nothing. Places are px of the shot */
    public Optional<Rgb> at(double x, double y, Source source) {
        Shot shot = document.shot();
        int left = (int) Math.floor(x);
        int top = (int) Math.floor(y);
        if (!shot.setup().size().contains(left, top)) {
            return Optional.empty();
        }
        return switch (source) {
            case ALL -> {
                int[] word = new int[1];
                composer.compose(scene(shot, true), pixel(left, top), PixelTile.whole(word, 1, 1));
                yield Optional.of(Rgb.of(word[0]));
            }
            case REFERENCES -> {
                Shot bare = shot.withLevels(List.of())
                        .withMouths(List.of())
                        .withFootage(
                                shot.footage().stream().map(ColourUnder::plain).toList());
                yield covering(bare, true, left, top);
            }
            case DRAWINGS -> covering(shot, false, left, top);
        };
    }

    private static Footage plain(Footage clip) {
        return clip.withLook(clip.look().withLighten(0).withTint(0).withSaturation(1))
                .withPlacement(clip.placement().withOpacity(1));
    }

    /** The chalk of the front line or painted area within reach of a place, in px of the shot. */
    public Optional<Chalk> chalkAt(double x, double y, double reach) {
        Shot shot = document.shot();
        return shot.levels().stream()
                .filter(shot::isShown)
                .flatMap(level -> chalk(shot, level, x, y, reach).stream())
                .findFirst();
    }

    private Optional<Chalk> chalk(Shot shot, Level level, double x, double y, double reach) {
        int frame = transport.frame();
        Optional<Drawing> drawing = level.drawingAt(frame);
        return drawing.flatMap(d -> Pick.at(shot, level.id(), frame, x, y, reach)
                .flatMap(pick -> Stream.concat(
                                pick.strokes().stream()
                                        .map(i -> d.strokes().get(i).chalk()),
                                pick.fills().stream().map(i -> d.fills().get(i).chalk()))
                        .findFirst())
                .map(shot::chalk));
    }

    /** Gives the current chalk a colour. */
    public void give(Rgb color) {
        Chalk chalk = document.shot().chalk(selection.chalkProperty().get());
        if (!chalk.color().equals(color)) {
            document.apply(ChalkEdits.change(chalk.withColor(color)));
        }
    }

    /** Takes a chalk in hand. */
    public void take(Chalk chalk) {
        selection.chalkProperty().set(chalk.id());
    }

    private Optional<Rgb> covering(Shot shot, boolean withReferences, int x, int y) {
        int word = composer.composeClear(scene(shot, withReferences), pixel(x, y))[0];
        return Optional.of(word).filter(there -> there >>> 24 >= LEAST_COVER).map(Rgb::of);
    }

    private static Viewpoint pixel(int x, int y) {
        return new Viewpoint(1, 0, -x, -y, 1, 1);
    }

    private Scene scene(Shot shot, boolean withReferences) {
        return Scenes.of(
                shot,
                transport.frame(),
                SceneOptions.export(withReferences),
                footages.latestProperty().get());
    }
}
