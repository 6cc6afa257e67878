package chalktrace.app.gather;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.space.Model;
import chalktrace.core.time.Conform;
import chalktrace.core.time.Conform.Pace;
import chalktrace.core.time.ConformReport;
import chalktrace.media.footage.Gathered;
import chalktrace.media.footage.Reference;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * Footage that is looked at before it is taken in: from where to where, every which picture, and how its rate meets the
 * shot's; what will come of it is told before. Numbers are the looked-at pictures', as the readout shows them.
 */
final class LookCard extends VBox {

    private final Session session;
    private final Gathered.Pictures pictures;
    private final NumberField in;
    private final NumberField out;
    private final NumberField every;
    private final NumberField speed;
    private final boolean isRun;
    private final NumberField start;
    private final ToggleGroup pace = new ToggleGroup();
    private final CheckBox lengthFollows = new CheckBox(Words.GATHER.of("set-the-shots-length-to"));
    private final CheckBox setupFollows = new CheckBox();
    private final Label result = Rows.hint("");

    LookCard(Session session, Gathered source) {
        this.session = session;
        this.pictures = source.pictures().orElseThrow();
        setupFollows.setText(Words.GATHER.of(
                "use-its-size-and-the-usual", pictures.shotRate().spoken()));
        getStyleClass().add("card");
        Label name = new Label(source.file().getFileName().toString());
        name.getStyleClass().add("strong");
        int first = firstNumber();
        in = new NumberField("in", first, this::show);
        out = new NumberField("out", first + pictures.times().count() - 1, this::show);
        every = new NumberField("every", 1, this::show);
        // A run of pictures has no time of its own, but a rate that the artist knows.
        isRun = pictures.kind() == Reference.Kind.PICTURE_RUN;
        speed = isRun
                ? new NumberField("rate", session.shot().setup().rate().framesPerSecond(), this::show)
                : new NumberField("speed", 1, this::show);
        start = new NumberField("start", session.shot().setup().number(source.startFrame()), this::show);
        boolean untouched = session.shot().footage().isEmpty()
                && session.shot().levels().stream()
                        .allMatch(level -> level.drawings().isEmpty());
        for (CheckBox box : List.of(lengthFollows, setupFollows)) {
            box.setSelected(untouched);
            box.setFocusTraversable(false);
            box.setOnAction(event -> show());
        }
        Button take = Buttons.main(Icons.ADD, Words.GATHER.of("import-button"), this::takeIn);
        take.setId("take-in");
        Button back = Buttons.edged(Icons.CLOSE, Words.GATHER.of("cancel"), session.looking()::end);
        result.setId("look-result");
        getChildren().addAll(name, Rows.hint(facts(source)));
        if (pictures.model().isEmpty()) {
            getChildren()
                    .addAll(
                            row(
                                    Words.GATHER.of("in"),
                                    in,
                                    Buttons.text(
                                            Words.GATHER.of("set-in"),
                                            Words.GATHER.of("the-picture-at-the-gate"),
                                            () -> here(in))),
                            row(
                                    Words.GATHER.of("out"),
                                    out,
                                    Buttons.text(
                                            Words.GATHER.of("set-out"),
                                            Words.GATHER.of("the-picture-at-the-gate-last"),
                                            () -> here(out))),
                            row(Words.GATHER.of("every"), every, Rows.quiet(Words.GATHER.of("picture"))),
                            paces(),
                            isRun
                                    ? row(
                                            Words.GATHER.of("rate"),
                                            speed,
                                            Rows.quiet(Words.GATHER.of("pictures-a-second")))
                                    : row(Words.GATHER.of("speed"), speed, Rows.quiet(Words.GATHER.of("times"))));
        }
        getChildren()
                .addAll(
                        row(Words.GATHER.of("start"), start, Rows.quiet(Words.GATHER.of("in-the-shot"))),
                        lengthFollows);
        if (pictures.model().isEmpty()) {
            getChildren().addAll(setupFollows);
        } else {
            setupFollows.setSelected(false);
        }
        getChildren().addAll(result, foot(take, back));
        show();
    }

    private static HBox foot(Button take, Button back) {
        HBox foot = new HBox(8, take, back);
        foot.setAlignment(Pos.CENTER_LEFT);
        return foot;
    }

    private String facts(Gathered source) {
        if (pictures.model().isPresent()) {
            return facts(pictures.model().get().model());
        }
        int count = pictures.times().count();
        return String.format(
                Locale.ROOT,
                Words.GATHER.of("fps-pictures-sound"),
                pictures.size(),
                pictures.rate().spoken(),
                count,
                pictures.times().endSeconds(count - 1),
                source.soundSeconds()
                        .map(seconds -> String.format(Locale.ROOT, Words.GATHER.of("sound-s"), seconds))
                        .orElse(Words.GATHER.of("no-sound")));
    }

    private static String facts(Model model) {
        StringBuilder facts = new StringBuilder(String.format(
                Locale.ROOT,
                Words.GATHER.of("3d-model-d-triangles-joints"),
                model.triangles(),
                model.joints().size()));
        model.motions()
                .forEach(motion -> facts.append(
                        String.format(Locale.ROOT, Words.GATHER.of("s"), motion.name(), motion.seconds())));
        model.notes().forEach(note -> facts.append(System.lineSeparator()).append(note));
        return facts.toString();
    }

    private HBox paces() {
        HBox box = new HBox(
                paceButton(
                        Words.GATHER.of("keep-time"), Words.GATHER.of("each-frame-shows-the-picture"), Pace.KEEP_TIME),
                paceButton(
                        Words.GATHER.of("picture-for-frame"),
                        Words.GATHER.of("each-picture-becomes-one-frame"),
                        Pace.PICTURE_FOR_FRAME));
        box.getStyleClass().add("edged-box");
        box.setMaxWidth(Region.USE_PREF_SIZE);
        pace.selectToggle(pace.getToggles().get(0));
        return box;
    }

    private ToggleButton paceButton(String text, String use, Pace of) {
        ToggleButton button = Buttons.toggle(text, use);
        button.setUserData(of);
        button.setToggleGroup(pace);
        button.setOnAction(event -> {
            button.setSelected(true);
            show();
        });
        return button;
    }

    private void here(NumberField field) {
        field.set(firstNumber() + session.transport().frame());
        show();
    }

    private void show() {
        result.getStyleClass().remove("bad");
        try {
            Conform conform = conform();
            ShotSetup setup = setup(conform);
            if (pictures.model().isPresent()) {
                result.setText(Words.GATHER.of("it-shows-on-all-frames", setup.number(conform.startFrame())));
                return;
            }
            ConformReport report = ConformReport.of(conform, setup.rate(), pictures.times());
            int last = conform.startFrame() + conform.frames(setup.rate(), pictures.times()) - 1;
            result.setText(String.format(
                    Locale.ROOT,
                    Words.GATHER.of("frames-s-shot-frames-to"),
                    report.rows().size(),
                    report.seconds(),
                    setup.number(conform.startFrame()),
                    setup.number(last),
                    report.repeated().size(),
                    report.dropped().size(),
                    last >= setup.length() ? " " + Words.GATHER.of("the-shot-ends-before-it") : ""));
        } catch (IllegalArgumentException e) {
            result.getStyleClass().add("bad");
            result.setText(e.getMessage());
        }
    }

    private void takeIn() {
        try {
            Conform conform = conform();
            boolean givesRate = setupFollows.isSelected();
            session.looking().takeIn(conform, setup(conform));
            if (givesRate) {
                session.gathering().sayRate(pictures);
            }
        } catch (IllegalArgumentException e) {
            session.notices().problem(e.getMessage());
        }
    }

    private Conform conform() {
        int count = pictures.times().count();
        int from = (int) in.value() - firstNumber();
        int to = (int) out.value() - firstNumber();
        if (from < 0 || to >= count || to < from) {
            throw new IllegalArgumentException(Words.GATHER.of(
                    "it-has-pictures-to-from", firstNumber(), firstNumber() + count - 1, (int) in.value(), (int)
                            out.value()));
        }
        Pace chosen = count == 1
                ? Pace.HELD
                : Optional.ofNullable(pace.getSelectedToggle())
                        .map(toggle -> (Pace) toggle.getUserData())
                        .orElse(Pace.KEEP_TIME);
        int startFrame = session.shot().setup().frame((int) start.value());
        if (pictures.model().isPresent()) {
            return new Conform(startFrame, 0, count, 1, Pace.KEEP_TIME);
        }
        return new Conform(startFrame, from, to + 1, (int) every.value(), chosen, speed());
    }

    private double speed() {
        return isRun ? speed.value() / pictures.rate().framesPerSecond() : speed.value();
    }

    private ShotSetup setup(Conform conform) {
        ShotSetup now = session.shot().setup();
        ShotSetup base = setupFollows.isSelected()
                ? new ShotSetup(pictures.shotRate(), pictures.size(), now.length(), now.firstNumber(), now.paper())
                : now;
        int end = conform.startFrame() + conform.frames(base.rate(), pictures.times());
        return lengthFollows.isSelected() && conform.pace() != Pace.HELD
                ? base.withLength(Math.max(1, Math.min(ShotSetup.LONGEST, end)))
                : base;
    }

    private int firstNumber() {
        return session.shot().setup().firstNumber();
    }

    private static HBox row(String name, NumberField field, Node after) {
        Label label = Rows.quiet(name);
        label.setMinWidth(56);
        HBox row = new HBox(8, label, field, after);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
