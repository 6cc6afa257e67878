package chalktrace.app.voice;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Placing;
import chalktrace.app.session.Session;
import chalktrace.app.session.Timing;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthChart.Side;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthRules;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Speaker;
import chalktrace.core.shot.Speech;
import chalktrace.core.shot.Word;
import chalktrace.core.speech.ShippedMouths;
import chalktrace.core.time.FrameRange;
import chalktrace.media.file.MouthFiles;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.TilePane;
import javafx.scene.layout.VBox;

/** The mouth chart as pictures, the rules by which mouths follow sounds, and the level on which they are drawn. */
final class MouthRows extends VBox {

    private final VoiceWork work;
    private final Session session;
    private final FileChoice files;
    private final TilePane chart = new TilePane(4, 4);
    private final List<MouthTile> mouths = new ArrayList<>();
    private final CheckBox showMouths = new CheckBox(Words.VOICE.of("show-mouths-on-the-board"));
    private final Button level;
    private final Button onBoard;
    private final Label chartName = Rows.hint("");
    private final ComboBox<String> phone = new ComboBox<>();
    private final ComboBox<String> phoneMouth = new ComboBox<>();
    private final ValueSlider lead;
    private final ValueSlider least;
    private final ValueSlider rest;
    private final ValueSlider ahead;
    private final CheckBox twos = new CheckBox(Words.VOICE.of("on-twos"));
    private final CheckBox opened = new CheckBox(Words.VOICE.of("loud-vowels-open-wider"));
    private final TextField part = new TextField();
    private final ComboBox<String> speaker = new ComboBox<>();
    private final HBox speakerRow = new HBox(6, Rows.quiet(Words.VOICE.of("speaker")), speaker);
    private MouthChart shown;

    MouthRows(VoiceWork work, FileChoice files) {
        super(6);
        this.work = work;
        this.session = work.session();
        this.files = files;
        chart.setPrefColumns(3);
        showMouths.setFocusTraversable(false);
        showMouths.setOnAction(
                event -> session.document().apply(SpeechEdits.placeMouths(place(showMouths.isSelected()))));
        level = Buttons.edged(Icons.ADD, Words.VOICE.of("put-them-on-a-level"), () -> session.document()
                .apply(MouthLevels.make(place(false))));
        level.setId("mouth-level");
        onBoard = Buttons.edged(Icons.PLACE, Words.VOICE.of("place-them-on-the-board"), this::placeOnBoard);
        onBoard.setId("place-mouths");
        onBoard.setTooltip(new Tooltip(Words.VOICE.of("move-scale-and-turn-them")));
        lead = rule(
                Words.VOICE.of("earlier-ms"),
                0,
                MouthRules.MOST_LEAD_MILLIS,
                (r, v) -> new MouthRules(
                        v, r.leastMillis(), r.restMillis(), r.roundAheadMillis(), r.every(), r.opened()));
        least = rule(
                Words.VOICE.of("held-ms"),
                0,
                250,
                (r, v) ->
                        new MouthRules(r.leadMillis(), v, r.restMillis(), r.roundAheadMillis(), r.every(), r.opened()));
        rest = rule(
                Words.VOICE.of("rests-after"),
                0,
                1000,
                (r, v) -> new MouthRules(
                        r.leadMillis(), r.leastMillis(), v, r.roundAheadMillis(), r.every(), r.opened()));
        ahead = rule(
                Words.VOICE.of("rounds-early"),
                0,
                300,
                (r, v) -> new MouthRules(r.leadMillis(), r.leastMillis(), r.restMillis(), v, r.every(), r.opened()));
        speaker.setId("mouth-speaker");
        speaker.setFocusTraversable(false);
        speaker.setConverter(ShownAs.words(name -> name.isEmpty() ? Words.VOICE.of("everybody") : name));
        speaker.setTooltip(new Tooltip(Words.VOICE.of("each-speaker-has-mouths-a")));
        speaker.setOnAction(event -> Optional.ofNullable(speaker.getValue())
                .filter(name -> !name.equals(session.shot().speech().speaker().name()))
                .ifPresent(name -> session.document().apply(SpeechEdits.speaker(name))));
        speakerRow.setAlignment(Pos.CENTER_LEFT);
        twos.setFocusTraversable(false);
        twos.setOnAction(event -> rules(r -> new MouthRules(
                r.leadMillis(),
                r.leastMillis(),
                r.restMillis(),
                r.roundAheadMillis(),
                twos.isSelected() ? 2 : 1,
                r.opened())));
        opened.setFocusTraversable(false);
        opened.setOnAction(event -> rules(r -> new MouthRules(
                r.leadMillis(),
                r.leastMillis(),
                r.restMillis(),
                r.roundAheadMillis(),
                r.every(),
                opened.isSelected())));
        getChildren()
                .addAll(
                        Rows.section(Words.VOICE.of("mouth-at-the-gate")),
                        speakerRow,
                        chart,
                        new FlowPane(
                                4,
                                4,
                                Buttons.words(
                                        Words.VOICE.of("reset-to-dialogue"),
                                        Words.VOICE.of("the-mouth-at-the-gate"),
                                        this::release)),
                        showMouths,
                        onBoard,
                        level,
                        new Fold(Words.VOICE.of("mouth-level"), false, levelRows()),
                        new Fold(Words.VOICE.of("chart-and-rules"), false, chartRows()));
        Refresh.on(
                this,
                this::show,
                session.document().shotProperty(),
                session.transport().frameProperty());
    }

    private Node levelRows() {
        part.setId("mouth-part");
        part.setPromptText(Words.VOICE.of("part-such-as-head-empty"));
        part.setFocusTraversable(false);
        part.getStyleClass().add("part-field");
        VBox rows = new VBox(
                6,
                Rows.hint(Words.VOICE.of("from-the-gate-on-or")),
                new FlowPane(
                        4,
                        4,
                        side(Words.VOICE.of("the-front"), Side.FRONT),
                        side(Words.VOICE.of("three-quarters"), Side.THREE_QUARTER),
                        side(Words.VOICE.of("the-side"), Side.SIDE)),
                Rows.hint(Words.VOICE.of("follow-what-the-current-level")),
                part,
                Buttons.words(
                        Words.VOICE.of("follow-it"),
                        Words.VOICE.of("mouths-move-turn-and-grow"),
                        () -> work.mouthFollowing()
                                .followPart(
                                        String.valueOf(session.selection().level()),
                                        part.getText().strip())),
                Buttons.words(
                        Words.VOICE.of("follow-the-footage-button"),
                        Words.VOICE.of("the-head-about-the-mouth"),
                        work.mouthFollowing()::followFootage),
                Rows.hint(Words.VOICE.of("the-level-is-drawn-moved")));
        return rows;
    }

    private Node side(String name, Side side) {
        return Buttons.words(name, Words.VOICE.of("mouths-drawn-as-seen-from"), () -> {
            Timing.Span span = session.timing().spanProperty().get();
            int gate = session.transport().frame();
            FrameRange frames = span != null
                    ? span.frames()
                    : new FrameRange(gate, session.shot().setup().length());
            session.document().apply(MouthLevels.turn(frames, side));
        });
    }

    private Node chartRows() {
        phone.getItems().setAll(Phone.SYMBOLS);
        phone.setPromptText(Words.VOICE.of("sound"));
        phoneMouth.setPromptText(Words.VOICE.of("mouth"));
        phone.setFocusTraversable(false);
        phoneMouth.setFocusTraversable(false);
        phone.setOnAction(event -> Optional.ofNullable(phone.getValue())
                .ifPresent(symbol -> phoneMouth.setValue(
                        session.shot().speech().chart().mouthOf(symbol).id())));
        HBox gives = new HBox(
                4,
                phone,
                phoneMouth,
                Buttons.words(Words.VOICE.of("give"), Words.VOICE.of("this-sound-is-shown-by"), () -> {
                    if (phone.getValue() != null && phoneMouth.getValue() != null) {
                        chart(
                                Words.VOICE.of("give-a-sound-to-a"),
                                c -> c.giving(phone.getValue(), phoneMouth.getValue()));
                    }
                }));
        gives.setAlignment(Pos.CENTER_LEFT);
        return new VBox(
                6,
                chartName,
                new FlowPane(
                        4,
                        4,
                        Buttons.words(
                                Words.VOICE.of("ten-mouths"),
                                Words.VOICE.of("the-larger-shipped-chart"),
                                () -> chart(Words.VOICE.of("ten-mouths-lower"), c -> MouthChart.TEN)),
                        Buttons.words(
                                Words.VOICE.of("six"),
                                Words.VOICE.of("the-smaller-one"),
                                () -> chart(Words.VOICE.of("six-mouths"), c -> MouthChart.SIX)),
                        Buttons.words(Words.VOICE.of("import"), Words.VOICE.of("a-chart-from-a-json"), this::takeIn),
                        Buttons.words(Words.VOICE.of("export"), Words.VOICE.of("this-chart-as-a-json"), this::write)),
                gives,
                lead,
                least,
                rest,
                ahead,
                twos,
                opened);
    }

    private ValueSlider rule(String name, int least, int most, BiFunction<MouthRules, Integer, MouthRules> with) {
        return new ValueSlider(name, least, most, 0, value -> rules(r -> with.apply(r, (int) Math.round(value))));
    }

    private void rules(UnaryOperator<MouthRules> change) {
        apply(Words.VOICE.of("mouth-rules"), speech -> speech.withRules(change.apply(speech.rules())));
    }

    private void chart(String name, UnaryOperator<MouthChart> change) {
        apply(name, speech -> speech.withChart(change.apply(speech.chart())));
    }

    private void apply(String name, UnaryOperator<Speech> change) {
        try {
            session.document().apply(SpeechEdits.rules(name, change));
        } catch (IllegalArgumentException e) {
            session.notices().problem(e.getMessage());
        }
        show();
    }

    private void takeIn() {
        files.openChart().ifPresent(file -> session.jobs()
                .run(
                        Words.VOICE.of("import-mouth-chart"),
                        job -> MouthFiles.read(file),
                        read -> chart(Words.VOICE.of("import-mouth-chart"), c -> read),
                        session.notices()::problem));
    }

    private void write() {
        MouthChart chartNow = session.shot().speech().chart();
        files.saveChart("mouths.json").ifPresent(file -> session.jobs()
                .run(
                        Words.VOICE.of("write-the-mouth-chart"),
                        job -> {
                            MouthFiles.write(chartNow, file);
                            return file;
                        },
                        written -> session.notices().say(Words.VOICE.of("wrote", written.getFileName())),
                        session.notices()::problem));
    }

    private void show() {
        Shot shot = session.shot();
        MouthChart now = shot.speech().chart();
        if (!now.equals(shown)) {
            shown = now;
            mouths.clear();
            for (MouthChart.Mouth mouth : now.mouths()) {
                mouths.add(new MouthTile(
                        ShippedMouths.shape(mouth.id()), mouth.sounds(), mouth.phones(), () -> setMouth(mouth.id())));
            }
            chart.getChildren().setAll(mouths);
            phoneMouth
                    .getItems()
                    .setAll(now.mouths().stream().map(MouthChart.Mouth::id).toList());
            chartName.setText(Words.VOICE.of("chart", now.name()));
        }
        showSpeakers(shot.speech());
        int frame = session.transport().frame();
        String here = work.mouthsSeen().of(shot).stream()
                .filter(span -> span.range().contains(frame))
                .findFirst()
                .map(MouthSpan::shape)
                .orElse("");
        mouths.forEach(tile -> tile.setCurrent(tile.shape().equals(here)));
        boolean onLevel = MouthLevels.find(shot).isPresent();
        showMouths.setSelected(shot.mouthPlace().filter(MouthPlace::visible).isPresent());
        Rows.show(showMouths, !onLevel);
        Rows.show(level, !onLevel);
        MouthRules rules = shot.speech().rules();
        lead.show(rules.leadMillis());
        least.show(rules.leastMillis());
        rest.show(rules.restMillis());
        ahead.show(rules.roundAheadMillis());
        twos.setSelected(rules.every() == 2);
        opened.setSelected(rules.opened());
    }

    private void showSpeakers(Speech speech) {
        List<String> names = Stream.of(
                        Stream.of(speech.speaker().name(), ""),
                        speech.others().stream().map(Speaker::name),
                        speech.words().stream().map(Word::speaker))
                .flatMap(all -> all)
                .distinct()
                .sorted()
                .toList();
        Rows.show(speakerRow, names.size() > 1);
        if (!speaker.getItems().equals(names)) {
            speaker.getItems().setAll(names);
        }
        speaker.setValue(speech.speaker().name());
    }

    /** Sets the mouth by hand for as long as the one at the gate shows. */
    private void setMouth(String shape) {
        int frame = session.transport().frame();
        FrameRange frames = session.shot()
                .mouthAt(frame)
                .map(MouthSpan::range)
                .orElse(FrameRange.of(frame, session.framesFromHere()));
        session.document().apply(SpeechEdits.setMouth(frames, shape));
        if (session.shot().mouthPlace().isEmpty()) {
            session.document().apply(SpeechEdits.placeMouths(place(true)));
        }
    }

    private void placeOnBoard() {
        if (MouthLevels.find(session.shot()).isEmpty()
                && session.shot().mouthPlace().filter(MouthPlace::visible).isEmpty()) {
            session.document().apply(SpeechEdits.placeMouths(place(true)));
        }
        session.view().placingProperty().set(Placing.mouths());
    }

    private void release() {
        session.shot().mouthAt(session.transport().frame()).ifPresent(span -> session.document()
                .apply(SpeechEdits.releaseMouths(span.range())));
    }

    /** Where mouths are drawn: as before, or in the middle of a new shot. */
    private MouthPlace place(boolean visible) {
        double width = session.shot().setup().size().width();
        double height = session.shot().setup().size().height();
        MouthPlace place = session.shot().mouthPlace().orElse(new MouthPlace(width / 2, height / 2, width / 12, true));
        return new MouthPlace(place.x(), place.y(), place.width(), visible);
    }
}
