package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.session.View;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.GuideEdits;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.edit.reference.TrackEdits;
import chalktrace.core.guide.Guide;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.MovingClip;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.media.file.ShotFile;
import chalktrace.media.testing.TexturedClips;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.event.ActionEvent;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.Pane;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The reference measured: a point touched, followed, put right; proposals taken and refused; the view held still; and all of it undone. */
@ExtendWith(ApplicationExtension.class)
class StudyTest {

    private static final int FRAMES = 60;

    /** Of the bench, before it is zoomed. */
    private static final double FRAME_PX = 14;

    private static final MovingClip CLIP = new MovingClip(4, FRAMES, 14, false, -1);

    /** It takes seconds to write. */
    @TempDir
    static Path written;

    private OpenWindow window;
    private Path shotFile;

    @BeforeAll
    static void write() throws Exception {
        TexturedClips.write(CLIP, written.resolve("thing.mp4"));
    }

    @Start
    void start(Stage stage) throws Exception {
        Path folder = Files.createTempDirectory("study");
        Path movie = Files.copy(written.resolve("thing.mp4"), folder.resolve("thing.mp4"));
        Shot shot = Shot.empty("study", new ShotSetup(FrameRate.of(24), TexturedClips.SIZE, FRAMES, 1, Rgb.WHITE))
                .withFootage(List.of(Footage.of(
                        "footage-1", "thing", movie.toString(), new Conform(0, 0, FRAMES, 1, Conform.Pace.KEEP_TIME))));
        shotFile = folder.resolve("study.chalk");
        ShotFile.fresh().save(shot, shotFile);
        window = new OpenWindow(stage, folder.resolve("state"));
    }

    private Shot shot() {
        return window.session.shot();
    }

    private Track track() {
        return shot().tracks().get(0);
    }

    private double[] truth(int frame) {
        double[] at = CLIP.truth(4, 6, frame);
        return new double[] {at[0] + 0.5, at[1] + 0.5};
    }

    private void fire(FxRobot robot, String id) {
        window.await(() -> robot.lookup("#" + id).tryQuery().isPresent());
        Node node = robot.lookup("#" + id).query();
        robot.interact(() -> ((ButtonBase) node).fire());
        window.awaitSettled();
    }

    private void go(int frame) {
        window.onFx(() -> {
            window.session.transport().go(frame);
            return null;
        });
        window.awaitSettled();
    }

    private void trackOnFrame20(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.STUDY));
        touchOnFrame20(robot);
    }

    private void touchOnFrame20(FxRobot robot) {
        fire(robot, "track-a-point");
        go(20);
        robot.clickOn(window.onScreen(truth(20)[0], truth(20)[1]));
        window.await(() -> shot().tracks().size() == 1);
        window.awaitSettled();
    }

    @Test
    void whatMovesProposesKeysWithoutATouchUntilAPointIsTracked(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.STUDY));
        fire(robot, "find-what-moves");
        window.await(() -> !proposed().isEmpty());
        window.awaitSettled();
        assertThat(shot().tracks()).isEmpty();
        assertThat(isShown(robot, "find-what-moves")).isFalse();
        fire(robot, "take-key-" + firstKey(proposed()));
        assertThat(shot().marks()).hasSize(1);

        fire(robot, "forget-what-moves");
        window.await(() -> proposed().isEmpty());
        assertThat(isShown(robot, "find-what-moves")).isTrue();
        assertThat(shot().marks()).hasSize(1);

        fire(robot, "find-what-moves");
        window.await(() -> !proposed().isEmpty());
        touchOnFrame20(robot);
        window.await(() -> !isShown(robot, "forget-what-moves"));
        assertThat(isShown(robot, "find-what-moves")).isFalse();
    }

    private static boolean isShown(FxRobot robot, String id) {
        Node node = robot.lookup("#" + id).query();
        return node.isVisible() && node.getParent().isVisible();
    }

    private static int firstKey(List<Mark> marks) {
        return marks.stream()
                .filter(mark -> mark.kind() == Mark.Kind.KEY)
                .mapToInt(Mark::frame)
                .min()
                .orElseThrow();
    }

    @Test
    void aPointIsTouchedFollowedPutRightAndGivesProposals(FxRobot robot) {
        trackOnFrame20(robot);
        for (TrackPath.Place place : track().path().places()) {
            double[] truth = truth(place.picture());
            // The pointer hits a whole pixel of the screen.
            assertThat(Math.hypot(place.x() - truth[0], place.y() - truth[1]))
                    .as("picture " + place.picture())
                    .isLessThan(2.5);
        }
        assertThat(track().path().places()).hasSizeGreaterThan(FRAMES / 2);

        go(30);
        TrackPath.Place before = track().path().at(30).orElseThrow();
        Point2D from = window.onScreen(before.x(), before.y());
        Point2D to = window.onScreen(truth(30)[0] + 10, truth(30)[1]);
        robot.moveTo(from).press(MouseButton.PRIMARY).moveTo(to).release(MouseButton.PRIMARY);
        window.await(() -> track().path().byHand().size() == 2);
        assertThat(track().path().at(30).orElseThrow().x()).isCloseTo(truth(30)[0] + 10, within(1.5));
        assertThat(track().path().at(20).orElseThrow().x()).isCloseTo(truth(20)[0], within(1.5));
        undo(robot);
        assertThat(track().path().at(30)).contains(before);
        TextField patch = robot.lookup("#point-patch-number").queryAs(TextField.class);
        robot.interact(() -> {
            patch.setText("20");
            patch.fireEvent(new ActionEvent());
        });
        window.await(() -> track().isPatch());
        window.awaitSettled();
        assertThat(track().path().at(30).orElseThrow().x()).isCloseTo(truth(30)[0], within(1.5));
        undo(robot);

        window.await(() -> !proposed().isEmpty());
        List<Mark> offered = proposed();
        assertThat(shot().marks()).as("nothing is marked without being asked").isEmpty();
        Mark first = offered.get(0);
        Mark second = offered.get(1);
        fire(robot, "take-" + first.kind().name().toLowerCase(Locale.ROOT) + "-" + first.frame());
        assertThat(shot().marks()).containsExactly(first);
        fire(robot, "refuse-" + second.kind().name().toLowerCase(Locale.ROOT) + "-" + second.frame());
        window.await(() -> proposed().stream().noneMatch(mark -> mark.frame() == second.frame()));
        assertThat(shot().marks()).containsExactly(first);
        fire(robot, "take-all-proposals");
        assertThat(shot().marks())
                .extracting(Mark::frame)
                .contains(offered.get(2).frame())
                .doesNotContain(second.frame());
        undo(robot);
        undo(robot);
        undo(robot);
        assertThat(shot().tracks()).isEmpty();
        assertThat(shot().marks()).isEmpty();
    }

    @Test
    void theViewHoldsStillToThePointAndComesBack(FxRobot robot) {
        trackOnFrame20(robot);
        Shot before = shot();
        fire(robot, "hold-still");
        Point2D at = onScreen(20);
        go(26);
        assertThat(onScreen(26).distance(at)).isLessThan(2);
        assertThat(track().path()
                        .at(26)
                        .orElseThrow()
                        .distance(track().path().at(20).orElseThrow()))
                .as("it has moved in the picture")
                .isGreaterThan(20);
        for (int frame = 27; frame <= 45; frame++) {
            go(frame);
        }
        go(20);
        assertThat(onScreen(20).distance(at)).as("whole pixels do not add up").isLessThan(1);
        go(26);
        assertThat(shot()).isSameAs(before);
        fire(robot, "hold-still");
        assertThat(onScreen(26).distance(at)).isGreaterThan(20);
    }

    /** Two points of which the second goes round the first and away from it, by 4 degrees and one part in fifty a frame. */
    private static List<Track> pair() {
        List<TrackPath.Place> first = new ArrayList<>();
        List<TrackPath.Place> second = new ArrayList<>();
        for (int n = 0; n < FRAMES; n++) {
            double x = 100 + 2 * n;
            double length = 40 * (1 + n / 50.0);
            first.add(TrackPath.Place.byHand(n, x, 90));
            second.add(TrackPath.Place.byHand(
                    n, x + length * Math.cos(Math.toRadians(4 * n)), 90 + length * Math.sin(Math.toRadians(4 * n))));
        }
        Track shoulder =
                new Track("track-1", "shoulder", Track.color(0), true, "footage-1", 0, TrackPath.of(first, List.of()));
        Track hand =
                new Track("track-2", "hand", Track.color(1), true, "footage-1", 0, TrackPath.of(second, List.of()));
        return List.of(shoulder, hand);
    }

    private Point2D onScreen(Track track, int frame) {
        TrackPath.Place place = track.path().at(frame).orElseThrow();
        return window.onScreen(place.x(), place.y());
    }

    @Test
    void theViewHoldsStillToAPointThatIsThereWhereNoneIsChosen(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.STUDY));
        window.await(() -> robot.lookup("#hold-still").query().isDisabled());
        robot.interact(() -> window.session.document().apply(TrackEdits.add(pair())));
        window.await(() -> !robot.lookup("#hold-still").query().isDisabled());
        go(10);
        fire(robot, "hold-still");
        Point2D shoulder = onScreen(shot().tracks().get(0), 10);
        go(20);
        assertThat(onScreen(shot().tracks().get(0), 20).distance(shoulder)).isLessThan(2);
    }

    @Test
    void aPairHoldsTheViewStillInTurnAndSizeToo(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.STUDY);
            window.session.document().apply(TrackEdits.add(pair()));
        });
        go(10);
        robot.clickOn("shoulder");
        window.await(() -> robot.lookup("#second-point").tryQuery().isPresent());
        ComboBox<?> second = robot.lookup("#second-point").queryComboBox();
        robot.interact(() -> second.getSelectionModel().select(1));
        assertThat(track().partner()).isEqualTo("track-2");
        window.awaitSettled();
        fire(robot, "hold-still");
        Point2D shoulder = onScreen(shot().tracks().get(0), 10);
        Point2D hand = onScreen(shot().tracks().get(1), 10);
        for (int frame = 11; frame <= 30; frame++) {
            go(frame);
        }
        assertThat(onScreen(shot().tracks().get(0), 30).distance(shoulder)).isLessThan(2);
        assertThat(onScreen(shot().tracks().get(1), 30).distance(hand)).isLessThan(2.5);
        robot.interact(() -> window.session.document().apply(TrackEdits.remove("track-2")));
        assertThat(track().partner()).isEmpty();
    }

    /** One stroke on the only level, shown from the first frame on. */
    private void draw(Stroke stroke, int frames) {
        Level level = Level.empty("level-1", "rough")
                .with(new Drawing(1, List.of(stroke)))
                .with(Exposures.of(new Exposure(0, frames, 1, Placement.AS_IS)));
        window.session.document().apply(new Edit("draw", shot -> shot.withLevels(List.of(level))));
        window.session.selection().levelProperty().set("level-1");
    }

    private double placed(int frame) {
        return shot().levels()
                .get(0)
                .exposures()
                .at(frame)
                .orElseThrow()
                .placement()
                .x();
    }

    /** Attached on one frame, the drawing goes along, also when the point is put right, when the footage is moved, and back when that is undone. */
    @Test
    void anAttachedDrawingFollowsThePointWhenThatIsPutRight(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.STUDY);
            window.session.document().apply(TrackEdits.add(pair()));
            draw(Strokes.line(100, 50, 140, 50), FRAMES);
        });
        go(10);
        robot.clickOn("shoulder");
        fire(robot, "attach-drawing");
        assertThat(placed(10)).isZero();
        assertThat(placed(20)).isCloseTo(20, within(1e-6));
        robot.interact(() -> window.session
                .document()
                .apply(TrackEdits.change(
                        "correct",
                        "track-1",
                        track -> track.withPath(track.path().with(TrackPath.Place.byHand(20, 155, 90))))));
        assertThat(placed(20)).as("put right by 15 px").isCloseTo(35, within(1e-6));
        assertThat(placed(21)).isCloseTo(22, within(1e-6));
        undo(robot);
        assertThat(placed(20)).as("one step of the history").isCloseTo(20, within(1e-6));
        robot.interact(() -> window.session
                .document()
                .apply(ReferenceEdits.change(
                        "scale", "footage-1", clip -> clip.withPlacement(Placement.AS_IS.withScale(2)))));
        assertThat(placed(20)).isCloseTo(40, within(1e-6));
        fire(robot, "detach-1");
        robot.interact(() -> window.session
                .document()
                .apply(ReferenceEdits.change("scale", "footage-1", clip -> clip.withPlacement(Placement.AS_IS))));
        assertThat(placed(20)).isCloseTo(40, within(1e-6));
    }

    /** In the lane and large over the board: a touch goes to its frame, a drag chooses a span of the current level. */
    @Test
    void theGraphGoesToFramesAndChoosesSpans(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.STUDY);
            window.session.document().apply(TrackEdits.add(pair()));
            draw(Strokes.line(100, 50, 140, 50), FRAMES);
        });
        go(30);
        fire(robot, "graph-large");
        Node graph = robot.lookup("#large-graph").query();
        assertThat(graph.isVisible()).isTrue();
        Bounds on = graph.localToScreen(graph.getBoundsInLocal());
        robot.clickOn(on.getCenterX() - 5 * FRAME_PX, on.getCenterY());
        window.awaitSettled();
        int there = window.session.transport().frame();
        assertThat(there).isBetween(24, 26);
        assertThat(window.session.timing().spanProperty().get()).isNull();
        robot.drag(on.getCenterX() + FRAME_PX / 2, on.getCenterY())
                .dropTo(on.getCenterX() + 4.5 * FRAME_PX, on.getCenterY());
        assertThat(window.session.timing().spanProperty().get().levels()).containsExactly("level-1");
        assertThat(window.session.timing().spanProperty().get().frames().frames())
                .isEqualTo(5);
        assertThat(window.session.transport().frame()).as("it stays").isEqualTo(there);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.TRACE));
        assertThat(graph.isVisible()).isFalse();
    }

    private Point2D floor() {
        window.awaitSettled();
        Guide.Spot spot =
                shot().guides(window.session.transport().frame()).get(0).point(0);
        return window.onScreen(spot.x(), spot.y());
    }

    /** A floor line goes along with the point, can be dragged where it lies, and stays there when it is let go. */
    @Test
    void aGuideGoesAlongWithThePointAndCanBeDraggedOnTheWay(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.STUDY);
            window.session.document().apply(TrackEdits.add(pair()));
            window.session
                    .document()
                    .apply(GuideEdits.add(new Guide("guide-1", Guide.Kind.ONE_POINT, List.of(new Guide.Spot(60, 40)))));
        });
        go(10);
        robot.clickOn("shoulder");
        window.await(() -> robot.lookup("#attach-other").tryQuery().isPresent());
        MenuButton attach = (MenuButton) robot.lookup("#attach-other").query();
        assertThat(attach.getItems()).hasSize(1);
        robot.interact(() -> attach.getItems().get(0).fire());
        Point2D before = floor();
        go(20);
        Point2D moved = floor();
        assertThat(moved.getX() - before.getX())
                .isCloseTo(window.onScreen(20, 0).getX() - window.onScreen(0, 0).getX(), within(0.5));
        robot.interact(() -> window.session.view().toolProperty().set(View.Tool.GUIDES));
        robot.drag(moved.getX(), moved.getY()).dropTo(moved.getX(), moved.getY() + 30);
        assertThat(floor().getY()).isCloseTo(moved.getY() + 30, within(1.5));
        go(10);
        assertThat(floor().distance(before.getX(), before.getY() + 30)).isLessThan(2);
        go(20);
        fire(robot, "detach-guide-1");
        go(10);
        assertThat(floor().distance(moved.getX(), moved.getY() + 30)).isLessThan(2);
        undo(robot);
        assertThat(floor().distance(before.getX(), before.getY() + 30)).isLessThan(2);
    }

    /** It goes along, and again when what carries it is placed otherwise. */
    @Test
    void aReferenceRidesOnAPointOfAnotherAndTakesACopyOfIt(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.STUDY);
            window.session.document().apply(TrackEdits.add(pair()));
            window.session.document().apply(new Edit("another", shot -> {
                Footage first = shot.footage().get(0);
                Footage second = Footage.of("footage-2", "beside", first.file(), first.conform());
                return shot.withFootage(List.of(first, second));
            }));
        });
        go(10);
        robot.clickOn("shoulder");
        window.await(() -> robot.lookup("#attach-other").tryQuery().isPresent());
        MenuButton attach = (MenuButton) robot.lookup("#attach-other").query();
        robot.interact(() -> attach.getItems().get(0).fire());
        Footage other = shot().footage().get(1);
        assertThat(shot().lying(other, 20).placement().x()).isCloseTo(20, within(1e-6));
        robot.interact(() -> window.session
                .document()
                .apply(ReferenceEdits.change(
                        "scale", "footage-1", clip -> clip.withPlacement(Placement.AS_IS.withScale(2)))));
        assertThat(shot().lying(other, 20).placement().x()).isCloseTo(40, within(1e-6));
        MenuButton copy = (MenuButton) robot.lookup("#copy-point").query();
        robot.interact(() -> copy.getItems().get(0).fire());
        assertThat(shot().tracks()).hasSize(3);
        assertThat(shot().tracks().get(2).footage()).isEqualTo("footage-2");
        assertThat(shot().tracks().get(2).path()).as("of the same clip").isEqualTo(track().path());
    }

    /** In one action the eyes come onto a level of their own that goes along with the head, and what is nudged by hand stays so. */
    @Test
    void selectedEyesGoAlongWithThePointAndKeepWhatWasNudged(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.STUDY);
            window.session.document().apply(TrackEdits.add(pair()));
            draw(Strokes.line(100, 50, 140, 50).withPart("eyes"), 3);
        });
        go(2);
        robot.clickOn("shoulder");
        robot.interact(() -> window.trace().picking().all());
        fire(robot, "attach-selection");
        assertThat(shot().levels().get(0).name()).isEqualTo("eyes");
        assertThat(placed(2)).isZero();
        assertThat(placed(20)).isCloseTo(36, within(1e-6));
        robot.interact(() -> window.session
                .document()
                .apply(new Edit(
                        "nudge",
                        shot -> shot.withLevel(
                                shot.levels().get(0).id(),
                                eyes -> eyes.with(eyes.exposures()
                                        .with(new Exposure(20, 1, 1, Placement.AS_IS.withPosition(40, 0))))))));
        robot.interact(() -> window.session
                .document()
                .apply(ReferenceEdits.change(
                        "scale", "footage-1", clip -> clip.withPlacement(Placement.AS_IS.withScale(2)))));
        assertThat(placed(20)).isCloseTo(2 * 36 + 4, within(1e-6));
        assertThat(placed(21)).isCloseTo(2 * 38, within(1e-6));
    }

    /** The area of an ellipse by its formula: half as high and a fifth wider is 60 percent. */
    @Test
    void squashIsSaidInPercentOfTheRestDrawing(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.STUDY);
            draw(Stroke.ellipse("chalk-1", 100, 90, 40, 40, 0, 1), 4);
            window.session
                    .document()
                    .apply(new Edit(
                            "squash",
                            shot -> shot.withLevel(window.session.selection().level(), level -> level.with(
                                            new Drawing(2, List.of(Stroke.ellipse("chalk-1", 100, 90, 48, 20, 0, 1))))
                                    .with(level.exposures().with(Exposure.of(4, 4, 2))))));
        });
        go(0);
        fire(robot, "rest-drawing");
        go(5);
        window.await(
                () -> robot.lookup("#squash-words").queryLabeled().getText().startsWith("Area 60 % of drawing 1"));
    }

    @Test
    void emptyDrawingsAreMadeOnTheProposedFramesWhereTheLevelShowsNothing(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.STUDY);
            draw(Strokes.line(100, 50, 140, 50), 6);
            List<TrackPath.Place> swing = new ArrayList<>();
            for (int n = 0; n < FRAMES; n++) {
                swing.add(TrackPath.Place.byHand(n, 150 + 80 * Math.cos(Math.PI * n / 12), 90));
            }
            window.session
                    .document()
                    .apply(TrackEdits.add(List.of(new Track(
                            "track-1", "hand", Track.color(0), true, "footage-1", 0, TrackPath.of(swing, List.of())))));
        });
        window.await(() -> proposed().size() > 2);
        List<Integer> wanted = proposed().stream()
                .map(Mark::frame)
                .filter(frame -> frame >= 6)
                .sorted()
                .toList();
        fire(robot, "drawings-on-keys");
        List<Exposure> runs = shot().levels().get(0).exposures().runs();
        assertThat(runs.get(0)).isEqualTo(new Exposure(0, 6, 1, Placement.AS_IS));
        assertThat(runs.stream().map(Exposure::start).toList()).containsAll(wanted);
        assertThat(runs.get(runs.size() - 1).end()).isEqualTo(FRAMES);
        assertThat(wanted).as("turns of the swing").contains(12, 24);
        undo(robot);
        fire(robot, "drawings-as-advised");
        assertThat(shot().levels().get(0).drawings()).hasSizeGreaterThan(runs.size());
    }

    @Test
    void aDrawnPartShowsItsWayBesideTheFilmedOneAndIsMeasured(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> {
            window.session.view().stepProperty().set(View.Step.STUDY);
            window.session.document().apply(TrackEdits.add(pair()));
            draw(Strokes.line(100, 50, 140, 50).withPart("arm"), FRAMES);
        });
        go(0);
        window.await(() -> robot.lookup("#drawn-arm").tryQuery().isPresent());
        ComboBox<?> arm = robot.lookup("#drawn-arm").queryComboBox();
        robot.interact(() -> arm.getSelectionModel().select(1));
        int high = shot().setup().size().height() - 50;
        window.await(
                () -> robot
                        .from(robot.lookup("#measures").queryAll())
                        .lookup(Text.class::isInstance)
                        .queryAllAs(Text.class)
                        .stream()
                        .anyMatch(row -> row.getText().startsWith("arm, drawn: ")
                                && row.getText().contains(high + ".0 px high")));
    }

    @Test
    void byHandEachTouchSetsAFrameAndGoesOn(FxRobot robot) {
        window.open(shotFile);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.STUDY));
        fire(robot, "track-a-point");
        fire(robot, "track-by-hand");
        go(5);
        for (int frame = 5; frame < 9; frame++) {
            robot.clickOn(window.onScreen(100 + 30 * frame, 80));
            window.awaitSettled();
        }
        assertThat(shot().tracks()).hasSize(1);
        assertThat(track().path().places()).extracting(TrackPath.Place::picture).containsExactly(5, 6, 7, 8);
        assertThat(window.session.transport().frame()).isEqualTo(9);
    }

    @Test
    void aLostPointGoesOnWhereItIsTouchedAgainAndOnlyThen(FxRobot robot) {
        trackOnFrame20(robot);
        TrackPath cut = TrackPath.of(
                track().path().places().stream()
                        .filter(place -> place.picture() < 30)
                        .toList(),
                List.of(new TrackPath.Lost(30, "covered")));
        robot.interact(() ->
                window.session.document().apply(TrackEdits.change("cut", track().id(), old -> old.withPath(cut))));
        window.awaitSettled();
        fire(robot, "find-again");
        assertThat(window.session.transport().frame()).isEqualTo(30);
        robot.clickOn(window.onScreen(truth(30)[0], truth(30)[1]));
        window.await(() -> track().path().at(31).isPresent());
        assertThat(shot().tracks()).hasSize(1);
        TrackPath.Place on = track().path().at(31).orElseThrow();
        assertThat(Math.hypot(on.x() - truth(31)[0], on.y() - truth(31)[1])).isLessThan(2.5);
        assertThat(track().path().at(20)).isEqualTo(cut.at(20));

        go(10);
        robot.clickOn(window.onScreen(truth(10)[0] + 40, truth(10)[1]));
        window.await(() -> shot().tracks().size() == 2);
    }

    @Test
    void pathsGoWithTheStepTheToolAndTheirFootage(FxRobot robot) {
        trackOnFrame20(robot);
        Node words = robot.lookup("#path-words").query();
        seen(words, true);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.GATHER));
        // While points are tracked.
        seen(words, true);
        robot.interact(() -> window.session.view().toolProperty().set(View.Tool.CHALK));
        seen(words, false);
        robot.interact(() -> window.session.view().stepProperty().set(View.Step.STUDY));
        seen(words, true);
        robot.interact(() -> window.session
                .document()
                .apply(ReferenceEdits.change("hide", "footage-1", clip -> clip.withVisible(false))));
        seen(words, false);
    }

    @Test
    void aFrameThatIsFlippedToHasTheNamesAtItsOwnPlaces(FxRobot robot) {
        trackOnFrame20(robot);
        Pane words = robot.lookup("#path-words").queryAs(Pane.class);
        window.await(() -> words.getChildren().size() == 1);
        double before = words.getChildren().get(0).getLayoutX();
        robot.interact(() -> {
            window.session.view().keptFrameProperty().set(30);
            window.session.view().flippedProperty().set(true);
        });
        double moved = onScreen(30).getX() - onScreen(20).getX();
        assertThat(Math.abs(moved)).isGreaterThan(10);
        window.await(() -> Math.abs(words.getChildren().get(0).getLayoutX() - before - moved) < 2);
    }

    /** The point's dot on the frame, and its name beside it. */
    private void seen(Node words, boolean wanted) {
        TrackPath.Place place = track().path().at(20).orElseThrow();
        window.await(() ->
                words.isVisible() == wanted && isNear(window.colorAt(place.x(), place.y()), track().color()) == wanted);
    }

    /** Over a dot lies the smoothed arc, thin and pale; the footage is grey. */
    private static boolean isNear(Rgb a, Rgb b) {
        return Math.abs(a.red() - b.red()) + Math.abs(a.green() - b.green()) + Math.abs(a.blue() - b.blue()) < 30;
    }

    private Point2D onScreen(int frame) {
        TrackPath.Place place = track().path().at(frame).orElseThrow();
        return window.onScreen(place.x(), place.y());
    }

    private List<Mark> proposed() {
        return window.session.view().proposedMarksProperty().get();
    }

    private void undo(FxRobot robot) {
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        window.awaitSettled();
    }
}
