package chalktrace.app.cards;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.edit.reference.SoundEdits;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.SoundClip.Fade;
import chalktrace.core.shot.SoundClip.Trim;
import chalktrace.core.sound.Peaks;
import chalktrace.core.sound.ShotMix;
import java.util.Locale;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** One sound: how long it is, where it starts, how loud it is, how it comes and goes. */
public final class SoundCard extends VBox {

    private static final double SAMPLE = 1.0 / ShotMix.SAMPLE_RATE;

    private final Session session;
    private final Label name = new Label();
    private final Label facts = Rows.hint("");
    private final Button mute;
    private final Button find;
    private final Button allow;
    private final ValueSlider gain;
    private final ValueSlider start;
    private final ValueSlider head;
    private final ValueSlider tail;
    private final ValueSlider fadeIn;
    private final ValueSlider fadeOut;
    private final CheckBox solo;
    private final Button detach;
    private String file = "";

    public SoundCard(Session session, FileChoice files, String id) {
        this.session = session;
        getStyleClass().add("card");
        name.getStyleClass().add("strong");
        mute = Buttons.icon(
                Icons.AUDIBLE,
                Words.VOICE.of("mute-or-unmute-this-sound"),
                () -> change(id, Words.VOICE.of("mute-or-unmute"), c -> c.withMuted(!c.muted())));
        allow = Buttons.words(
                Words.VOICE.of("allow-and-read"),
                Words.VOICE.of("read-media-outside-the-shots"),
                session.outsideMedia()::allow);
        find = Buttons.edged(Icons.FIND_FILE, Words.VOICE.of("find-the-file"), () -> files.openMedia()
                .filter(chosen -> !chosen.isEmpty())
                .ifPresent(chosen -> session.gathering().find(file, chosen.get(0))));
        Button remove = Buttons.icon(Icons.REMOVE, Words.VOICE.of("take-this-sound-out-of"), () -> session.document()
                .apply(ReferenceEdits.remove(id)));
        HBox titleRow = new HBox(4, name, Rows.space(), mute, remove);
        titleRow.setAlignment(Pos.CENTER_LEFT);
        gain = new ValueSlider(
                Words.VOICE.of("gain-db"),
                -40,
                12,
                1,
                value -> change(id, Words.VOICE.of("set-the-gain-of"), c -> c.withGain(value)));
        start = new ValueSlider(Words.VOICE.of("starts-at-s"), -60, 600, 3, value -> session.shot()
                .sound(id)
                .ifPresent(clip ->
                        session.soundMoves().move(Words.VOICE.of("move-a-sound"), id, value - clip.startSeconds())));
        head = new ValueSlider(
                Words.VOICE.of("trim-start-s"),
                0,
                600,
                3,
                value -> change(
                        id,
                        Words.VOICE.of("trim"),
                        c -> c.withTrim(new Trim(value, c.trim().tailSeconds()))));
        tail = new ValueSlider(
                Words.VOICE.of("trim-end-s"),
                0,
                600,
                3,
                value -> change(
                        id,
                        Words.VOICE.of("trim"),
                        c -> c.withTrim(new Trim(c.trim().headSeconds(), value))));
        fadeIn = new ValueSlider(
                Words.VOICE.of("fade-in-s"),
                0,
                10,
                3,
                value -> change(
                        id,
                        Words.VOICE.of("fade"),
                        c -> c.withFade(new Fade(value, c.fade().outSeconds()))));
        fadeOut = new ValueSlider(
                Words.VOICE.of("fade-out-s"),
                0,
                10,
                3,
                value -> change(
                        id,
                        Words.VOICE.of("fade"),
                        c -> c.withFade(new Fade(c.fade().inSeconds(), value))));
        solo = new CheckBox(Words.VOICE.of("solo"));
        solo.setTooltip(new Tooltip(Words.VOICE.of("with-others-of-which-that")));
        solo.setFocusTraversable(false);
        solo.setOnAction(event -> change(id, Words.VOICE.of("solo-edit"), c -> c.withSolo(solo.isSelected())));
        FlowPane moves = new FlowPane(
                4,
                4,
                Rows.quiet(Words.VOICE.of("by-a-frame")),
                Buttons.words(Words.VOICE.of("sooner"), Words.VOICE.of("a-frame"), () -> nudge(id, -frame())),
                Buttons.words(Words.VOICE.of("later"), Words.VOICE.of("a-frame"), () -> nudge(id, frame())),
                Rows.quiet(Words.VOICE.of("by-a-sample")),
                Buttons.words(
                        Words.VOICE.of("sooner"),
                        Words.VOICE.of("a-forty-eight-thousandth-of"),
                        () -> nudge(id, -SAMPLE)),
                Buttons.words(
                        Words.VOICE.of("later"),
                        Words.VOICE.of("a-forty-eight-thousandth-of"),
                        () -> nudge(id, SAMPLE)));
        NumberField lead = new NumberField("hit-lead", 0, () -> {});
        lead.setPrefWidth(40);
        lead.setMinWidth(40);
        HBox early = new HBox(4, lead, Rows.quiet(Words.VOICE.of("frames-early")));
        early.setAlignment(Pos.CENTER_LEFT);
        FlowPane hit = new FlowPane(
                4,
                4,
                Buttons.words(
                        Words.VOICE.of("align-hit-to-gate"),
                        Words.VOICE.of("moved-so-that-its-strongest"),
                        () -> session.soundMoves().placeOnGate(id, lead.value())),
                early);
        Button split = Buttons.words(
                Words.VOICE.of("split-at-the-gate"), Words.VOICE.of("two-sounds-that-can-go"), () -> split(id));
        detach = Buttons.edged(Icons.DETACH, Words.VOICE.of("detach-from-footage"), () -> session.document()
                .apply(ReferenceEdits.detach(id)));
        detach.setId("detach-sound");
        getChildren()
                .addAll(
                        titleRow, facts, allow, find, gain, start, moves, hit, head, tail, fadeIn, fadeOut, solo, split,
                        detach);
    }

    public void show(SoundClip clip) {
        file = clip.file();
        name.setText(clip.name());
        mute.setGraphic(Theme.icon(clip.muted() ? Icons.MUTED : Icons.AUDIBLE));
        String problem = session.sounds().problems().get(clip.file());
        Peaks peaks = session.sounds().peaks().get(clip.file());
        getStyleClass().remove("problem");
        if (problem != null) {
            getStyleClass().add("problem");
        }
        boolean held = session.outsideMedia().isHeldBack(clip.file());
        Rows.show(allow, held);
        Rows.show(find, problem != null && !held);
        facts.setText(
                problem != null
                        ? problem
                        : peaks == null
                                ? Words.VOICE.of("reading")
                                : String.format(
                                        Locale.ROOT,
                                        Words.VOICE.of("sound-s-from-frame"),
                                        peaks.sound().seconds(),
                                        session.shot()
                                                .setup()
                                                .number(session.shot()
                                                        .setup()
                                                        .rate()
                                                        .nearestFrame(clip.heardFrom())),
                                        clip.isAttached() ? Words.VOICE.of("moves-with-its-footage") : ""));
        gain.show(clip.gainDecibels());
        start.show(clip.startSeconds());
        head.show(clip.trim().headSeconds());
        tail.show(clip.trim().tailSeconds());
        fadeIn.show(clip.fade().inSeconds());
        fadeOut.show(clip.fade().outSeconds());
        solo.setSelected(clip.solo());
        Rows.show(detach, clip.isAttached());
    }

    private double frame() {
        return session.shot().setup().rate().seconds(1);
    }

    private void split(String id) {
        double gate = session.shot().setup().rate().seconds(session.transport().frame());
        session.shot().sound(id).flatMap(session.sounds()::of).ifPresent(pcm -> session.document()
                .apply(SoundEdits.split(id, gate, pcm.seconds())));
    }

    private void nudge(String id, double seconds) {
        session.soundMoves().move(Words.VOICE.of("move-a-sound"), id, seconds);
    }

    private void change(String id, String what, UnaryOperator<SoundClip> change) {
        session.document().apply(ReferenceEdits.changeSound(Words.VOICE.of("a-sound", what), id, change));
    }
}
