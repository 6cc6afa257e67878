package chalktrace.app.session;

import chalktrace.app.keys.Action;
import chalktrace.app.words.Words;
import chalktrace.core.render.LiftedPiece;
import chalktrace.core.render.OnionSkin;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Ink;
import java.util.List;
import java.util.Locale;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;

/** How the shot is looked at and worked on. Nothing of it is part of the shot, so nothing of it is undone. */
public final class View {

    /** What the pen does. */
    public record Tool(String id) {

        public static final Tool CHALK = new Tool("chalk");
        public static final Tool DUSTER = new Tool("duster");
        public static final Tool PICK = new Tool("pick");
        public static final Tool FILL = new Tool("fill");
        public static final Tool GUIDES = new Tool("guides");
    }

    /** What line the chalk draws. */
    public enum LineKind {
        FREE,
        STRAIGHT,
        ELLIPSE,
        /** A free line that ends where it began. */
        CLOSED
    }

    /** Which frames are stepped to and seen, by their marks. */
    public enum Only {
        ALL,
        KEYS,
        KEYS_AND_BREAKDOWNS
    }

    /** How what is picked is taken hold of. */
    public enum Handling {
        WHOLE,
        /** Its four corners, freely. */
        CORNERS,
        /** A bend grid. */
        GRID,
        /** The points and handles of one stroke. */
        POINTS
    }

    /** What the duster takes off. */
    public enum Duster {
        STROKE,
        TOUCH,
        CROSSING
    }

    /** A frame of a level at which a drawing is to begin. */
    public record Awaited(String level, int frame) {}

    /** The steps of the work. */
    public enum Step {
        GATHER(Words.TRACE.of("gather"), Action.GO_GATHER),
        STUDY(Words.TRACE.of("study"), Action.GO_STUDY),
        TRACE(Words.TRACE.of("trace"), Action.GO_TRACE),
        VOICE(Words.TRACE.of("voice"), Action.GO_VOICE),
        FINISH(Words.TRACE.of("finish"), Action.GO_FINISH);

        private final String title;
        private final Action goes;

        Step(String title, Action goes) {
            this.title = title;
            this.goes = goes;
        }

        public String title() {
            return title;
        }

        /** What goes to it. */
        public Action goes() {
            return goes;
        }

        /** As it is named in files. */
        public String id() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final double USUAL_DUSTER_PX = 24;

    private final BooleanProperty asking = new SimpleBooleanProperty();
    private final ObjectProperty<Tool> tool = new SimpleObjectProperty<>(Tool.CHALK);
    private final DoubleProperty dusterWidth = new SimpleDoubleProperty(USUAL_DUSTER_PX);
    private final ObjectProperty<Duster> duster = new SimpleObjectProperty<>(Duster.STROKE);
    private final BooleanProperty pickByBox = new SimpleBooleanProperty();
    private final BooleanProperty shiftHeld = new SimpleBooleanProperty();
    private final DoubleProperty steadiness = new SimpleDoubleProperty(Ink.USUAL_STEADINESS);
    private final StringProperty alone = new SimpleStringProperty();
    private final ObjectProperty<LineKind> lineKind = new SimpleObjectProperty<>(LineKind.FREE);
    private final BooleanProperty withinPaint = new SimpleBooleanProperty();
    private final BooleanProperty snapToGuides = new SimpleBooleanProperty(true);
    private final BooleanProperty guidesShown = new SimpleBooleanProperty(true);
    private final ObjectProperty<Handling> handling = new SimpleObjectProperty<>(Handling.WHOLE);
    private final BooleanProperty pickAcross = new SimpleBooleanProperty();
    private final ObjectProperty<Placing> placing = new SimpleObjectProperty<>();
    private final ObjectProperty<Step> step = new SimpleObjectProperty<>(Step.TRACE);
    private final ObjectProperty<List<LiftedPiece>> lifted = new SimpleObjectProperty<>(List.of());
    private final ObjectProperty<OnionSkin> onion = new SimpleObjectProperty<>(OnionSkin.usual(""));
    private final BooleanProperty onionAllLevels = new SimpleBooleanProperty();
    private final BooleanProperty onionSkin = new SimpleBooleanProperty(true);
    private final BooleanProperty footageHidden = new SimpleBooleanProperty();
    private final BooleanProperty footageOff = new SimpleBooleanProperty();
    private final BooleanProperty greyPaper = new SimpleBooleanProperty();
    private final ObjectProperty<List<Mark>> proposedMarks = new SimpleObjectProperty<>(List.of());
    private final ObjectProperty<Only> only = new SimpleObjectProperty<>(Only.ALL);
    private final BooleanProperty footageRuns = new SimpleBooleanProperty();
    private final BooleanProperty spectrogram = new SimpleBooleanProperty();
    private final BooleanProperty pushesWhatFollows = new SimpleBooleanProperty();
    private final BooleanProperty sheet = new SimpleBooleanProperty();
    private final BooleanProperty wholeWindow = new SimpleBooleanProperty();
    private final BooleanProperty trayNarrow = new SimpleBooleanProperty();
    private final BooleanProperty setupOpen = new SimpleBooleanProperty();
    private final BooleanProperty trayLeft = new SimpleBooleanProperty();
    private final BooleanProperty peekBack = new SimpleBooleanProperty();
    private final BooleanProperty flipped = new SimpleBooleanProperty();
    private final IntegerProperty keptFrame = new SimpleIntegerProperty();
    private final BooleanProperty eachStep = new SimpleBooleanProperty();
    private final ObjectProperty<Awaited> awaited = new SimpleObjectProperty<>();

    /** What the pointer places on the board, in place of drawing; null for nothing. */
    public ObjectProperty<Placing> placingProperty() {
        return placing;
    }

    /** Whether a question stands that has to be answered before anything is drawn. */
    public BooleanProperty askingProperty() {
        return asking;
    }

    public ObjectProperty<Tool> toolProperty() {
        return tool;
    }

    public ObjectProperty<Duster> dusterProperty() {
        return duster;
    }

    /** Whether strokes are picked by a box that touches them, and not by a loop round them. */
    public BooleanProperty pickByBoxProperty() {
        return pickByBox;
    }

    /** Whether Shift is held over the board: what is picked next comes to what is picked already, and lines are straight. */
    public BooleanProperty shiftHeldProperty() {
        return shiftHeld;
    }

    /** How much the chalk's line is steadied, from 0 (raw) to 1 (slow). */
    public DoubleProperty steadinessProperty() {
        return steadiness;
    }

    /** The one level that is shown alone, by its id; null for all. */
    public StringProperty aloneProperty() {
        return alone;
    }

    public ObjectProperty<LineKind> lineKindProperty() {
        return lineKind;
    }

    /** Whether the chalk paints only on what is painted already. */
    public BooleanProperty withinPaintProperty() {
        return withinPaint;
    }

    /** Whether lines that start near a guide run along it. */
    public BooleanProperty snapToGuidesProperty() {
        return snapToGuides;
    }

    public BooleanProperty guidesShownProperty() {
        return guidesShown;
    }

    public ObjectProperty<Handling> handlingProperty() {
        return handling;
    }

    /** Whether loops and boxes pick on all levels that show and are not locked. */
    public BooleanProperty pickAcrossProperty() {
        return pickAcross;
    }

    public ObjectProperty<Step> stepProperty() {
        return step;
    }

    /** The pieces of drawings that are being dragged; empty while none is. */
    public ObjectProperty<List<LiftedPiece>> liftedProperty() {
        return lifted;
    }

    /** How neighbours shine through; on which levels is said by the level in hand and {@link #onionAllLevelsProperty}. */
    public ObjectProperty<OnionSkin> onionProperty() {
        return onion;
    }

    /** Whether neighbours shine through on all levels, and not on the current one only. */
    public BooleanProperty onionAllLevelsProperty() {
        return onionAllLevels;
    }

    public BooleanProperty onionSkinProperty() {
        return onionSkin;
    }

    /** Whether the key that hides footage, or while it is off shows it, is held. */
    public BooleanProperty footageHiddenProperty() {
        return footageHidden;
    }

    /** Whether footage stays hidden on the board. */
    public BooleanProperty footageOffProperty() {
        return footageOff;
    }

    public boolean footageIsSeen() {
        return footageHidden.get() == footageOff.get();
    }

    /** Whether the paper is shown grey while one works, for chalks that do not show on the shot's own; exports keep that. */
    public BooleanProperty greyPaperProperty() {
        return greyPaper;
    }

    /** Keys and breakdowns that are proposed and not yet taken. */
    public ObjectProperty<List<Mark>> proposedMarksProperty() {
        return proposedMarks;
    }

    /** Which frames are stepped to and seen; each holds until the next of them. */
    public ObjectProperty<Only> onlyProperty() {
        return only;
    }

    /** Whether footage runs on while only marked frames are seen, and is not held with them. */
    public BooleanProperty footageRunsProperty() {
        return footageRuns;
    }

    /** Whether dragging the end of a hold pushes what follows, and does not take from it, for as long as Alt is held. */
    public BooleanProperty pushesWhatFollowsProperty() {
        return pushesWhatFollows;
    }

    /** The frame that is seen for one at the gate: the last marked one up to it, where only such are seen. */
    public int seen(Shot shot, int frame) {
        return only.get() == Only.ALL
                ? frame
                : shot.marks().stream()
                        .filter(mark -> isSeen(mark) && mark.frame() <= frame)
                        .mapToInt(Mark::frame)
                        .max()
                        .orElse(frame);
    }

    /** Whether a mark's frame is seen. */
    public boolean isSeen(Mark mark) {
        return mark.isOfShot()
                && (mark.kind() == Mark.Kind.KEY
                        || mark.kind() == Mark.Kind.BREAKDOWN && only.get() == Only.KEYS_AND_BREAKDOWNS);
    }

    /** Whether sound lanes show which frequencies sound, and not only how loud it is. */
    public BooleanProperty spectrogramProperty() {
        return spectrogram;
    }

    /** Whether the exposure sheet lies in the board's place. */
    public BooleanProperty sheetProperty() {
        return sheet;
    }

    /** Whether tray and ledge are put away, so that the board fills the window. */
    public BooleanProperty wholeWindowProperty() {
        return wholeWindow;
    }

    /** How wide the duster is, in px of the shot. */
    public DoubleProperty dusterWidthProperty() {
        return dusterWidth;
    }

    /** Whether a stroke within a hold makes a new drawing where a step of the hold in force begins, in place of going onto the one that shows. */
    public BooleanProperty eachStepProperty() {
        return eachStep;
    }

    /** Whether the tray is narrow, with levels and chalk only. */
    public BooleanProperty trayNarrowProperty() {
        return trayNarrow;
    }

    /** Whether the shot's set-up is open in Gather. */
    public BooleanProperty setupOpenProperty() {
        return setupOpen;
    }

    /** Whether the tray stands at the left of the window. */
    public BooleanProperty trayLeftProperty() {
        return trayLeft;
    }

    /** Whether the drawing before the present one is shown in its place, for as long as a key is held. */
    public BooleanProperty peekBackProperty() {
        return peekBack;
    }

    /** Whether the kept frame is shown in place of the one at the gate, for as long as a key is held. */
    public BooleanProperty flippedProperty() {
        return flipped;
    }

    /** The frame that flipping shows. */
    public IntegerProperty keptFrameProperty() {
        return keptFrame;
    }

    /** Where one has gone on to within the hold of the last drawing: the next stroke makes a drawing there. Null for nowhere. */
    public ObjectProperty<Awaited> awaitedProperty() {
        return awaited;
    }
}
