package chalktrace.app.theme;

import atlantafx.base.theme.PrimerDark;
import atlantafx.base.theme.PrimerLight;
import java.util.List;
import javafx.application.Application;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import org.kordamp.ikonli.Ikon;
import org.kordamp.ikonli.javafx.FontIcon;

/** The looks of the program: the style sheet, the fonts, the icons. */
public final class Theme {

    /** A set of colours. */
    public enum Look {
        SLATE("slate.css", "Slate, dark"),
        DAY("day.css", "Day, light");

        private final String sheet;
        private final String title;
        private final Tones tones;

        Look(String sheet, String title) {
            this.sheet = sheet;
            this.title = title;
            this.tones = Tones.of(sheet);
        }

        public String title() {
            return title;
        }

        /** Its colours, for what is painted by hand. */
        public Tones tones() {
            return tones;
        }
    }

    private static final String BASE = "base.css";

    private static final List<String> FONTS = List.of(
            "IBMPlexSans-Regular",
            "IBMPlexSans-Medium",
            "IBMPlexSans-SemiBold",
            "IBMPlexMono-Regular",
            "IBMPlexMono-Medium");

    private static final ObjectProperty<Look> LOOK = new SimpleObjectProperty<>(Look.SLATE);

    private Theme() {}

    /** To be called once, before the first window. */
    public static void load() {
        for (String font : FONTS) {
            Font.loadFont(Theme.class.getResourceAsStream("fonts/" + font + ".ttf"), 13);
        }
        LOOK.addListener(changed -> useLook());
        useLook();
    }

    private static void useLook() {
        Application.setUserAgentStylesheet(
                LOOK.get() == Look.DAY
                        ? new PrimerLight().getUserAgentStylesheet()
                        : new PrimerDark().getUserAgentStylesheet());
    }

    /** The look of all windows of the program. */
    public static ObjectProperty<Look> lookProperty() {
        return LOOK;
    }

    /** Lets a window follow the look. */
    public static void apply(Scene scene) {
        InvalidationListener follow = changed -> scene.getStylesheets().setAll(styleSheets());
        // The look outlives windows: the scene alone keeps the listener.
        scene.getProperties().put(Theme.class, follow);
        LOOK.addListener(new WeakInvalidationListener(follow));
        scene.getStylesheets().setAll(styleSheets());
    }

    public static List<String> styleSheets() {
        return List.of(
                Theme.class.getResource(BASE).toExternalForm(),
                Theme.class.getResource(LOOK.get().sheet).toExternalForm());
    }

    public static Tones tones() {
        return LOOK.get().tones();
    }

    /** The text font in a size, for what is painted by hand. */
    public static Font sans(double size) {
        return Font.font("IBM Plex Sans", size);
    }

    /** The font of numbers that change, for what is painted by hand. */
    public static Font mono(double size) {
        return Font.font("IBM Plex Mono", size);
    }

    /** An icon of 16 px, coloured by its style sheet. */
    public static FontIcon icon(Ikon ikon) {
        FontIcon icon = new FontIcon(ikon);
        icon.setIconSize(16);
        return icon;
    }
}
