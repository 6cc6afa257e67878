package chalktrace.app.controls;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Orientation;
import javafx.geometry.VPos;
import javafx.scene.layout.Region;
import javafx.scene.text.Text;

/**
 * Rows of words that change with every step. What stands around them is laid out anew only when their number changes or they need more
 * room than they had: a label that changes makes its whole tray measure all its words again.
 */
public final class ChangingRows extends Region {

    private static final double GAP_PX = 2;

    private final List<Text> rows = new ArrayList<>();

    /** The most that these rows needed at this width, px: room that was needed once is kept, so that nothing below them jumps to and fro. */
    private double needed;

    private double widthThen;

    public void show(List<String> words) {
        if (rows.size() != words.size()) {
            needed = 0;
            requestLayout();
        }
        while (rows.size() > words.size()) {
            getChildren().remove(rows.remove(rows.size() - 1));
        }
        while (rows.size() < words.size()) {
            Text row = new Text();
            row.getStyleClass().add("hint");
            row.setTextOrigin(VPos.TOP);
            // So that its own changes ask nobody for a layout.
            row.setManaged(false);
            rows.add(row);
            getChildren().add(row);
        }
        for (int i = 0; i < words.size(); i++) {
            rows.get(i).setText(words.get(i));
        }
        double high = place(getWidth());
        needed = Math.max(needed, high);
        if (high > getHeight()) {
            requestLayout();
        }
    }

    /** Puts the rows below each other. @return how high they are together, px */
    private double place(double width) {
        double y = 0;
        for (Text row : rows) {
            row.setWrappingWidth(Math.max(0, width));
            row.relocate(0, y);
            y += Math.ceil(row.getLayoutBounds().getHeight()) + GAP_PX;
        }
        return Math.max(0, y - GAP_PX);
    }

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    @Override
    protected double computePrefHeight(double width) {
        double at = width < 0 ? getWidth() : width;
        return Math.max(place(at), at == widthThen ? needed : 0);
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected void layoutChildren() {
        if (getWidth() != widthThen) {
            widthThen = getWidth();
            needed = 0;
        }
        place(getWidth());
    }
}
