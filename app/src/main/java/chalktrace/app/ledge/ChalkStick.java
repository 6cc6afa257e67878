package chalktrace.app.ledge;

import chalktrace.app.controls.Colors;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Chalk;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;

/** A chalk as a stick in its own colour and thickness; the one in hand is lifted. */
final class ChalkStick extends Button {

    private static final double WIDTH = 30;
    private static final double HEIGHT = 44;
    private static final double LIFT = 9;
    private static final double THINNEST = 7;
    private static final double THICKEST = 20;

    private final Pane drawn = new Pane();

    ChalkStick(Runnable take) {
        getStyleClass().setAll("stick");
        drawn.setPrefSize(WIDTH, HEIGHT);
        drawn.setMaxSize(WIDTH, HEIGHT);
        setGraphic(drawn);
        setOnAction(event -> take.run());
        setFocusTraversable(false);
    }

    void show(Chalk chalk, int key, boolean inHand) {
        Color color = Colors.of(chalk.color());
        double thick = Math.max(THINNEST, Math.min(THICKEST, 4 + 1.8 * chalk.width()));
        double top = inHand ? 4 : 4 + LIFT;
        double left = (WIDTH - thick) / 2;
        double bottom = inHand ? HEIGHT - LIFT : HEIGHT;
        Rectangle body = new Rectangle(left, top + 4, thick, bottom - top - 4);
        body.setArcWidth(4);
        body.setArcHeight(4);
        body.setFill(color);
        body.setStroke(color.deriveColor(0, 1, 0.5, 1));
        body.setStrokeWidth(0.6);
        // The tip is worn at a slant.
        Polygon tip = new Polygon(
                left + 0.5,
                top + 6,
                left + thick * 0.35,
                top,
                left + thick - 0.5,
                top + 3,
                left + thick - 0.5,
                top + 7,
                left + 0.5,
                top + 7);
        tip.setFill(color.brighter());
        Rectangle shine = new Rectangle(left + thick * 0.2, top + 8, Math.max(1, thick * 0.16), bottom - top - 12);
        shine.setFill(Color.color(1, 1, 1, 0.25));
        drawn.getChildren().setAll(body, tip, shine);
        if (inHand) {
            Rectangle shadow = new Rectangle(left + 1, HEIGHT - 4, thick, 3);
            shadow.setArcWidth(3);
            shadow.setArcHeight(3);
            shadow.setFill(Color.color(0, 0, 0, 0.45));
            drawn.getChildren().add(0, shadow);
        }
        String use =
                key <= 6 ? Words.TRACE.of("chalk-with-key", chalk.name(), key) : Words.TRACE.of("chalk", chalk.name());
        setTooltip(new Tooltip(use));
        setAccessibleText(use);
    }
}
