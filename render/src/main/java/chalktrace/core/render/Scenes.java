package chalktrace.core.render;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Speaker;
import chalktrace.core.speech.ShippedMouths;
import java.awt.geom.AffineTransform;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Says what a frame of a shot shows. */
public final class Scenes {

    private Scenes() {}

    /** The frame's layers: paper, footage, levels from back to front, each level's onion skin under it, the mouth, footage over all. */
    public static Scene of(Shot shot, int frame, SceneOptions options, FootagePictures pictures) {
        List<SceneLayer> layers = new ArrayList<>();
        layers.add(new PaperLayer(shot.setup().paper()));
        if (options.footage()) {
            addFootage(shot, frame, Footage.Where.UNDER_DRAWINGS, pictures, layers);
        }
        for (int i = shot.levels().size() - 1; i >= 0; i--) {
            Level level = shot.levels().get(i);
            if (!shot.isShown(level)) {
                continue;
            }
            options.onion()
                    .filter(onion -> onion.levels().contains(level.id()))
                    .ifPresent(onion -> addOnion(shot, level, frame, onion, layers));
            addDrawing(shot, i, frame, options, layers);
            if (options.penOn().filter(level.id()::equals).isPresent()) {
                options.livePen().ifPresent(layers::add);
            }
        }
        addMouth(shot, frame, layers);
        if (options.footage()) {
            addFootage(shot, frame, Footage.Where.OVER_DRAWINGS, pictures, layers);
        }
        return new Scene(shot.setup().size(), layers);
    }

    /** A scene with a draft over it: dotted lines in one colour, offered and not drawn. */
    public static Scene withDraft(Scene scene, Shot shot, Drawing draft, Rgb color) {
        return scene.with(new DrawingLayer(
                draft,
                shot.chalks(),
                new InkLook(Optional.of(color), InkLook.Pattern.DOTTED, false),
                Placement.AS_IS,
                1));
    }

    /** A scene with an earlier state of its frame over it: all lines thin, in one colour. */
    public static Scene withEarlier(Scene scene, Shot earlier, int frame, Rgb color) {
        InkLook look = new InkLook(Optional.of(color), InkLook.Pattern.SOLID, true);
        Scene out = scene;
        for (int i = earlier.levels().size() - 1; i >= 0; i--) {
            Level level = earlier.levels().get(i);
            Optional<Exposure> run = level.exposures().at(frame);
            Optional<Drawing> drawing = run.flatMap(shown -> level.drawing(shown.drawing()));
            if (earlier.isShown(level) && drawing.isPresent()) {
                out = out.with(new DrawingLayer(
                        drawing.get(), earlier.chalks(), look, run.get().placement(), 1));
            }
        }
        return out;
    }

    /** A still that stands beside the board, alone, fitted into a size; empty where it shows nothing. */
    public static Optional<Scene> beside(Footage still, int frame, PictureSize size, FootagePictures pictures) {
        return pictures.at(still, frame)
                .map(shown -> new Scene(size, List.of(FootageLayer.of(still.withPlacement(Placement.AS_IS), shown))));
    }

    private static void addFootage(
            Shot shot, int frame, Footage.Where where, FootagePictures pictures, List<SceneLayer> layers) {
        for (int i = shot.footage().size() - 1; i >= 0; i--) {
            Footage footage = shot.footage().get(i);
            if (footage.visible() && footage.where() == where) {
                pictures.at(footage, frame)
                        .map(shown -> FootageLayer.of(shot.lying(footage, frame), shown))
                        .ifPresent(layers::add);
            }
        }
    }

    private static void addOnion(Shot shot, Level level, int frame, OnionSkin onion, List<SceneLayer> layers) {
        List<OnionLayer.Neighbour> shown = new ArrayList<>();
        for (OnionSkin.Neighbour neighbour : onion.neighbours(shot, level, frame)) {
            InkLook look = onion.look(neighbour.later());
            Placement laid = laidOver(shot, neighbour);
            level.drawing(neighbour.run().drawing())
                    .map(drawing -> new DrawingLayer(drawing, shot.chalks(), look, laid, 1))
                    .ifPresent(lines -> shown.add(onion.shown(neighbour, lines)));
        }
        if (!shown.isEmpty()) {
            layers.add(new OnionLayer(shown, new OnionGround(layers)));
        }
    }

    /** As it is placed in its showing, and then moved and turned for the time of looking. */
    private static Placement laidOver(Shot shot, OnionSkin.Neighbour neighbour) {
        Placement own = neighbour.run().placement();
        Placement laid = neighbour.laid();
        if (laid.equals(Placement.AS_IS)) {
            return own;
        }
        return own.then(laid.withOpacity(1));
    }

    private static void addMouth(Shot shot, int frame, List<SceneLayer> layers) {
        for (Speaker speaker : shot.speech().speakers()) {
            speaker.place()
                    .filter(MouthPlace::visible)
                    .flatMap(place -> speaker.mouthAt(frame)
                            .map(span -> new MouthLayer(ShippedMouths.shape(span.shape()), place)))
                    .ifPresent(layers::add);
        }
    }

    /** What a level shows; of a drawing of which a piece is dragged, the rest and the piece in front of it. */
    private static void addDrawing(Shot shot, int index, int frame, SceneOptions options, List<SceneLayer> layers) {
        Level level = shot.levels().get(index);
        Optional<LiftedPiece> lifted = options.lifted().stream()
                .filter(piece -> piece.level().equals(level.id()))
                .filter(piece -> level.drawingAt(frame)
                        .filter(drawing -> drawing.number() == piece.rest().number())
                        .isPresent())
                .findFirst();
        if (lifted.isEmpty()) {
            styled(shot, index, frame, options).ifPresent(layers::add);
            return;
        }
        for (Drawing part : List.of(lifted.get().rest(), lifted.get().piece())) {
            AffineTransform change = part == lifted.get().piece() ? lifted.get().change() : new AffineTransform();
            styled(shot.withLevel(level.id(), l -> l.with(part)), index, frame, options)
                    .map(layer -> layer.movedBy(change))
                    .ifPresent(layers::add);
        }
    }

    /** What a level shows, in its own style. */
    private static Optional<DrawingLayer> styled(Shot shot, int index, int frame, SceneOptions options) {
        Level level = shot.levels().get(index);
        Optional<Exposure> run = level.exposures().at(frame);
        Optional<Drawing> drawing = run.flatMap(r -> level.drawing(r.drawing()));
        if (drawing.isEmpty()) {
            return Optional.empty();
        }
        LevelStyle style = level.style();
        Optional<DrawingLayer> within = Optional.empty();
        if (style.clipped() && index + 1 < shot.levels().size()) {
            within = styled(shot, index + 1, frame, options);
            if (within.isEmpty()) {
                return Optional.empty();
            }
        }
        List<Chalk> chalks = chalks(shot, style, options);
        SelfLines shown = options.finished()
                ? SelfLines.of(shot, level, drawing.get(), frame, chalks)
                : new SelfLines(drawing.get(), chalks);
        return Optional.of(new DrawingLayer(
                shown.drawing(),
                shown.chalks(),
                InkLook.CHALK,
                run.get().placement(),
                shot.opacityOf(level),
                style.multiply(),
                within,
                new AffineTransform()));
    }

    /** The shot's chalks as a level shows them: tinted, and lines that only bound areas as they look while one works, or not at all. */
    private static List<Chalk> chalks(Shot shot, LevelStyle style, SceneOptions options) {
        if (style.tint().isEmpty() && shot.chalks().stream().noneMatch(Chalk::isBound)) {
            return shot.chalks();
        }
        return shot.chalks().stream()
                .map(chalk -> style.tint().map(chalk::withColor).orElse(chalk))
                .map(chalk -> !chalk.isBound()
                        ? chalk
                        : options.finished() ? chalk.withOpacity(0) : chalk.withColor(Chalk.SIGNAL))
                .toList();
    }
}
