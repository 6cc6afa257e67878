package chalktrace.app.theme;

import chalktrace.core.picture.Rgb;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.paint.Color;

/** The colours of a theme by their role, for what is painted by hand. They are read from the theme's own style sheet. */
public final class Tones {

    private static final Pattern ROLE = Pattern.compile("-ct-([a-z-]+):\\s*(#[0-9a-fA-F]{6})");

    private final Map<String, Color> byRole = new HashMap<>();

    private Tones() {}

    static Tones of(String styleSheet) {
        Tones tones = new Tones();
        try (InputStream in = Tones.class.getResourceAsStream(styleSheet)) {
            Matcher roles = ROLE.matcher(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            while (roles.find()) {
                tones.byRole.put(roles.group(1), Color.web(roles.group(2)));
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the theme " + styleSheet + " can't be read", e);
        }
        return tones;
    }

    public Color window() {
        return of("window", 1);
    }

    public Color panel() {
        return of("panel", 1);
    }

    public Color raised() {
        return of("raised", 1);
    }

    public Color line() {
        return of("line", 1);
    }

    public Color edge() {
        return of("edge", 1);
    }

    public Color text() {
        return of("text", 1);
    }

    public Color quiet() {
        return of("quiet", 1);
    }

    public Color accent() {
        return of("accent", 1);
    }

    public Color good() {
        return of("good", 1);
    }

    /** Lines that help to draw. */
    public Color guide() {
        return of("guide", 1);
    }

    /** Lines that are offered, and not drawn. */
    public Color draft() {
        return of("draft", 1);
    }

    /** What is wrong, as text. */
    public Color badText() {
        return of("bad-text", 1);
    }

    /** Text on the accent. */
    public Color onAccent() {
        return of("on-accent", 1);
    }

    /** The accent as a faint wash. */
    public Color accentWash() {
        return of("accent", 0.18);
    }

    /** The board's surround. */
    public Rgb surround() {
        Color color = of("surround", 1);
        return new Rgb(part(color.getRed()), part(color.getGreen()), part(color.getBlue()));
    }

    private Color of(String role, double opacity) {
        Color color = byRole.get(role);
        if (color == null) {
            throw new IllegalStateException("the theme has no colour for " + role);
        }
        return opacity == 1 ? color : Color.color(color.getRed(), color.getGreen(), color.getBlue(), opacity);
    }

    private static int part(double share) {
        return (int) Math.round(share * 255);
    }
}
