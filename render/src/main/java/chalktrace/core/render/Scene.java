package chalktrace.core.render;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import java.util.ArrayList;
import java.util.List;

/** All that one frame shows, back to front. */
public record Scene(PictureSize size, List<SceneLayer> layers) {

    public Scene {
        layers = List.copyOf(layers);
    }

    /** Whether paper lies under everything, so that each pixel of the picture is painted. */
    boolean hasPaper() {
        return !layers.isEmpty() && layers.get(0).coversAll();
    }

    /** The same on another paper, where it has one. */
    public Scene onPaper(Rgb color) {
        if (!hasPaper()) {
            return this;
        }
        List<SceneLayer> out = new ArrayList<>(layers);
        out.set(0, new PaperLayer(color));
        return new Scene(size, out);
    }

    /** The same with a layer over all others. */
    public Scene with(SceneLayer above) {
        List<SceneLayer> out = new ArrayList<>(layers);
        out.add(above);
        return new Scene(size, out);
    }

    /** The same with another stroke under the pen in the place of the one that it has. */
    public Scene withStroke(StrokeLayer stroke) {
        return new Scene(
                size, layers.stream().map(layer -> layer.underPen(stroke)).toList());
    }
}
