package chalktrace.app.kernel;

import chalktrace.core.edit.selection.Pick;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;

/** What is chosen, by id: it stays chosen through edits and undo, and quietly ends when it is gone. */
public final class Selection {

    /** A thing on the bench. */
    public record Item(Kind kind, String id) {

        /** What it is. */
        public enum Kind {
            WORD,
            CUE,
            /** A showing of a drawing; the id is the level's, then a colon, then its first frame. */
            SHOWING
        }

        public static Item showing(String levelId, int start) {
            return new Item(Kind.SHOWING, levelId + ":" + start);
        }

        /** The level of a showing. */
        public String levelId() {
            return id.substring(0, id.lastIndexOf(':'));
        }

        /** The first frame of a showing. */
        public int start() {
            return Integer.parseInt(id.substring(id.lastIndexOf(':') + 1));
        }
    }

    private final StringProperty level = new SimpleStringProperty();
    private final StringProperty chalk = new SimpleStringProperty();
    private final ObjectProperty<Pick> pick = new SimpleObjectProperty<>();
    private final ObjectProperty<List<Pick>> alsoPicked = new SimpleObjectProperty<>(List.of());
    private final ObjectProperty<Item> item = new SimpleObjectProperty<>();

    public Selection(Document document) {
        document.shotProperty().addListener((property, before, now) -> keepWithin(now));
        pick.addListener((property, before, now) -> alsoPicked.set(List.of()));
        document.whenOpened(() -> startWith(document.shot()));
        startWith(document.shot());
    }

    /** The id of the level that is drawn on. */
    public StringProperty levelProperty() {
        return level;
    }

    public String level() {
        return level.get();
    }

    /** The id of the chalk in hand. */
    public StringProperty chalkProperty() {
        return chalk;
    }

    /** The chosen thing on the bench; null for none. */
    public ObjectProperty<Item> itemProperty() {
        return item;
    }

    /** What is picked on other levels besides, to be changed together with {@link #pickProperty}. */
    public ReadOnlyObjectProperty<List<Pick>> alsoPickedProperty() {
        return alsoPicked;
    }

    /** Picks on several levels at once; the first is the main one. */
    public void pickAll(List<Pick> picks) {
        alsoPicked.set(List.of());
        pick.set(picks.isEmpty() ? null : picks.get(0));
        alsoPicked.set(picks.isEmpty() ? List.of() : List.copyOf(picks.subList(1, picks.size())));
    }

    /** All that is picked, the main pick first. */
    public List<Pick> picks() {
        List<Pick> all = new ArrayList<>();
        if (pick.get() != null) {
            all.add(pick.get());
            all.addAll(alsoPicked.get());
        }
        return all;
    }

    /** What of a drawing is picked; null for nothing. */
    public ObjectProperty<Pick> pickProperty() {
        return pick;
    }

    public boolean isPicked() {
        return pick.get() != null;
    }

    public boolean isChosen(Item.Kind kind, String id) {
        return new Item(kind, id).equals(item.get());
    }

    private void startWith(Shot shot) {
        item.set(null);
        pick.set(null);
        chalk.set(shot.chalks().get(0).id());
        level.set(workedOn(shot).map(Level::id).orElse(null));
    }

    /** The level on which a shot was drawn most; mouths are set and not drawn, and what can't be drawn on is none. */
    private static Optional<Level> workedOn(Shot shot) {
        return shot.levels().stream()
                .filter(l -> !shot.isLocked(l) && shot.isShown(l))
                .filter(l ->
                        l.style().role() != LevelStyle.Role.MOUTH && !l.style().held())
                .reduce((front, back) ->
                        back.drawings().size() > front.drawings().size() ? back : front)
                .or(() -> firstFree(shot));
    }

    private void keepWithin(Shot shot) {
        if (pick.get() != null && !pick.get().isIn(shot)) {
            pick.set(null);
        }
        if (alsoPicked.get().stream().anyMatch(other -> !other.isIn(shot))) {
            alsoPicked.set(List.of());
        }
        if (level.get() == null || shot.level(level.get()).isEmpty()) {
            level.set(firstFree(shot).map(Level::id).orElse(null));
        }
        if (shot.chalks().stream().noneMatch(c -> c.id().equals(chalk.get()))) {
            chalk.set(shot.chalks().get(0).id());
        }
    }

    private static Optional<Level> firstFree(Shot shot) {
        return shot.levels().stream()
                .filter(l -> !shot.isLocked(l) && shot.isShown(l))
                .findFirst()
                .or(() -> shot.levels().stream().findFirst());
    }
}
