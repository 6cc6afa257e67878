package chalktrace.app.bench;

import chalktrace.app.words.Words;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;

/**
 * The lanes one under the other. What does not fit is moved by whole lanes, by the wheel over their names, by the wheel with Alt, or by a thin bar, so that none
 * is cut; the first ones always stay, and so does the one that is worked on.
 */
final class LaneStack extends Region {

    private static final double GAP = 1;
    private static final double BAR_WIDTH = 5;
    private static final double LEAST_BAR = 18;

    private final Region bar = new Region();
    private List<Node> staying = List.of();
    private List<Node> moving = List.of();
    private Node current;
    private int first;
    private double barHeld;
    private int firstHeld;

    LaneStack() {
        setMinHeight(0);
        bar.getStyleClass().add("lane-bar");
        bar.setAccessibleRole(AccessibleRole.SCROLL_BAR);
        bar.setAccessibleText(Words.DESK.of("lanes"));
        bar.setOnMousePressed(event -> {
            barHeld = event.getScreenY();
            firstHeld = first;
        });
        bar.setOnMouseDragged(this::dragBar);
        addEventFilter(ScrollEvent.SCROLL, this::scroll);
    }

    /** @param always in view, above the others, in order */
    void show(List<Node> always, List<Node> others) {
        staying = List.copyOf(always);
        moving = List.copyOf(others);
        List<Node> all = new ArrayList<>(always);
        all.addAll(others);
        all.add(bar);
        getChildren().setAll(all);
        requestLayout();
    }

    /** The one of the others that stays in view; null for none. */
    void keepInView(Node node) {
        current = node;
        requestLayout();
    }

    private void scroll(ScrollEvent event) {
        boolean overNames = event.getX() < Bench.NAME_WIDTH;
        double turns = event.getDeltaY() == 0 ? event.getDeltaX() : event.getDeltaY();
        if (turns != 0 && (overNames || event.isAltDown())) {
            first += turns > 0 ? -1 : 1;
            requestLayout();
            event.consume();
        }
    }

    private void dragBar(MouseEvent event) {
        double room = getHeight() - top();
        first = firstHeld + (int) Math.round((event.getScreenY() - barHeld) / Math.max(1, room) * moving.size());
        requestLayout();
    }

    private static double high(Node row) {
        return row.prefHeight(-1) + GAP;
    }

    private double top() {
        return staying.stream().mapToDouble(LaneStack::high).sum();
    }

    @Override
    protected double computePrefHeight(double width) {
        return top() + moving.stream().mapToDouble(LaneStack::high).sum();
    }

    @Override
    protected void layoutChildren() {
        double y = 0;
        for (Node row : staying) {
            y = place(row, y);
        }
        double room = getHeight() - y;
        double all = moving.stream().mapToDouble(LaneStack::high).sum();
        boolean fits = all <= room + GAP;
        first = fits ? 0 : Math.max(0, Math.min(lastFirst(room), first));
        List<Node> shown = shown(room);
        for (Node row : moving) {
            row.setVisible(shown.contains(row));
        }
        double top = y;
        for (Node row : shown) {
            y = place(row, y);
        }
        bar.setVisible(!fits);
        if (!fits) {
            double before =
                    moving.stream().limit(first).mapToDouble(LaneStack::high).sum();
            double size = Math.max(LEAST_BAR, room * room / all);
            bar.resizeRelocate(
                    getWidth() - BAR_WIDTH, top + Math.min(room - size, before / all * room), BAR_WIDTH, size);
            bar.toFront();
        }
    }

    /** From the first on as many as fit, the current one among them. */
    private List<Node> shown(double room) {
        boolean hasRoom = current != null && high(current) <= room + GAP;
        int at = hasRoom ? moving.indexOf(current) : -1;
        List<Node> out = new ArrayList<>();
        double left = room + GAP;
        if (at >= 0) {
            left -= high(current);
        }
        int end = first;
        while (end < moving.size() && (end == at || high(moving.get(end)) <= left)) {
            left -= end == at ? 0 : high(moving.get(end));
            end++;
        }
        if (at >= 0 && at < first) {
            out.add(current);
        }
        out.addAll(moving.subList(first, end));
        if (at >= end) {
            out.add(current);
        }
        return out;
    }

    /** The first lane with which the last one comes into view. */
    private int lastFirst(double room) {
        double sum = 0;
        int index = moving.size();
        while (index > 0 && sum + high(moving.get(index - 1)) <= room + GAP) {
            index--;
            sum += high(moving.get(index));
        }
        return Math.min(moving.size() - 1, index);
    }

    private double place(Node row, double y) {
        row.resizeRelocate(0, y, getWidth(), high(row) - GAP);
        return y + high(row);
    }
}
