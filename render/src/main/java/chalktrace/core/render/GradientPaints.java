package chalktrace.core.render;

import chalktrace.core.fill.Gradient;
import java.awt.Color;
import java.awt.LinearGradientPaint;
import java.awt.MultipleGradientPaint.ColorSpaceType;
import java.awt.MultipleGradientPaint.CycleMethod;
import java.awt.Paint;
import java.awt.RadialGradientPaint;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.function.Function;

/** The colours of a gradient for Java2D: straight from stop to stop in sRGB, opacity apart, as SVG 1.1 wants it. */
final class GradientPaints {

    private GradientPaints() {}

    /** @param color of a chalk's id, @param toDevice from the drawing to device pixels */
    static Paint of(Gradient gradient, Function<String, Color> color, AffineTransform toDevice) {
        int count = gradient.stops().size();
        Color last = color.apply(gradient.stops().get(count - 1).chalk());
        AffineTransform place = new AffineTransform(toDevice);
        place.concatenate(gradient.transform());
        // What is squeezed into a line shows the last colour.
        if (count == 1 || Math.abs(place.getDeterminant()) < 1e-12) {
            return last;
        }
        float[] offsets = new float[count];
        Color[] colors = new Color[count];
        for (int i = 0; i < count; i++) {
            colors[i] = color.apply(gradient.stops().get(i).chalk());
            offsets[i] = (float) gradient.stops().get(i).offset();
            if (i > 0 && offsets[i] <= offsets[i - 1]) {
                offsets[i] = Math.nextUp(offsets[i - 1]);
            }
        }
        // Stops that coincide at the end would leave it.
        for (int i = count - 1; i >= 0 && offsets[i] > 1; i--) {
            offsets[i] = i == count - 1 ? 1 : Math.min(offsets[i], Math.nextDown(offsets[i + 1]));
        }
        for (int i = count - 2; i >= 0 && offsets[i] >= offsets[i + 1]; i--) {
            offsets[i] = Math.nextDown(offsets[i + 1]);
        }
        CycleMethod cycle =
                switch (gradient.spread()) {
                    case PAD -> CycleMethod.NO_CYCLE;
                    case REFLECT -> CycleMethod.REFLECT;
                    case REPEAT -> CycleMethod.REPEAT;
                };
        return gradient.kind() == Gradient.Kind.LINEAR
                ? new LinearGradientPaint(
                        new Point2D.Double(0, 0),
                        new Point2D.Double(1, 0),
                        offsets,
                        colors,
                        cycle,
                        ColorSpaceType.SRGB,
                        place)
                : new RadialGradientPaint(
                        new Point2D.Double(0, 0),
                        1,
                        new Point2D.Double(gradient.focusX(), gradient.focusY()),
                        offsets,
                        colors,
                        cycle,
                        ColorSpaceType.SRGB,
                        place);
    }
}
