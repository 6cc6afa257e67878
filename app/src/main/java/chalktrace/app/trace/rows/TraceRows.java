package chalktrace.app.trace.rows;

import chalktrace.app.cards.FindingList;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelGroup;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The levels as a stack of sheets with the front one on top, then what the tool in hand offers, what is used while drawing, and the rest folded. */
public final class TraceRows extends VBox {

    private final TraceWork work;
    private final Session session;
    private final VBox sheets = new VBox(4);
    private final Map<String, LevelSheet> byLevel = new HashMap<>();
    private final Map<String, GroupSheet> byGroup = new HashMap<>();
    private final LevelStyleRows style;
    private final ChalkRows chalk;

    public TraceRows(TraceWork work, FileChoice files) {
        this.work = work;
        this.session = work.session();
        this.style = new LevelStyleRows(session);
        this.chalk = new ChalkRows(work);
        getStyleClass().add("step-rows");
        HBox levelsHead = new HBox(
                2,
                Rows.section(Words.TRACE.of("levels")),
                Rows.space(),
                Buttons.icon(Icons.ADD, Words.TRACE.of("new-level-in-front-of"), this::addLevel),
                Buttons.icon(Icons.UP, Words.TRACE.of("current-level-to-the-front"), () -> reorder(-1)),
                Buttons.icon(Icons.DOWN, Words.TRACE.of("current-level-to-the-back"), () -> reorder(1)),
                Buttons.icon(Icons.REMOVE, Words.TRACE.of("remove-the-current-level"), () -> session.document()
                        .apply(LevelEdits.remove(session.selection().level()))));
        levelsHead.setAlignment(Pos.BOTTOM_LEFT);
        getChildren()
                .addAll(
                        levelsHead,
                        sheets,
                        new PickRows(work),
                        new FillRows(work),
                        new GuideRows(session),
                        new OnionRows(session),
                        new UnderlayRow(session),
                        Rows.section(Words.TRACE.of("current-chalk")),
                        chalk,
                        FindingList.brief(session),
                        new Fold(Words.TRACE.of("the-current-level"), false, style),
                        new Fold(Words.TRACE.of("timing"), false, new TimingRows(session)),
                        new Fold(Words.TRACE.of("cycles"), false, new CycleRows(session)),
                        new Fold(Words.TRACE.of("in-betweens"), false, new BetweenRows(work)),
                        new Fold(Words.TRACE.of("the-pen"), false, new PenRows(session)),
                        new Fold(
                                Words.TRACE.of("import-and-export-drawing"),
                                false,
                                Rows.hint(Words.TRACE.of("what-is-copied-and-pasted")),
                                new HBox(
                                        6,
                                        Buttons.words(
                                                Words.TRACE.of("import"),
                                                Words.TRACE.of("an-svg-drawing-or-a"),
                                                () -> files.openDrawing().ifPresent(work.drawingExchange()::takeIn)),
                                        Buttons.words(
                                                Words.TRACE.of("save-as-svg"),
                                                Words.TRACE.of("the-selection-or-else-the"),
                                                () -> files.saveDrawing("drawing.svg")
                                                        .ifPresent(work.drawingExchange()::save)))));
        Refresh.on(
                this,
                this::show,
                session.document().shotProperty(),
                session.selection().levelProperty(),
                session.selection().chalkProperty());
    }

    private void show() {
        byLevel.keySet()
                .retainAll(session.shot().levels().stream().map(Level::id).toList());
        List<Node> all = new ArrayList<>();
        byGroup.keySet()
                .retainAll(session.shot().groups().stream().map(LevelGroup::id).toList());
        Set<String> headed = new HashSet<>();
        for (Level level : session.shot().levels()) {
            // A group stands over the first of its levels.
            session.shot()
                    .groupOf(level.id())
                    .filter(group -> headed.add(group.id()))
                    .ifPresent(group -> {
                        GroupSheet head = byGroup.computeIfAbsent(group.id(), id -> new GroupSheet(session, id));
                        head.show(group);
                        all.add(head);
                    });
            LevelSheet sheet = byLevel.computeIfAbsent(level.id(), id -> new LevelSheet(session, id));
            sheet.show(level);
            all.add(sheet);
        }
        if (!sheets.getChildren().equals(all)) {
            sheets.getChildren().setAll(all);
        }
        style.show(session.shot().level(String.valueOf(session.selection().level())));
        chalk.show();
    }

    private void addLevel() {
        String id = session.shot().newId("level");
        session.document()
                .apply(LevelEdits.add(
                        id,
                        Words.TRACE.of("level", session.shot().levels().size() + 1),
                        String.valueOf(session.selection().level())));
        session.selection().levelProperty().set(id);
    }

    private void reorder(int by) {
        session.document().apply(LevelEdits.reorder(session.selection().level(), by));
    }
}
