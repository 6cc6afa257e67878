package chalktrace.app.tray.gather;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.core.edit.ReferenceEdits;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.SoundClip.Trim;
import chalktrace.core.sound.Peaks;
import java.util.Locale;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** One sound: how long it is, where it starts, how loud it is. */
final class SoundCard extends VBox {

    private final Session session;
    private final Label name = new Label();
    private final Label facts = Rows.hint("");
    private final Button mute;
    private final Button find;
    private final ValueSlider gain;
    private final ValueSlider start;
    private final ValueSlider head;
    private final ValueSlider tail;
    private final Button detach;
    private String file = "";

    SoundCard(Session session, FileChoice files, String id) {
        this.session = session;
        getStyleClass().add("card");
        name.getStyleClass().add("strong");
        mute = Buttons.icon(
                Icons.AUDIBLE,
                "mute or unmute this sound",
                () -> change(id, "mute or unmute", c -> c.withMuted(!c.muted())));
        find = Buttons.edged(Icons.FIND_FILE, "Find the file", () -> files.openMedia()
                .filter(chosen -> !chosen.isEmpty())
                .ifPresent(chosen -> session.gathering().find(file, chosen.get(0))));
        Button remove = Buttons.icon(Icons.REMOVE, "take this sound out of the shot", () -> session.document()
                .apply(ReferenceEdits.remove(id)));
        HBox titleRow = new HBox(4, name, Rows.space(), mute, remove);
        titleRow.setAlignment(Pos.CENTER_LEFT);
        gain = new ValueSlider("gain dB", -40, 12, 1, value -> change(id, "set the gain of", c -> c.withGain(value)));
        start = new ValueSlider("starts at s", -60, 600, 3, value -> change(id, "move", c -> c.withStart(value)));
        head = new ValueSlider(
                "leave out s",
                0,
                600,
                3,
                value -> change(
                        id, "trim", c -> c.withTrim(new Trim(value, c.trim().tailSeconds()))));
        tail = new ValueSlider(
                "at its end s",
                0,
                600,
                3,
                value -> change(id, "trim", c -> c.withTrim(new Trim(c.trim().headSeconds(), value))));
        detach = Buttons.edged(
                Icons.DETACH, "Let it go its own way", () -> session.document().apply(ReferenceEdits.detach(id)));
        detach.setId("detach-sound");
        getChildren().addAll(titleRow, facts, find, gain, start, head, tail, detach);
    }

    void show(SoundClip clip) {
        file = clip.file();
        name.setText(clip.name());
        mute.setGraphic(Theme.icon(clip.muted() ? Icons.MUTED : Icons.AUDIBLE));
        String problem = session.sounds().problems().get(clip.file());
        Peaks peaks = session.sounds().peaks().get(clip.file());
        getStyleClass().remove("problem");
        if (problem != null) {
            getStyleClass().add("problem");
        }
        find.setVisible(problem != null);
        find.setManaged(problem != null);
        facts.setText(
                problem != null
                        ? problem
                        : peaks == null
                                ? "reading\u2026"
                                : String.format(
                                        Locale.ROOT,
                                        "sound, %.2f s, from frame %d%s",
                                        peaks.sound().seconds(),
                                        session.shot()
                                                .setup()
                                                .number(session.shot()
                                                        .setup()
                                                        .rate()
                                                        .nearestFrame(clip.heardFrom())),
                                        clip.isAttached() ? ", moves with its footage" : ""));
        gain.show(clip.gainDecibels());
        start.show(clip.startSeconds());
        head.show(clip.trim().headSeconds());
        tail.show(clip.trim().tailSeconds());
        detach.setVisible(clip.isAttached());
        detach.setManaged(clip.isAttached());
    }

    private void change(String id, String what, UnaryOperator<SoundClip> change) {
        session.document().apply(ReferenceEdits.changeSound(what + " a sound", id, change));
    }
}
