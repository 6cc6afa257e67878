package chalktrace.demo.model;

import chalktrace.demo.scene.FigureParts;
import chalktrace.demo.scene.FigureParts.Place;
import chalktrace.demo.scene.FigureParts.Shape;
import chalktrace.demo.scene.Performance;
import chalktrace.demo.scene.Pose;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Writes the tea seller as an animated model: one skin whose joints carry the parts of the figure, keyed every second frame. */
public final class FigureModel {

    private static final int KEY_FRAMES = 2;

    private FigureModel() {}

    public static void write(Performance performance, Path target) throws IOException {
        Pose first = performance.at(0);
        List<Shape> shapes = FigureParts.shapes(first);
        List<List<Place>> keys = new ArrayList<>();
        for (int frame = 0; frame < Performance.FRAMES; frame += KEY_FRAMES) {
            keys.add(FigureParts.places(performance.at(frame), first));
        }
        new SkinnedGlb("tea seller", "kettle").write(shapes, keys, KEY_FRAMES / 24.0, target);
    }
}
