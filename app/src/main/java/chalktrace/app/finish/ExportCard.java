package chalktrace.app.finish;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Colors;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRange;
import chalktrace.media.UnwritableException;
import chalktrace.media.export.Choice;
import chalktrace.media.export.Choices;
import chalktrace.media.export.Chosen;
import chalktrace.media.export.Chosen.Paper;
import chalktrace.media.export.Chosen.Size;
import chalktrace.media.export.Exporter;
import chalktrace.media.export.Exporters;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.util.StringConverter;

/** What of the shot is written, as what and how; each kind keeps what was chosen for it. */
final class ExportCard extends VBox {

    /** What belongs to one shot, and is as usual in the next. */
    private static final Set<Choice<?>> OF_ONE_SHOT = Set.of(Chosen.RANGE, Chosen.LEVELS);

    private static final List<Size> SIZES =
            List.of(new Size(25, true), new Size(50, true), Size.WHOLE, new Size(200, true));

    private final Session session;
    private final FileChoice files;
    private final Exporting exporting;
    private final ComboBox<Exporter> kind = new ComboBox<>();
    private final VBox rows = new VBox(6);
    private final ExportPreview preview;
    private final Label facts = Rows.hint("");
    private final Map<String, Choices> chosen = new HashMap<>();

    /** Which frames are written. */
    private enum Span {
        WHOLE_SHOT,
        PLAYED_FRAMES,
        THIS_FRAME,
        TYPED_FRAMES
    }

    /** On what. */
    private enum Ground {
        SHOTS_PAPER,
        NO_PAPER,
        ANOTHER_COLOUR
    }

    ExportCard(Session session, FileChoice files) {
        super(6);
        this.session = session;
        this.files = files;
        this.exporting = new Exporting(session, files);
        this.preview = new ExportPreview(session);
        facts.setId("export-facts");
        kind.setId("export-kind");
        kind.getItems().setAll(Exporters.all());
        kind.setConverter(ShownAs.words(Exporter::title));
        kind.setValue(session.preferences()
                .left("export")
                .flatMap(Exporters::byId)
                .orElse(Exporters.all().get(0)));
        kind.setMaxWidth(Double.MAX_VALUE);
        kind.setFocusTraversable(false);
        kind.setOnAction(event -> {
            session.preferences().setLeft("export", exporter().id());
            makeRows();
        });
        var export = Buttons.main(Icons.MOVIE, Words.FINISH.of("export-now"), this::export);
        export.setId("export-now");
        export.setMaxWidth(Double.MAX_VALUE);
        getChildren().addAll(Rows.section(Words.FINISH.of("export")), kind, rows, preview, facts, export);
        session.document().whenOpened(() -> {
            chosen.clear();
            makeRows();
        });
        makeRows();
        Refresh.on(
                this,
                this::show,
                session.document().shotProperty(),
                session.transport().frameProperty(),
                session.transport().playingProperty(),
                session.footages().latestProperty());
    }

    private Exporter exporter() {
        return kind.getValue();
    }

    private Choices choices() {
        return chosen.computeIfAbsent(exporter().id(), id -> kept(exporter()));
    }

    private Choices kept(Exporter exporter) {
        Choices all = Choices.USUAL;
        for (Choice<?> choice : exporter.choices()) {
            Optional<String> text = session.preferences().left(setting(exporter, choice));
            try {
                all = text.isPresent() ? all.read(choice, text.get()) : all;
            } catch (IllegalArgumentException e) {
                // A setting that was damaged is as in a new program.
                continue;
            }
        }
        return all;
    }

    private static String setting(Exporter exporter, Choice<?> choice) {
        return "export-" + exporter.id() + "-" + choice.id();
    }

    private <T> void choose(Choice<T> choice, T value) {
        Choices now = choices().with(choice, value);
        chosen.put(exporter().id(), now);
        if (!OF_ONE_SHOT.contains(choice)) {
            session.preferences().setLeft(setting(exporter(), choice), choice.write(value));
        }
        show();
    }

    private void makeRows() {
        rows.getChildren().setAll(exporter().choices().stream().map(this::row).toList());
        show();
    }

    private Node row(Choice<?> choice) {
        if (choice == Chosen.RANGE) {
            return spanRow();
        }
        if (choice == Chosen.SIZE) {
            return sizeRow();
        }
        if (choice.id().equals(Chosen.PAPER.id())) {
            return paperRow(choice == Chosen.PAPER);
        }
        return choice == Chosen.LEVELS ? levelsRow() : plain(choice);
    }

    private <T> Node plain(Choice<T> choice) {
        return ChoiceRow.of(choice, choices().get(choice), value -> choose(choice, value));
    }

    /** Frames are said in the shot's numbers, as everywhere on the screen. */
    private Node spanRow() {
        ComboBox<Span> spans = new ComboBox<>();
        spans.getItems().setAll(Span.values());
        spans.setConverter(ShownAs.names(Words.FINISH));
        TextField typed = new TextField();
        typed.setId("export-frames");
        typed.setPrefColumnCount(5);
        typed.setPromptText(Words.FINISH.of("first-to-last"));
        Optional<FrameRange> range = choices().get(Chosen.RANGE);
        spans.setValue(range.isEmpty() ? Span.WHOLE_SHOT : Span.TYPED_FRAMES);
        range.ifPresent(frames -> typed.setText(numbers(frames)));
        Rows.show(typed, range.isPresent());
        spans.setOnAction(event -> {
            FrameRange within = session.transport().withinProperty().get();
            int frame = session.transport().frame();
            Optional<FrameRange> frames =
                    switch (spans.getValue()) {
                        case WHOLE_SHOT -> Optional.empty();
                        case PLAYED_FRAMES -> Optional.ofNullable(within);
                        case THIS_FRAME -> Optional.of(FrameRange.of(frame, 1));
                        case TYPED_FRAMES -> Optional.of(session.shot().setup().frames());
                    };
            typed.setText(frames.map(this::numbers).orElse(""));
            Rows.show(typed, spans.getValue() == Span.TYPED_FRAMES);
            choose(Chosen.RANGE, frames);
        });
        Runnable take = () -> {
            Optional<FrameRange> frames = frames(typed.getText());
            typed.getStyleClass().remove("wrong");
            if (frames.isPresent()) {
                choose(Chosen.RANGE, frames);
            } else if (typed.isVisible()) {
                typed.getStyleClass().add("wrong");
            }
        };
        typed.setOnAction(event -> take.run());
        typed.focusedProperty().addListener((property, before, focused) -> {
            if (!focused) {
                take.run();
            }
        });
        return ChoiceRow.labelled(Chosen.RANGE, spans, typed);
    }

    private String numbers(FrameRange frames) {
        ShotSetup setup = session.shot().setup();
        return setup.number(frames.start()) + (frames.frames() == 1 ? "" : "–" + setup.number(frames.last()));
    }

    /** What was typed in the shot's numbers; empty when it is no part of the shot. */
    private Optional<FrameRange> frames(String text) {
        String[] ends = text.strip().split("\\s*[-–]\\s*");
        int first = session.shot().setup().number(0);
        try {
            int from = Integer.parseInt(ends[0]) - first;
            int to = Integer.parseInt(ends[ends.length - 1]) - first;
            boolean inShot =
                    from >= 0 && to >= from && to < session.shot().setup().length();
            return inShot ? Optional.of(new FrameRange(from, to + 1)) : Optional.empty();
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    private Node sizeRow() {
        ComboBox<Size> sizes = new ComboBox<>();
        sizes.getItems().setAll(SIZES);
        sizes.setEditable(true);
        Size now = choices().get(Chosen.SIZE);
        sizes.setConverter(new StringConverter<>() {
            @Override
            public String toString(Size size) {
                return size == null ? "" : Chosen.SIZE.write(size);
            }

            @Override
            public Size fromString(String text) {
                try {
                    return Chosen.SIZE.read(text.strip().replace(" ", ""));
                } catch (IllegalArgumentException e) {
                    session.notices().problem(e.getMessage());
                    return choices().get(Chosen.SIZE);
                }
            }
        });
        sizes.setValue(now);
        sizes.setOnAction(event -> choose(Chosen.SIZE, sizes.getValue()));
        return ChoiceRow.labelled(Chosen.SIZE, sizes);
    }

    private Node paperRow(boolean canBeNone) {
        ComboBox<Ground> grounds = new ComboBox<>();
        grounds.getItems().setAll(Ground.values());
        if (!canBeNone) {
            grounds.getItems().remove(Ground.NO_PAPER);
        }
        grounds.setConverter(ShownAs.names(Words.FINISH));
        ColorPicker color = new ColorPicker(Color.WHITE);
        color.getStyleClass().add("without-letters");
        color.setMinWidth(44);
        Paper now = choices().get(Chosen.PAPER);
        now.color().ifPresent(own -> color.setValue(Colors.of(own)));
        grounds.setValue(
                now.isNone() ? Ground.NO_PAPER : now.color().isPresent() ? Ground.ANOTHER_COLOUR : Ground.SHOTS_PAPER);
        Rows.show(color, grounds.getValue() == Ground.ANOTHER_COLOUR);
        Runnable take = () -> {
            Rows.show(color, grounds.getValue() == Ground.ANOTHER_COLOUR);
            choose(
                    Chosen.PAPER,
                    switch (grounds.getValue()) {
                        case SHOTS_PAPER -> Paper.OF_SHOT;
                        case NO_PAPER -> Paper.NONE;
                        case ANOTHER_COLOUR -> new Paper(Optional.of(Colors.rgb(color.getValue())), false);
                    });
        };
        grounds.setOnAction(event -> take.run());
        color.setOnAction(event -> take.run());
        return ChoiceRow.labelled(Chosen.PAPER, grounds, color);
    }

    private Node levelsRow() {
        MenuButton levels = new MenuButton();
        Runnable name = () -> {
            List<String> names = choices().get(Chosen.LEVELS);
            levels.setText(names.isEmpty() ? Words.FINISH.of("all-that-are-shown") : String.join(", ", names));
        };
        levels.setOnShowing(event -> {
            List<String> names = new ArrayList<>(choices().get(Chosen.LEVELS));
            levels.getItems()
                    .setAll(session.shot().levels().stream()
                            .map(Level::name)
                            .distinct()
                            .map(level -> levelItem(level, names, name))
                            .toList());
        });
        // A menu button without an entry does not open.
        levels.getItems().add(new CheckMenuItem(""));
        name.run();
        return ChoiceRow.labelled(Chosen.LEVELS, levels);
    }

    private CheckMenuItem levelItem(String level, List<String> names, Runnable chose) {
        CheckMenuItem item = new CheckMenuItem(level);
        item.setSelected(names.contains(level));
        item.setOnAction(event -> {
            names.remove(level);
            if (item.isSelected()) {
                names.add(level);
            }
            choose(Chosen.LEVELS, List.copyOf(names));
            chose.run();
        });
        return item;
    }

    /** What will be written. */
    private void show() {
        Shot shot = session.shot();
        boolean pictures = exporter().showsFootage();
        Rows.show(preview, pictures);
        try {
            FrameRange frames = Chosen.frames(shot, choices());
            PictureSize size = Chosen.size(shot, choices());
            ShotSetup setup = shot.setup();
            String written = Words.FINISH.count(
                    "frames-of-size",
                    frames.frames(),
                    size,
                    setup.rate().spoken(),
                    String.format(Locale.ROOT, "%.2f", setup.rate().seconds(frames.frames())));
            boolean lost = choices().get(Chosen.PAPER).isNone()
                    && shot.levels().stream()
                            .anyMatch(level ->
                                    shot.isShown(level) && level.style().multiply());
            facts.setText(
                    !pictures ? "" : lost ? written + " " + Words.FINISH.of("multiplying-levels-cover") : written);
            if (pictures) {
                preview.show(choices(), frames);
            }
        } catch (UnwritableException e) {
            facts.setText(e.getMessage());
        }
    }

    private void export() {
        Exporter exporter = exporter();
        Choices now = choices();
        files.export(exporter, session.shot().name()).ifPresent(target -> exporting.run(exporter, target, now));
    }
}
