package chalktrace.app.theme;

import atlantafx.base.theme.PrimerDark;
import java.util.List;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import org.kordamp.ikonli.Ikon;
import org.kordamp.ikonli.javafx.FontIcon;

/** The looks of the program: the style sheet, the fonts, the icons. */
public final class Theme {

    private static final String SLATE = "slate.css";

    private static final List<String> FONTS = List.of(
            "IBMPlexSans-Regular",
            "IBMPlexSans-Medium",
            "IBMPlexSans-SemiBold",
            "IBMPlexMono-Regular",
            "IBMPlexMono-Medium");

    private static final Tones TONES = Tones.of(SLATE);

    private Theme() {}

    /** To be called once, before the first window. */
    public static void load() {
        for (String font : FONTS) {
            Font.loadFont(Theme.class.getResourceAsStream("fonts/" + font + ".ttf"), 13);
        }
        Application.setUserAgentStylesheet(new PrimerDark().getUserAgentStylesheet());
    }

    public static void apply(Scene scene) {
        scene.getStylesheets().add(styleSheet());
    }

    public static String styleSheet() {
        return Theme.class.getResource(SLATE).toExternalForm();
    }

    public static Tones tones() {
        return TONES;
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
