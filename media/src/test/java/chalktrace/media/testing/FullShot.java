package chalktrace.media.testing;

import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.fill.Gradient;
import chalktrace.core.guide.Guide;
import chalktrace.core.motion.Attached;
import chalktrace.core.motion.PointTracker;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Pixels;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.DrawnOn;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelGroup;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthRules;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.Ride;
import chalktrace.core.shot.SetAside;
import chalktrace.core.shot.SetAsidePart;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Speech;
import chalktrace.core.shot.StillView;
import chalktrace.core.shot.Word;
import chalktrace.core.space.Borrowed;
import chalktrace.core.space.CameraKey;
import chalktrace.core.space.Dress;
import chalktrace.core.space.JointPair;
import chalktrace.core.space.Lens;
import chalktrace.core.space.Light;
import chalktrace.core.space.ModelLook;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.Point3;
import chalktrace.core.space.SavedView;
import chalktrace.core.space.Staging;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.LineEnds;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.PressureCurve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameMap;
import chalktrace.core.time.FrameRange;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/** A shot that uses everything that a file can hold. */
public final class FullShot {

    private FullShot() {}

    /** @param folder in which its footage and sound would lie */
    public static Shot of(Path folder) {
        Shot shot = Shots.showing(
                        Exposure.of(0, 4, 1),
                        Exposure.of(4, 2, Exposure.BLANK),
                        new Exposure(
                                6,
                                3,
                                2,
                                Placement.AS_IS
                                        .withPosition(1.25, -3)
                                        .withScale(0.5)
                                        .withDegrees(7.5)))
                .withLevel(Shots.LEVEL, level -> level.with(level.drawing(1)
                                .orElseThrow()
                                .plus(new Stroke(
                                        "chalk-2",
                                        Curve.of(0.125, -40.5, 0.333, 1e3, 2, 0.5, 3, 4, 0, 5, 6, 1),
                                        "left \u00e9ar"))
                                .plus(new Fill(
                                        "chalk-3",
                                        Contours.of(List.of(
                                                new double[] {0, 0, 40.25, 0, 20, 30.5},
                                                new double[] {10, 2, 30, 2, 20, 12}))))
                                .plus(new PastedPicture(
                                        new Pixels(new PictureSize(2, 1), new int[] {0x7F102030, 0xFFFFFFFF}),
                                        0.5,
                                        0.125,
                                        -0.25,
                                        2,
                                        7.5,
                                        -3)))
                        .with(level.drawing(2)
                                .orElseThrow()
                                .plus(new Fill(
                                        "chalk-2",
                                        Contours.of(List.of(new double[] {0, 0, 50, 0, 50, 40})),
                                        Optional.of(new Gradient(
                                                Gradient.Kind.RADIAL,
                                                List.of(
                                                        new Gradient.Stop(0.25, "chalk-2"),
                                                        new Gradient.Stop(0.75, "chalk-3")),
                                                Gradient.Spread.REFLECT,
                                                0.25,
                                                -0.5,
                                                List.of(20.5, 1.0, -2.0, 30.0, 7.0, 9.0)))))));
        shot = shot.withLevels(Stream.concat(shot.levels().stream(), Stream.of(Level.empty("level-9", "line")))
                        .toList())
                .withLevel(
                        Shots.LEVEL,
                        level -> level.withStyle(new LevelStyle(
                                LevelStyle.Role.SHADOW,
                                Optional.of("level-9"),
                                Optional.of(new Rgb(1, 2, 254)),
                                true,
                                true,
                                false,
                                Optional.of(DrawnOn.as("level-9", 3)))))
                .withChalks(List.of(
                        new Chalk(
                                "chalk-1",
                                "reed",
                                new Rgb(0xF2, 0xD1, 0x3C),
                                new LineShape(
                                        3.5, 0.1, 12, LineShape.Tip.DRY, 0.3, new PressureCurve(0.1, 0.2, 0.3, 0.9)),
                                0.75,
                                Chalk.Role.BOUNDARY),
                        new Chalk(
                                "chalk-2",
                                "soot",
                                new Rgb(0, 0, 0),
                                LineShape.round(4)
                                        .withEnds(new LineEnds(
                                                LineEnds.Cap.BUTT,
                                                LineEnds.Join.MITER,
                                                3,
                                                List.of(4.5, 2.0, 1.0, 2.0),
                                                0.5)),
                                1,
                                Chalk.Role.LINE)))
                .withGroups(List.of(new LevelGroup("group-1", "figure", List.of(Shots.LEVEL), true, false, 0.75, true)))
                .with(SetAsidePart.SET_ASIDE, List.of(new SetAside("one-frame-gap", Shots.LEVEL, 4, 2)))
                .withGuides(List.of(
                        new Guide("guide-1", Guide.Kind.FLOOR, List.of(new Guide.Spot(4.5, -3))),
                        new Guide(
                                "guide-2",
                                Guide.Kind.TWO_POINTS,
                                List.of(new Guide.Spot(-900.25, 40), new Guide.Spot(1e5, 41)))))
                .withFootage(List.of(
                        new Footage(
                                "footage-1",
                                "\u8336 clip",
                                folder.resolve("media/clip.mp4").toString(),
                                new Conform(2, 1, 90, 2, Conform.Pace.KEEP_TIME)
                                        .withSpeed(0.5)
                                        .retimed(new FrameMap(
                                                List.of(new FrameMap.Knot(0, 0), new FrameMap.Knot(9, 6)))),
                                Optional.of(FrameRange.of(3, 12)),
                                List.of(
                                        new StillView(0, 4, Region.WHOLE),
                                        new StillView(7, 5, new Region(0.25, 0, 0.5, 0.125))),
                                Placement.AS_IS.withOpacity(0.4),
                                Footage.Look.AS_IS
                                        .withExposure(1.5)
                                        .withLighten(0.3)
                                        .withTint(0.1)
                                        .withSaturation(0.5)
                                        .withOneField(true),
                                true,
                                true,
                                true,
                                Footage.Where.BESIDE_BOARD,
                                "from the harbour, for study only",
                                Optional.of(staging())),
                        Footage.of(
                                "footage-9",
                                "runner",
                                folder.resolve("run.glb").toString(),
                                new Conform(0, 0, 9, 1, Conform.Pace.HELD))))
                .withSounds(List.of(new SoundClip(
                        "sound-1",
                        "line",
                        folder.resolve("line.wav").toString(),
                        1.5,
                        -6,
                        true,
                        new SoundClip.Trim(0.25, 0.5),
                        "footage-1",
                        new SoundClip.Fade(0.125, 0.75),
                        true)))
                .withMouthPlace(new MouthPlace(100.5, 60, 24, true))
                .withCues(List.of(
                        new Cue("cue-1", "clink", 1.25),
                        new Cue(
                                "cue-2",
                                "left foot",
                                1.5,
                                Cue.Kind.STEP,
                                Optional.of(new Cue.Tie(Optional.of("level-1"), 4, 1.5)))))
                .withCycles(List.of(new Cycle(Shots.LEVEL, FrameRange.of(4, 8))))
                .withMarks(List.of(
                        new Mark(0, Mark.Kind.KEY),
                        new Mark(6, Mark.Kind.BREAKDOWN),
                        new Mark(7, Mark.Kind.NOTE, Optional.of(Shots.LEVEL), "softer here")))
                .withTracks(List.of(
                        new Track(
                                "track-1",
                                "left hand",
                                new Rgb(9, 8, 7),
                                false,
                                "footage-1",
                                12.5,
                                TrackPath.of(
                                        List.of(
                                                TrackPath.Place.byHand(3, 100.25, -7),
                                                new TrackPath.Place(
                                                        4, 0.1 + 0.2, 5, 1.25, -33.5, 0.75, TrackPath.Origin.FOLLOWED),
                                                new TrackPath.Place(7, 12, 13, 1, 0, 0, TrackPath.Origin.GUESSED)),
                                        List.of(new TrackPath.Lost(8, PointTracker.LEFT))),
                                "track-2",
                                List.of(new Attached("level-1", 2, 5, true))),
                        new Track("track-2", "elbow", new Rgb(9, 80, 7), true, "footage-1", 0, TrackPath.NONE)))
                .withRides(List.of(new Ride(
                        "guide-1",
                        "track-1",
                        3,
                        true,
                        new TreeMap<>(Map.of(
                                2,
                                new Placement(-3.25, 1, 0.9, -2, 1),
                                3,
                                Placement.AS_IS,
                                9,
                                new Placement(4, 0.1 + 0.2, 1.5, 30, 1))))));
        Shot spoken = SpeechEdits.addWord(new Word("word-1", "now", 0.1, 0.45)
                        .withSpeaker("Ada")
                        .withPhones(List.of(new Phone("N", 0.1, 0.2, -21.5), new Phone("AW", 0.2, 0.45, -12))))
                .change()
                .apply(shot);
        Shot both = SpeechEdits.speaker("Bo")
                .change()
                .apply(SpeechEdits.speaker("Ada").change().apply(spoken));
        Speech speech = both.speech();
        return both.withSpeech(speech.withScript("Now?")
                .withSayings(List.of(new Speech.Saying("kettle", List.of("K", "EH", "T", "AH", "L"))))
                .withSpeaker(speech.speaker()
                        .withRules(new MouthRules(20, 90, 200, 110, 2, false))
                        .withLevel(Optional.of(Shots.LEVEL))
                        .withMouths(List.of(
                                new MouthSpan(FrameRange.of(2, 5), "O", true),
                                new MouthSpan(FrameRange.of(7, 2), "", 31, true)))));
    }

    private static Staging staging() {
        Orbit orbit = new Orbit(30.5, -12, 3, 4.25, new Point3(0.5, 1, -2), new Lens(35));
        return new Staging(
                new Dress(ModelLook.LINES, new Light(-20, 33), true, true, true),
                "walk",
                Optional.of(new Borrowed(
                        "footage-9", "run", List.of(new JointPair("hip", "Hips"), new JointPair("knee", "LeftLeg")))),
                0.5,
                2,
                true,
                true,
                orbit.withYaw(31),
                List.of(
                        new CameraKey(0, orbit, CameraKey.Move.CUT),
                        new CameraKey(9, orbit.withDistance(2), CameraKey.Move.EVEN)),
                3,
                List.of(new SavedView("from the pier", orbit.withPitch(5))));
    }
}
