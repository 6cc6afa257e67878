package chalktrace.app.tray.voice;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Selection.Item;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.core.edit.SpeechEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.speech.MouthShape;
import chalktrace.core.speech.ShippedMouths;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.TilePane;
import javafx.scene.layout.VBox;

/** The words with their frames, the mouth chart as pictures, and the cues. */
public final class VoiceTray extends VBox {

    private final Session session;
    private final VBox words = new VBox();
    private final VBox cues = new VBox();
    private final List<MouthTile> mouths = new ArrayList<>();
    private final CheckBox showMouths = new CheckBox("Show mouths on the board");

    /** @param typeWord opens a word at the gate @param typeCue sets a cue at the gate */
    public VoiceTray(Session session, Runnable typeWord, Runnable typeCue) {
        this.session = session;
        getStyleClass().add("content");
        TilePane chart = new TilePane(4, 4);
        chart.setPrefColumns(3);
        for (MouthShape shape : ShippedMouths.front()) {
            MouthTile tile = new MouthTile(shape, () -> setMouth(shape.id()));
            mouths.add(tile);
            chart.getChildren().add(tile);
        }
        showMouths.setFocusTraversable(false);
        showMouths.setOnAction(
                event -> session.document().apply(SpeechEdits.placeMouths(place(showMouths.isSelected()))));
        getChildren()
                .addAll(
                        new HBox(
                                6,
                                Buttons.edged(Icons.ADD, "Word (Enter)", typeWord),
                                Buttons.edged(Icons.ADD, "Cue (X)", typeCue)),
                        Rows.section("Mouth at the gate"),
                        chart,
                        new HBox(Buttons.text(
                                "From the words again",
                                "the mouth at the gate follows the words again",
                                this::release)),
                        showMouths,
                        Rows.section("Words"),
                        words,
                        Rows.section("Cues"),
                        cues);
        Refresh.on(
                this,
                this::showLists,
                session.document().shotProperty(),
                session.selection().itemProperty());
        Refresh.on(
                this,
                this::showMouth,
                session.document().shotProperty(),
                session.transport().frameProperty());
    }

    private void showMouth() {
        Shot shot = session.shot();
        int frame = session.transport().frame();
        String now = shot.mouthAt(frame).map(MouthSpan::shape).orElse("");
        mouths.forEach(tile -> tile.setCurrent(tile.shape().equals(now)));
        showMouths.setSelected(shot.mouthPlace().filter(MouthPlace::visible).isPresent());
    }

    private void showLists() {
        Shot shot = session.shot();
        words.getChildren().setAll(shot.words().stream().map(this::row).toList());
        cues.getChildren().setAll(shot.cues().stream().map(this::row).toList());
        if (shot.words().isEmpty()) {
            words.getChildren()
                    .add(Rows.hint("Press Enter to type a word at the gate; Space ends it and opens the next."));
        }
        if (shot.cues().isEmpty()) {
            cues.getChildren().add(Rows.hint("Press X where the picture must meet a sound."));
        }
    }

    private HBox row(Word word) {
        return row(word.text(), word.startSeconds(), new Item(Item.Kind.WORD, word.id()));
    }

    private HBox row(Cue cue) {
        return row(cue.name(), cue.seconds(), new Item(Item.Kind.CUE, cue.id()));
    }

    private HBox row(String text, double seconds, Item item) {
        int frame = session.shot().setup().rate().nearestFrame(seconds);
        Label number = Rows.number(
                String.format(Locale.ROOT, "%5d", session.shot().setup().number(frame)));
        Label time = Rows.number(String.format(Locale.ROOT, "%.3f s", seconds));
        HBox row = Rows.row(
                () -> {
                    session.selection().itemProperty().set(item);
                    session.transport().go(frame);
                },
                number,
                new Label(text),
                Rows.space(),
                time);
        if (item.equals(session.selection().itemProperty().get())) {
            row.getStyleClass().add("current");
        }
        return row;
    }

    /** Sets the mouth by hand for as long as the one at the gate shows. */
    private void setMouth(String shape) {
        int frame = session.transport().frame();
        FrameRange frames = session.shot()
                .mouthAt(frame)
                .map(MouthSpan::range)
                .orElse(FrameRange.of(frame, session.view().holdFramesProperty().get()));
        session.document().apply(SpeechEdits.setMouth(frames, shape));
        if (session.shot().mouthPlace().isEmpty()) {
            session.document().apply(SpeechEdits.placeMouths(place(true)));
        }
    }

    private void release() {
        int frame = session.transport().frame();
        Optional<MouthSpan> span = session.shot().mouthAt(frame);
        span.ifPresent(s -> session.document().apply(SpeechEdits.releaseMouths(s.range())));
    }

    /** Where mouths are drawn: as before, or in the middle of a new shot. */
    private MouthPlace place(boolean visible) {
        double width = session.shot().setup().size().width();
        double height = session.shot().setup().size().height();
        MouthPlace place = session.shot().mouthPlace().orElse(new MouthPlace(width / 2, height / 2, width / 12, true));
        return new MouthPlace(place.x(), place.y(), place.width(), visible);
    }
}
