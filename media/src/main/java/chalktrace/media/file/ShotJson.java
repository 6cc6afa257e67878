package chalktrace.media.file;

import chalktrace.core.guide.Guide;
import chalktrace.core.motion.Track;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelGroup;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.Ride;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Speech;
import chalktrace.core.shot.StillView;
import chalktrace.core.stroke.LineEnds;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.PressureCurve;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameMap;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;

/**
 * The shot as the JSON document of its file. Drawings stand beside it, one file each; how their contents are found is the
 * caller's business. Every known field is always written, so that a field that is only in an older text is an unknown one.
 */
final class ShotJson {

    static final String FORMAT = "chalk-trace-shot";

    /** The newest that is read; what has no gradient is written as the version before, which older programs open for editing. */
    static final int VERSION = 3;

    private static final int WITHOUT_GRADIENTS = 2;

    /** Gives the drawing of a file of the archive. */
    interface Drawings {
        Drawing read(int number, String file) throws DrawingSvg.BrokenDrawing;
    }

    private ShotJson() {}

    private static boolean hasGradients(Shot shot) {
        return shot.levels().stream()
                .flatMap(level -> level.drawings().stream())
                .flatMap(drawing -> drawing.fills().stream())
                .anyMatch(fill -> fill.gradient().isPresent());
    }

    /**
     * @param drawingFile the file that holds a drawing
     * @param path how a path of footage or sound is written
     */
    static ObjectNode write(Shot shot, DrawingFiles drawingFile, UnaryOperator<String> path) {
        ObjectNode root = JsonNodeFactory.instance.objectNode();
        root.put("format", FORMAT)
                .put("formatVersion", hasGradients(shot) ? VERSION : WITHOUT_GRADIENTS)
                .put("name", shot.name());
        ShotSetup setup = shot.setup();
        root.putObject("setup")
                .put("rate", setup.rate().asText())
                .put("width", setup.size().width())
                .put("height", setup.size().height())
                .put("length", setup.length())
                .put("firstNumber", setup.firstNumber())
                .put("paper", setup.paper().hex());
        each(
                root,
                "chalks",
                shot.chalks(),
                (chalk, to) -> writeEnds(
                        chalk.line().ends(),
                        to.put("id", chalk.id())
                                .put("name", chalk.name())
                                .put("color", chalk.color().hex())
                                .put("width", chalk.width())
                                .put("opacity", chalk.opacity())
                                .put("thinnest", chalk.line().thinnest())
                                .put("taper", chalk.line().taperPx())
                                .put("tip", word(chalk.line().tip()))
                                .put("faintest", chalk.line().faintest())
                                .put("answer", ChalkXml.text(chalk.line().answer()))
                                .put("role", word(chalk.role()))));
        each(root, "levels", shot.levels(), (level, to) -> writeLevel(level, to, drawingFile));
        each(root, "groups", shot.groups(), ShotJson::writeGroup);
        each(root, "cycles", shot.cycles(), (cycle, to) -> to.put("level", cycle.level())
                .put("start", cycle.frames().start())
                .put("frames", cycle.frames().frames()));
        each(root, "footage", shot.footage(), (clip, to) -> writeFootage(clip, to, path));
        each(root, "sounds", shot.sounds(), (clip, to) -> to.put("id", clip.id())
                .put("name", clip.name())
                .put("file", path.apply(clip.file()))
                .put("startSeconds", clip.startSeconds())
                .put("gainDecibels", clip.gainDecibels())
                .put("muted", clip.muted())
                .put("headSeconds", clip.trim().headSeconds())
                .put("tailSeconds", clip.trim().tailSeconds())
                .put("footage", clip.footage())
                .put("fadeInSeconds", clip.fade().inSeconds())
                .put("fadeOutSeconds", clip.fade().outSeconds())
                .put("solo", clip.solo()));
        SpeechJson.write(shot.speech(), root);
        each(root, "cues", shot.cues(), (cue, to) -> to.put("id", cue.id())
                .put("name", cue.name())
                .put("seconds", cue.seconds())
                .put("kind", word(cue.kind()))
                .set("tie", cue.tie().map(ShotJson::tie).orElse(null)));
        each(root, "marks", shot.marks(), (mark, to) -> to.put("frame", mark.frame())
                .put("kind", word(mark.kind()))
                .put("level", mark.level().orElse(null))
                .put("text", mark.text()));
        each(root, "guides", shot.guides(), (guide, to) -> {
            to.put("id", guide.id()).put("kind", word(guide.kind()));
            each(to, "points", guide.points(), (spot, p) -> p.put("x", spot.x()).put("y", spot.y()));
        });
        each(root, "tracks", shot.tracks(), TrackJson::write);
        each(root, "rides", shot.rides(), RideJson::write);
        return root;
    }

    /**
     * @throws JsonFields.WrongField when a field is missing or has no sense; it names the field
     * @throws DrawingSvg.BrokenDrawing when a drawing can't be read; it names the file
     */
    static Shot read(JsonNode root, Drawings drawings, UnaryOperator<String> path)
            throws JsonFields.WrongField, DrawingSvg.BrokenDrawing {
        JsonFields fields = JsonFields.root(root);
        ShotSetup setup = fields.object("setup").make(ShotJson::setup);
        List<Chalk> chalks = fields.list(
                "chalks",
                item -> item.make(f -> new Chalk(
                        f.text("id"),
                        f.text("name"),
                        Rgb.parse(f.text("color")),
                        line(f),
                        f.number("opacity"),
                        f.has("role") ? f.oneOf("role", Chalk.Role.class) : Chalk.Role.LINE)));
        List<Level> levels = new ArrayList<>();
        for (JsonFields item : fields.items("levels")) {
            levels.add(level(item, drawings));
        }
        List<LevelGroup> groups = fields.list(
                "groups",
                item -> item.make(f -> new LevelGroup(
                        f.text("id"),
                        f.text("name"),
                        f.texts("levels"),
                        f.flag("visible"),
                        f.flag("locked"),
                        f.number("opacity"),
                        f.has("retimed") && f.flag("retimed"))));
        List<Footage> footage = fields.list("footage", item -> item.make(f -> footage(f, path)));
        List<SoundClip> sounds = fields.list(
                "sounds",
                item -> item.make(f -> new SoundClip(
                        f.text("id"),
                        f.text("name"),
                        path.apply(f.text("file")),
                        f.number("startSeconds"),
                        f.number("gainDecibels"),
                        f.flag("muted"),
                        f.has("headSeconds")
                                ? new SoundClip.Trim(f.number("headSeconds"), f.number("tailSeconds"))
                                : SoundClip.Trim.NONE,
                        f.has("footage") ? f.text("footage") : "",
                        f.has("fadeInSeconds")
                                ? new SoundClip.Fade(f.number("fadeInSeconds"), f.number("fadeOutSeconds"))
                                : SoundClip.Fade.NONE,
                        f.has("solo") && f.flag("solo"))));
        List<Cycle> cycles = fields.has("cycles")
                ? fields.list(
                        "cycles",
                        item -> item.make(
                                f -> new Cycle(f.text("level"), FrameRange.of(f.whole("start"), f.whole("frames")))))
                : List.of();
        Speech speech = SpeechJson.read(fields);
        List<Cue> cues = fields.list(
                "cues",
                item -> item.make(f -> new Cue(
                        f.text("id"),
                        f.text("name"),
                        f.number("seconds"),
                        f.has("kind") ? f.oneOf("kind", Cue.Kind.class) : Cue.Kind.OTHER,
                        f.has("tie")
                                ? Optional.of(f.object("tie")
                                        .make(t -> new Cue.Tie(
                                                t.has("level") ? Optional.of(t.text("level")) : Optional.empty(),
                                                t.whole("frame"),
                                                t.number("leadFrames"))))
                                : Optional.empty())));
        List<Mark> marks = fields.list(
                "marks",
                item -> item.make(f -> new Mark(
                        f.whole("frame"),
                        f.oneOf("kind", Mark.Kind.class),
                        f.has("level") ? Optional.of(f.text("level")) : Optional.empty(),
                        f.has("text") ? f.text("text") : "")));
        List<Guide> guides = fields.has("guides")
                ? fields.list(
                        "guides",
                        item -> item.make(f -> new Guide(
                                f.text("id"),
                                f.oneOf("kind", Guide.Kind.class),
                                f.list("points", p -> p.make(s -> new Guide.Spot(s.number("x"), s.number("y")))))))
                : List.of();
        List<Track> tracks =
                fields.has("tracks") ? fields.list("tracks", item -> item.make(TrackJson::read)) : List.of();
        List<Ride> rides = fields.has("rides") ? fields.list("rides", item -> item.make(RideJson::read)) : List.of();
        return fields.make(f -> new Shot(
                f.text("name"),
                setup,
                chalks,
                levels,
                groups,
                cycles,
                footage,
                sounds,
                speech,
                cues,
                marks,
                guides,
                tracks,
                rides));
    }

    private static ObjectNode tie(Cue.Tie tie) {
        return JsonNodeFactory.instance
                .objectNode()
                .put("level", tie.level().orElse(null))
                .put("frame", tie.frame())
                .put("leadFrames", tie.leadFrames());
    }

    /** Names the file of a level's drawing. */
    interface DrawingFiles {
        String of(Level level, Drawing drawing);
    }

    /** What a level shows, as a list. */
    static JsonNode exposures(Exposures exposures) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        writeExposures(exposures, to);
        return to.path("exposures");
    }

    private static void writeExposures(Exposures exposures, ObjectNode to) {
        each(to, "exposures", exposures.runs(), (run, r) -> {
            r.put("start", run.start()).put("frames", run.frames()).put("drawing", run.drawing());
            r.set("placement", placement(run.placement()));
        });
    }

    private static void writeLevel(Level level, ObjectNode to, DrawingFiles drawingFile) {
        to.put("id", level.id())
                .put("name", level.name())
                .put("visible", level.visible())
                .put("locked", level.locked())
                .put("opacity", level.opacity());
        writeStyle(level.style(), to.putObject("style"));
        each(to, "drawings", level.drawings(), (drawing, d) -> d.put("number", drawing.number())
                .put("file", drawingFile.of(level, drawing)));
        writeExposures(level.exposures(), to);
    }

    private static Level level(JsonFields from, Drawings drawings)
            throws JsonFields.WrongField, DrawingSvg.BrokenDrawing {
        List<Drawing> read = new ArrayList<>();
        for (JsonFields item : from.items("drawings")) {
            read.add(drawings.read(item.whole("number"), item.text("file")));
        }
        List<Exposure> runs = from.list(
                "exposures",
                item -> item.make(f -> new Exposure(
                        f.whole("start"), f.whole("frames"), f.whole("drawing"), placement(f.object("placement")))));
        return from.make(f -> new Level(
                f.text("id"),
                f.text("name"),
                f.flag("visible"),
                f.flag("locked"),
                f.number("opacity"),
                f.has("style") ? f.object("style").make(ShotJson::style) : LevelStyle.ROUGH,
                read,
                new Exposures(runs)));
    }

    private static LineShape line(JsonFields f) throws JsonFields.WrongField {
        LineShape round = LineShape.round(f.number("width"));
        return f.has("tip")
                ? new LineShape(
                        round.width(),
                        f.number("thinnest"),
                        f.number("taper"),
                        f.oneOf("tip", LineShape.Tip.class),
                        f.has("faintest") ? f.number("faintest") : 1,
                        f.has("answer") ? ChalkXml.answer(f.text("answer")) : PressureCurve.EVEN,
                        f.has("cap") ? ends(f) : LineEnds.ROUND)
                : round;
    }

    private static void writeEnds(LineEnds ends, ObjectNode to) {
        if (!ends.equals(LineEnds.ROUND)) {
            to.put("cap", word(ends.cap()))
                    .put("join", word(ends.join()))
                    .put("miterLimit", ends.miterLimit())
                    .put("dashes", ChalkXml.dashes(ends))
                    .put("dashOffset", ends.dashOffset());
        }
    }

    private static LineEnds ends(JsonFields f) throws JsonFields.WrongField {
        return new LineEnds(
                f.oneOf("cap", LineEnds.Cap.class),
                f.oneOf("join", LineEnds.Join.class),
                f.number("miterLimit"),
                ChalkXml.dashes(f.text("dashes")),
                f.number("dashOffset"));
    }

    private static void writeStyle(LevelStyle style, ObjectNode to) {
        to.put("role", word(style.role()))
                .put("paints", style.paints().orElse(null))
                .put("tint", style.tint().map(Rgb::hex).orElse(null))
                .put("multiply", style.multiply())
                .put("clipped", style.clipped())
                .put("held", style.held());
    }

    private static LevelStyle style(JsonFields f) throws JsonFields.WrongField {
        return new LevelStyle(
                f.oneOf("role", LevelStyle.Role.class),
                f.has("paints") ? Optional.of(f.text("paints")) : Optional.empty(),
                f.has("tint") ? Optional.of(Rgb.parse(f.text("tint"))) : Optional.empty(),
                f.flag("multiply"),
                f.flag("clipped"),
                f.has("held") && f.flag("held"));
    }

    private static void writeGroup(LevelGroup group, ObjectNode to) {
        to.put("id", group.id()).put("name", group.name());
        ArrayNode levels = to.putArray("levels");
        group.levels().forEach(levels::add);
        to.put("visible", group.visible())
                .put("locked", group.locked())
                .put("opacity", group.opacity())
                .put("retimed", group.retimed());
    }

    private static void writeFootage(Footage clip, ObjectNode to, UnaryOperator<String> path) {
        to.put("id", clip.id()).put("name", clip.name()).put("file", path.apply(clip.file()));
        Conform conform = clip.conform();
        ObjectNode conformed = to.putObject("conform");
        each(conformed, "retimed", conform.retimed().knots(), (knot, k) -> k.put("frame", knot.frame())
                .put("was", knot.was()));
        conformed
                .put("startFrame", conform.startFrame())
                .put("firstPicture", conform.firstPicture())
                .put("endPicture", conform.endPicture())
                .put("every", conform.every())
                .put("pace", word(conform.keepsTime() ? Conform.Pace.KEEP_TIME : conform.pace()))
                .put("holds", conform.pace() == Conform.Pace.KEEP_TIME)
                .put("speed", conform.speed());
        clip.span()
                .ifPresentOrElse(
                        span -> to.putObject("span").put("start", span.start()).put("frames", span.frames()),
                        () -> to.putNull("span"));
        each(to, "views", clip.views(), (view, v) -> {
            v.put("start", view.start()).put("picture", view.picture());
            v.putObject("region")
                    .put("x", view.region().x())
                    .put("y", view.region().y())
                    .put("width", view.region().width())
                    .put("height", view.region().height());
        });
        to.set("placement", placement(clip.placement()));
        to.putObject("look")
                .put("lighten", clip.look().lighten())
                .put("tint", clip.look().tint())
                .put("color", clip.look().color().hex())
                .put("saturation", clip.look().saturation())
                .put("exposure", clip.look().exposure())
                .put("oneField", clip.look().oneField());
        to.put("visible", clip.visible())
                .put("locked", clip.locked())
                .put("mirrored", clip.mirrored())
                .put("where", word(clip.where()))
                .put("note", clip.note());
        clip.staging().ifPresent(use -> StagingJson.write(use, to.putObject("model")));
    }

    private static Footage footage(JsonFields f, UnaryOperator<String> path) throws JsonFields.WrongField {
        JsonFields look = f.object("look");
        return new Footage(
                f.text("id"),
                f.text("name"),
                path.apply(f.text("file")),
                f.object("conform")
                        .make(c -> new Conform(
                                c.whole("startFrame"),
                                c.whole("firstPicture"),
                                c.whole("endPicture"),
                                c.whole("every"),
                                pace(c),
                                c.has("speed") ? c.number("speed") : 1,
                                c.has("retimed")
                                        ? new FrameMap(c.list(
                                                "retimed",
                                                k -> k.make(
                                                        x -> new FrameMap.Knot(x.number("frame"), x.number("was")))))
                                        : FrameMap.NONE)),
                f.has("span")
                        ? Optional.of(f.object("span").make(s -> FrameRange.of(s.whole("start"), s.whole("frames"))))
                        : Optional.empty(),
                f.has("views") ? f.list("views", item -> item.make(ShotJson::view)) : List.of(),
                placement(f.object("placement")),
                new Footage.Look(
                        look.number("lighten"),
                        look.number("tint"),
                        Rgb.parse(look.text("color")),
                        look.has("saturation") ? look.number("saturation") : 1,
                        look.has("exposure") ? look.number("exposure") : 0,
                        look.has("oneField") && look.flag("oneField")),
                f.flag("visible"),
                f.flag("locked"),
                f.has("mirrored") && f.flag("mirrored"),
                f.has("where")
                        ? f.oneOf("where", Footage.Where.class)
                        : f.has("over") && f.flag("over") ? Footage.Where.OVER_DRAWINGS : Footage.Where.UNDER_DRAWINGS,
                f.has("note") ? f.text("note") : "",
                f.has("model") ? Optional.of(f.object("model").make(StagingJson::read)) : Optional.empty());
    }

    /** Before version 0.1's end a source that keeps its time showed the nearest picture, and files of then stay so. */
    private static Conform.Pace pace(JsonFields c) throws JsonFields.WrongField {
        Conform.Pace pace = c.oneOf("pace", Conform.Pace.class);
        boolean holds = c.has("holds") && c.flag("holds");
        return pace == Conform.Pace.KEEP_TIME && !holds ? Conform.Pace.NEAREST_TIME : pace;
    }

    private static StillView view(JsonFields f) throws JsonFields.WrongField {
        return new StillView(
                f.whole("start"),
                f.whole("picture"),
                f.object("region")
                        .make(r -> new Region(r.number("x"), r.number("y"), r.number("width"), r.number("height"))));
    }

    private static ShotSetup setup(JsonFields f) throws JsonFields.WrongField {
        return new ShotSetup(
                FrameRate.parse(f.text("rate")),
                new PictureSize(f.whole("width"), f.whole("height")),
                f.whole("length"),
                f.whole("firstNumber"),
                Rgb.parse(f.text("paper")));
    }

    private static ObjectNode placement(Placement placement) {
        return JsonNodeFactory.instance
                .objectNode()
                .put("x", placement.x())
                .put("y", placement.y())
                .put("scale", placement.scale())
                .put("degrees", placement.degrees())
                .put("opacity", placement.opacity());
    }

    private static Placement placement(JsonFields from) throws JsonFields.WrongField {
        return from.make(f -> new Placement(
                f.number("x"), f.number("y"), f.number("scale"), f.number("degrees"), f.number("opacity")));
    }

    static <T> void each(ObjectNode to, String name, List<T> items, BiConsumer<T, ObjectNode> write) {
        ArrayNode array = to.putArray(name);
        items.forEach(item -> write.accept(item, array.addObject()));
    }

    static <T> void numbers(ObjectNode to, String name, List<T> items, ToDoubleFunction<T> value) {
        ArrayNode array = to.putArray(name);
        for (T item : items) {
            double number = value.applyAsDouble(item);
            if (number == Math.rint(number) && Math.abs(number) < 1e9) {
                array.add((long) number);
            } else {
                array.add(number);
            }
        }
    }

    static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
