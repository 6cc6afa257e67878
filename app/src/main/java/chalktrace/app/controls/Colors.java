package chalktrace.app.controls;

import chalktrace.core.picture.Rgb;
import javafx.scene.paint.Color;

/** Between the colours of a shot and those of the window. */
public final class Colors {

    private Colors() {}

    public static Color of(Rgb rgb) {
        return Color.rgb(rgb.red(), rgb.green(), rgb.blue());
    }

    public static Rgb rgb(Color color) {
        return new Rgb(part(color.getRed()), part(color.getGreen()), part(color.getBlue()));
    }

    private static int part(double share) {
        return (int) Math.round(share * 255);
    }
}
