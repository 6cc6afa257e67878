package chalktrace.app.cli;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.space.Borrowed;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Lens;
import chalktrace.core.space.ModelLook;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.StagedPicture;
import chalktrace.core.space.Staging;
import chalktrace.core.time.FrameRate;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.export.PngFiles;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.TypeConversionException;

@Command(name = "preview", description = "Draw a model as a camera sees it, as PNG, clear beside it.")
final class PreviewCommand implements Callable<Integer> {

    @Parameters(paramLabel = "MODEL", index = "0")
    Path file;

    @Parameters(paramLabel = "OUT.png", index = "1")
    Path target;

    @Option(names = "--frame", paramLabel = "N", description = "Counted from 0.")
    int frame;

    @Option(names = "--fps", paramLabel = "RATE", converter = NewCommand.Rate.class, description = "Usually 24.")
    FrameRate rate = FrameRate.of(24);

    @Option(names = "--animation", paramLabel = "NAME", description = "Usually the first; \"\" for the rest pose.")
    String animation;

    @Option(
            names = "--motion",
            paramLabel = "FILE",
            description = "Puts the first animation of another model or of a BVH file on it, joint by joint as their"
                    + " names say.")
    Path lender;

    @Option(names = "--lens", paramLabel = "MM", description = "On a frame 36 mm wide; usually 50.")
    double millimetres = 50;

    @Option(
            names = "--orbit",
            paramLabel = "YAW,PITCH,DIST",
            converter = Turn.class,
            description = "Degrees round the model and above the horizon, and the distance from its middle in its own"
                    + " units; without a distance all of it is in the picture.")
    Turn.Place orbit = new Turn.Place(30, 8, Optional.empty());

    @Option(names = "--look", paramLabel = "LOOK", description = "${COMPLETION-CANDIDATES}; usually clay.")
    ModelLook look = ModelLook.CLAY;

    @Option(names = "--size", paramLabel = "WxH", converter = NewCommand.Size.class, description = "Usually 1280x720.")
    PictureSize size = new PictureSize(1280, 720);

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        try (Reference reference = References.open(file)) {
            Figure figure = reference
                    .figure()
                    .orElseThrow(() -> UnreadableException.of(
                            file, "is no model", "Choose a glTF, GLB, OBJ or BVH file, or use chalk frame."));
            Staging usual = Staging.of(figure, size);
            if (animation != null
                    && !animation.isEmpty()
                    && figure.model().motion(animation).isEmpty()) {
                throw UnreadableException.of(
                        file, "has no animation \"" + animation + "\"", "chalk info lists those that it has.");
            }
            Staging staging = usual.withDress(usual.dress().withLook(look))
                    .withMotion(animation == null ? usual.motion() : animation)
                    .withView(view(figure));
            StagedPicture picture =
                    lender == null ? staging.at(figure, frame, rate.seconds(frame), size) : lent(figure, staging);
            write(picture);
            answer.print(
                    String.format(
                            Locale.ROOT, "frame %d (%.3f s) of %s is in %s", frame, picture.seconds(), file, target),
                    Answer.object()
                            .put("frame", frame)
                            .put("seconds", picture.seconds())
                            .put("width", size.width())
                            .put("height", size.height())
                            .put("file", target.toString()));
        }
        return 0;
    }

    private StagedPicture lent(Figure figure, Staging staging) throws UnreadableException {
        try (Reference reference = References.open(lender)) {
            Figure from = reference
                    .figure()
                    .filter(model -> !model.model().motions().isEmpty())
                    .orElseThrow(() -> UnreadableException.of(
                            lender, "has no motion", "Choose a BVH file or a model with an animation."));
            String motion = from.model().motions().get(0).name();
            Borrowed borrowed = Borrowed.byNames(lender.toString(), motion, figure.model(), from.model());
            if (borrowed.pairs().isEmpty()) {
                throw UnreadableException.of(
                        lender,
                        "has no joint that is called like one of " + file.getFileName(),
                        "Pair them by hand on the model's card in the window.");
            }
            return staging.withBorrowed(borrowed)
                    .at(borrowed.on(figure, false, from), frame, rate.seconds(frame), size);
        }
    }

    private void write(StagedPicture picture) throws UnwritableException {
        try {
            PngFiles.writeClear(picture.draw().toArgb(), size, target);
        } catch (IOException e) {
            throw UnwritableException.of(target, "written", "Choose another place for it.", e);
        }
    }

    private Orbit view(Figure figure) {
        Orbit whole = Orbit.round(
                figure.reach(),
                orbit.yaw(),
                orbit.pitch(),
                new Lens(millimetres),
                (double) size.width() / size.height());
        return orbit.distance().map(whole::withDistance).orElse(whole);
    }

    /** Reads "YAW,PITCH" or "YAW,PITCH,DIST". */
    static final class Turn implements ITypeConverter<Turn.Place> {

        record Place(double yaw, double pitch, Optional<Double> distance) {}

        @Override
        public Place convert(String text) {
            String[] parts = text.split(",", -1);
            try {
                if (parts.length == 2 || parts.length == 3) {
                    return new Place(
                            Double.parseDouble(parts[0].strip()),
                            Double.parseDouble(parts[1].strip()),
                            parts.length == 2 ? Optional.empty() : Optional.of(Double.parseDouble(parts[2].strip())));
                }
            } catch (NumberFormatException e) {
                throw new TypeConversionException("\"" + text + "\" is not YAW,PITCH,DIST, such as 30,10,4.");
            }
            throw new TypeConversionException("\"" + text + "\" is not YAW,PITCH,DIST, such as 30,10,4.");
        }
    }
}
