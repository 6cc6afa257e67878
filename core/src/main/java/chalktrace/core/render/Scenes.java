package chalktrace.core.render;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.speech.MouthChart;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Says what a frame of a shot shows. */
public final class Scenes {

    private static final double ONION_OPACITY = 0.6;

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
            if (options.onionOf().filter(level.id()::equals).isPresent()) {
                addOnion(shot, level, frame, layers);
            }
            styled(shot, i, frame, options).ifPresent(layers::add);
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
                        .map(shown -> FootageLayer.of(footage, shown))
                        .ifPresent(layers::add);
            }
        }
    }

    private static void addOnion(Shot shot, Level level, int frame, List<SceneLayer> layers) {
        neighbour(level, frame, -1)
                .flatMap(run -> layer(shot, level, run, InkLook.EARLIER, ONION_OPACITY))
                .ifPresent(layers::add);
        neighbour(level, frame, 1)
                .flatMap(run -> layer(shot, level, run, InkLook.LATER, ONION_OPACITY))
                .ifPresent(layers::add);
    }

    private static void addMouth(Shot shot, int frame, List<SceneLayer> layers) {
        shot.mouthPlace()
                .filter(MouthPlace::visible)
                .flatMap(place -> shot.mouthAt(frame)
                        .map(span -> new MouthLayer(MouthChart.shipped().shape(span.shape()), place)))
                .ifPresent(layers::add);
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
                within));
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

    private static Optional<SceneLayer> layer(Shot shot, Level level, Exposure run, InkLook look, double opacity) {
        return level.drawing(run.drawing())
                .map(drawing -> new DrawingLayer(drawing, shot.chalks(), look, run.placement(), opacity));
    }

    /** The nearest showing before or after the one at a frame that shows another drawing. */
    private static Optional<Exposure> neighbour(Level level, int frame, int direction) {
        int here = level.exposures().at(frame).map(Exposure::drawing).orElse(Exposure.BLANK);
        List<Exposure> runs = level.exposures().runs();
        Optional<Exposure> found = Optional.empty();
        for (Exposure run : runs) {
            boolean other =
                    !run.isBlank() && run.drawing() != here && !run.range().contains(frame);
            if (other && direction < 0 && run.start() < frame) {
                found = Optional.of(run);
            } else if (other && direction > 0 && run.start() > frame) {
                return Optional.of(run);
            }
        }
        return found;
    }
}
