package chalktrace.app.tray.gather;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.ReferenceEdits;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.media.footage.Reference;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleFunction;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** One clip of footage: what it is, how it meets the shot, how it looks under the drawing. */
final class FootageCard extends VBox {

    private final Session session;
    private final FileChoice files;
    private final String id;
    private final ImageView picture = new ImageView();
    private final Label name = new Label();
    private final Label facts = Rows.hint("");
    private final Label meets = Rows.hint("");
    private final Label problem = Rows.hint("");
    private final Button find = Buttons.edged(Icons.FIND_FILE, "Find the file", this::find);
    private final Button eye = Buttons.icon(
            Icons.SHOWN, "show or hide this footage", () -> change("show or hide", f -> f.withVisible(!f.visible())));
    private final ValueSlider opacity;
    private final ValueSlider lighten;
    private final ValueSlider tint;
    private final ValueSlider x;
    private final ValueSlider y;
    private final ValueSlider size;
    private final ValueSlider turn;
    private final ValueSlider saturation;
    private final CheckBox mirrored = new CheckBox("mirrored");
    private final CheckBox over = new CheckBox("over the drawings");
    private final TextField note = new TextField();

    FootageCard(Session session, FileChoice files, String id) {
        this.session = session;
        this.files = files;
        this.id = id;
        getStyleClass().add("card");
        name.getStyleClass().add("strong");
        Button remove = Buttons.icon(Icons.REMOVE, "take this footage out of the shot", () -> session.document()
                .apply(ReferenceEdits.remove(id)));
        Button replace = Buttons.icon(Icons.REPLACE, "put another file in its place; all else stays", this::find);
        HBox head = new HBox(4, name, Rows.space(), replace, eye, remove);
        for (CheckBox box : List.of(mirrored, over)) {
            box.setFocusTraversable(false);
        }
        mirrored.setOnAction(event -> change("mirror", f -> f.withMirrored(mirrored.isSelected())));
        over.setOnAction(event -> change(
                "put over or under the drawings",
                f -> f.withWhere(over.isSelected() ? Footage.Where.OVER_DRAWINGS : Footage.Where.UNDER_DRAWINGS)));
        note.setPromptText("where it is from, what it may be used for");
        note.setFocusTraversable(false);
        note.setOnAction(event -> getParent().requestFocus());
        note.focusedProperty().addListener((property, before, focused) -> {
            if (!focused
                    && !note.getText()
                            .equals(session.shot()
                                    .footage(id)
                                    .map(Footage::note)
                                    .orElse(note.getText()))) {
                change("note", f -> f.withNote(note.getText()));
            }
        });
        head.setAlignment(Pos.CENTER_LEFT);
        HBox top = new HBox(8, picture, new VBox(2, facts, meets));
        problem.getStyleClass().add("bad");
        opacity = slider(
                "opacity", 0, 100, 0, v -> f -> f.withPlacement(f.placement().withOpacity(v / 100)));
        lighten = slider("lighten", 0, 100, 0, v -> f -> f.withLook(f.look().withLighten(v / 100)));
        tint = slider("tint", 0, 100, 0, v -> f -> f.withLook(f.look().withTint(v / 100)));
        x = slider(
                "right",
                -2000,
                2000,
                0,
                v -> f -> f.withPlacement(
                        f.placement().withPosition(v, f.placement().y())));
        y = slider(
                "down",
                -2000,
                2000,
                0,
                v -> f ->
                        f.withPlacement(f.placement().withPosition(f.placement().x(), v)));
        size = slider(
                "size %", 5, 400, 0, v -> f -> f.withPlacement(f.placement().withScale(v / 100)));
        turn = slider(
                "turn \u00b0",
                -180,
                180,
                1,
                v -> f -> f.withPlacement(f.placement().withDegrees(v)));
        saturation =
                slider("saturation", 0, 100, 0, v -> f -> f.withLook(f.look().withSaturation(v / 100)));
        getChildren()
                .addAll(
                        head,
                        top,
                        problem,
                        find,
                        opacity,
                        lighten,
                        saturation,
                        tint,
                        x,
                        y,
                        size,
                        turn,
                        mirrored,
                        over,
                        note);
    }

    void show(Footage clip) {
        name.setText(clip.name());
        eye.setGraphic(Theme.icon(clip.visible() ? Icons.SHOWN : Icons.HIDDEN));
        String wrong = session.footages().problems().get(clip.file());
        show(problem, wrong != null);
        show(find, wrong != null);
        problem.setText(wrong == null ? "" : wrong);
        getStyleClass().remove("problem");
        if (wrong != null) {
            getStyleClass().add("problem");
        }
        Reference reference = session.footages().opened().get(clip.file());
        if (reference != null) {
            describe(clip, reference);
            session.thumbnails().of(clip.file(), 0, reference.times().count()).ifPresent(picture::setImage);
        } else if (wrong == null) {
            facts.setText("reading\u2026");
        }
        Placement placement = clip.placement();
        opacity.show(placement.opacity() * 100);
        lighten.show(clip.look().lighten() * 100);
        tint.show(clip.look().tint() * 100);
        x.show(placement.x());
        y.show(placement.y());
        size.show(placement.scale() * 100);
        turn.show(placement.degrees());
        saturation.show(clip.look().saturation() * 100);
        mirrored.setSelected(clip.mirrored());
        over.setSelected(clip.where() == Footage.Where.OVER_DRAWINGS);
        if (!note.isFocused()) {
            note.setText(clip.note());
        }
    }

    private void describe(Footage clip, Reference reference) {
        int count = reference.times().count();
        facts.setText(
                count == 1
                        ? reference.displaySize() + ", one picture"
                        : String.format(
                                Locale.ROOT,
                                "%s, %s fps%n%d pictures, %.2f s",
                                reference.displaySize(),
                                reference.rate().spoken(),
                                count,
                                reference.times().endSeconds(count - 1)));
        if (!reference.notes().isEmpty()) {
            facts.setText(facts.getText() + System.lineSeparator() + String.join(" ", reference.notes()));
        }
        FrameRate rate = session.shot().setup().rate();
        Conform conform = clip.conform();
        int first = session.shot().setup().number(conform.startFrame());
        meets.setText(
                switch (conform.pace()) {
                    case HELD -> "held for the whole shot";
                    case PICTURE_FOR_FRAME -> "a picture a frame from frame " + first;
                    case KEEP_TIME ->
                        "frames " + first + " to "
                                + (first + conform.frames(rate, reference.times()) - 1)
                                + (rate.equals(reference.rate()) ? "" : ", nearest picture");
                });
    }

    private ValueSlider slider(
            String label, double low, double high, int decimals, DoubleFunction<UnaryOperator<Footage>> change) {
        DoubleFunction<Edit> edit = value -> ReferenceEdits.change("set " + label, id, change.apply(value));
        return new ValueSlider(label, low, high, decimals, value -> {
                    session.document().preview(null);
                    session.document().apply(edit.apply(value));
                })
                .previewing(value -> session.document().preview(edit.apply(value)));
    }

    private void change(String what, UnaryOperator<Footage> change) {
        session.document().apply(ReferenceEdits.change(what + " footage", id, change));
    }

    private void find() {
        files.openMedia().filter(chosen -> !chosen.isEmpty()).ifPresent(chosen -> session.gathering()
                .find(session.shot().footage(id).map(Footage::file).orElse(""), chosen.get(0)));
    }

    private static void show(Node node, boolean shown) {
        node.setVisible(shown);
        node.setManaged(shown);
    }
}
