package chalktrace.demo.traced;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.speech.AlignEdits;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.guide.Guide;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelGroup;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import chalktrace.core.time.Conform;
import chalktrace.demo.film.PoseSheet;
import chalktrace.demo.scene.Performance;
import chalktrace.media.footage.Reference;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The demo shot, as an artist would have it half way: the lift and the way back are roughed on twos, held where the figure
 * holds, the main poses have a second pass, one drawing of the cup follows it by its placements.
 */
public final class TracedShot {

    /** First frames of the rough drawings: close where the arm is fast, held where it rests. */
    private static final int[] ROUGH = {
        0, 12, 18, 24, 28, 30, 32, 34, 36, 38, 40, 42, 44, 46, 48, 52, 56, 60, 70, 80, 90, 94, 96, 98, 100, 102, 104,
        106, 108, 110, 112, 116, 120, 126, 130, 136
    };

    private static final int ROUGH_END = 150;

    private static final int[] SECOND_PASS = {0, 24, 34, 46, 60};
    private static final int SECOND_PASS_END = 80;

    /** The frames at which the cup's placement is set. */
    private static final int[] CUP = {0, 42, 44, 46, 48, 50, 52, 54, 100, 102, 104, 106, 108, 110, 112};

    private static final int[] KEYS = {0, 24, 46, 60, 94, 112, 118};
    private static final int[] BREAKDOWNS = {36, 102};

    private static final double HAND_WAVER_PX = 1.4;
    private static final double HAND_STEADY_PX = 0.5;

    private final Performance performance;

    /** What the tea seller says. */
    public static final String SCRIPT = "Seller: Careful now. It's hotter than it looks.";

    public TracedShot(Performance performance) {
        this.performance = performance;
    }

    /** The shot over a clip and a recording that lie at these places. */
    public Shot make(Path clip, Reference reference, Path poses, Footage model, Path line, List<Word> words) {
        ShotSetup standard = ShotSetup.standard();
        Shot empty = Shot.empty("Kettle at Pier Nine", standard.withLength(Performance.FRAMES));
        String rough = empty.chalks().get(0).id();
        String dark = empty.chalks().get(3).id();
        String blue = empty.chalks().get(2).id();
        double lineStart = Performance.LINE / 24.0;
        double[] mouth = new Tracing(performance.at(Performance.LINE + 20), Performance.LINE + 20).mouth();
        Shot shot = empty.withLevels(List.of(cup(blue), secondPass(dark), roughs(rough)))
                .withGroups(List.of(
                        new LevelGroup("group-1", "figure", List.of("level-2", "level-1"), true, false, 1, false)))
                .withFootage(List.of(
                        Footage.of("footage-1", "kettle clip", clip.toString(), Conform.whole(0, reference.times()))
                                .withLook(Footage.Look.AS_IS.withLighten(0.2)),
                        Footage.of("footage-2", "poses", poses.toString(), new Conform(0, 0, 1, 1, Conform.Pace.HELD))
                                .withWhere(Footage.Where.BESIDE_BOARD)
                                .withViews(PoseSheet.views())
                                .withVisible(false),
                        model))
                .withSounds(List.of(
                        SoundClip.of("sound-1", "kettle clip", clip.toString(), 0)
                                .withFootage("footage-1"),
                        SoundClip.of("sound-2", "the line", line.toString(), lineStart)))
                .withCues(List.of(
                        cue("cue-1", "pour", Performance.POUR_START, Cue.Kind.OTHER, 1),
                        cue("cue-2", "clink", Performance.CLINK, Cue.Kind.CLINK, 0),
                        // Drawn too late on purpose: the sync list has something to say.
                        cue("cue-3", "set down", Performance.KETTLE_DOWN, Cue.Kind.HIT, 5)))
                .withGuides(List.of(counter()))
                .withMarks(Stream.concat(marks(KEYS, Mark.Kind.KEY), marks(BREAKDOWNS, Mark.Kind.BREAKDOWN))
                        .toList());
        return speaking(shot, words, new MouthPlace(mouth[0], mouth[1], mouth[2], false));
    }

    /** With the line's words, and its mouths on a level on which they follow the head. */
    private Shot speaking(Shot silent, List<Word> words, MouthPlace place) {
        List<Edit> edits = List.of(
                SpeechEdits.script(SCRIPT),
                AlignEdits.place(words, 0, silent.setup().seconds()),
                MouthLevels.make(place),
                MouthLevels.follow(IntStream.range(0, Performance.FRAMES)
                        .mapToObj(frame -> onHead(frame, place, silent.setup()))
                        .toList()));
        Shot shot = silent;
        for (Edit edit : edits) {
            shot = edit.change().apply(shot);
        }
        return shot;
    }

    /** Where the mouth drawn for one frame is on another. */
    private Placement onHead(int frame, MouthPlace place, ShotSetup setup) {
        double[] here = new Tracing(performance.at(frame), frame).mouth();
        double scale = here[2] / place.width();
        double middleX = setup.size().width() / 2.0;
        double middleY = setup.size().height() / 2.0;
        return Placement.AS_IS
                .withScale(scale)
                .withPosition(
                        here[0] - middleX - scale * (place.x() - middleX),
                        here[1] - middleY - scale * (place.y() - middleY));
    }

    private static Cue cue(String id, String name, int frame, Cue.Kind kind, int drawnLater) {
        Cue.Tie tie = new Cue.Tie(Optional.empty(), frame + drawnLater, 0);
        return new Cue(id, name, frame / 24.0, kind, Optional.of(tie));
    }

    /** Where the cup and the kettle stand. */
    private Guide counter() {
        double[] cup = new Tracing(performance.at(0), 0).at(performance.at(0).cup());
        return new Guide(
                "guide-1", Guide.Kind.FLOOR, List.of(new Guide.Spot(Math.rint(cup[0] - 360), Math.rint(cup[1]))));
    }

    private Level roughs(String chalk) {
        Hand hand = new Hand(9, HAND_WAVER_PX, 0.8);
        List<Drawing> drawings = new ArrayList<>();
        for (int i = 0; i < ROUGH.length; i++) {
            drawings.add(new Drawing(i + 1, new Tracing(performance.at(ROUGH[i]), ROUGH[i]).loose(hand, chalk)));
        }
        return level("level-1", "rough", 0.9, drawings, runs(ROUGH, ROUGH_END));
    }

    private Level secondPass(String chalk) {
        Hand hand = new Hand(99, HAND_STEADY_PX, 0.95);
        List<Drawing> drawings = new ArrayList<>();
        for (int i = 0; i < SECOND_PASS.length; i++) {
            drawings.add(
                    new Drawing(i + 1, new Tracing(performance.at(SECOND_PASS[i]), SECOND_PASS[i]).clean(hand, chalk)));
        }
        return level("level-2", "line", 1, drawings, runs(SECOND_PASS, SECOND_PASS_END));
    }

    /** One drawing of the cup, shown at many places: each showing moves it to where the cup is seen then. */
    private Level cup(String chalk) {
        Tracing first = new Tracing(performance.at(CUP[0]), CUP[0]);
        double[] origin = first.at(performance.at(CUP[0]).cup());
        List<Exposure> runs = new ArrayList<>();
        for (Exposure run : runs(CUP, Performance.FRAMES)) {
            double[] here = new Tracing(performance.at(run.start()), run.start())
                    .at(performance.at(run.start()).cup());
            runs.add(new Exposure(
                    run.start(),
                    run.frames(),
                    1,
                    Placement.AS_IS.withPosition(Math.rint(here[0] - origin[0]), Math.rint(here[1] - origin[1]))));
        }
        Drawing cup = new Drawing(1, first.cup(new Hand(999, HAND_STEADY_PX, 0.9), chalk));
        return level("level-3", "cup", 1, List.of(cup), runs);
    }

    private static Level level(String id, String name, double opacity, List<Drawing> drawings, List<Exposure> runs) {
        return new Level(id, name, true, false, opacity, LevelStyle.ROUGH, drawings, new Exposures(runs));
    }

    private static List<Exposure> runs(int[] starts, int end) {
        List<Exposure> out = new ArrayList<>();
        for (int i = 0; i < starts.length; i++) {
            int next = i + 1 < starts.length ? starts[i + 1] : end;
            out.add(Exposure.of(starts[i], next - starts[i], i + 1));
        }
        return out;
    }

    private static Stream<Mark> marks(int[] frames, Mark.Kind kind) {
        return Arrays.stream(frames).mapToObj(frame -> new Mark(frame, kind));
    }
}
