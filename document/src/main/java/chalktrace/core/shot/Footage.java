package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;
import chalktrace.core.space.Figure;
import chalktrace.core.space.StagedPicture;
import chalktrace.core.space.Staging;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * Moving reference, or one picture, at a place of the shot and of its picture.
 *
 * @param file its absolute path, with {@code /} between the parts; a shot file writes it relative to itself
 * @param span the only frames on which it shows; none for all that its conform fills
 * @param views of a still, in rising order of their start; none for moving footage
 * @param placement on the picture; the untouched placement fits it into the shot's size
 * @param look how it is lightened and tinted
 * @param mirrored whether left and right are exchanged
 * @param note where it is from and what it may be used for
 * @param staging of a model: how it is put before the camera; its pictures are then the shot's frames, and of the conform only start, speed and
 *     what moved it along count
 */
public record Footage(
        String id,
        String name,
        String file,
        Conform conform,
        Optional<FrameRange> span,
        List<StillView> views,
        Placement placement,
        Look look,
        boolean visible,
        boolean locked,
        boolean mirrored,
        Where where,
        String note,
        Optional<Staging> staging)
        implements FrameBound<Footage> {

    /** Where footage lies. */
    public enum Where {
        UNDER_DRAWINGS,
        OVER_DRAWINGS,
        BESIDE_BOARD
    }

    /** A picture of the source, counted from 0, and the part of it that is shown. */
    public record Showing(int picture, Region region) {}

    public Footage {
        views = views.stream().sorted(Comparator.comparingInt(StillView::start)).toList();
    }

    /**
     * How footage is made quiet, so that lines show over it.
     *
     * @param lighten 0 (as it is) to 1 (white)
     * @param tint 0 (own colours) to 1 (only shades of {@code color})
     * @param saturation 0 (grey) to 1 (own colours)
     * @param exposure in stops: each doubles the light, or halves it when below 0; from {@link #LEAST_EXPOSURE} to {@link #MOST_EXPOSURE}
     * @param oneField of an interlaced picture, which holds two moments in turns of rows, only the first moment
     */
    public record Look(double lighten, double tint, Rgb color, double saturation, double exposure, boolean oneField) {

        public static final double LEAST_EXPOSURE = -8;
        public static final double MOST_EXPOSURE = 8;

        public static final Look AS_IS = new Look(0, 0, new Rgb(0x7F, 0xA8, 0xC9), 1, 0, false);

        public Look {
            if (!(lighten >= 0 && lighten <= 1) || !(tint >= 0 && tint <= 1) || !(saturation >= 0 && saturation <= 1)) {
                throw new IllegalArgumentException("Lighten, tint and saturation are 0 to 1.");
            }
            if (!(exposure >= LEAST_EXPOSURE && exposure <= MOST_EXPOSURE)) {
                throw new IllegalArgumentException(
                        "Exposure is " + LEAST_EXPOSURE + " to " + MOST_EXPOSURE + " stops.");
            }
        }

        public Look withLighten(double amount) {
            return new Look(amount, tint, color, saturation, exposure, oneField);
        }

        public Look withTint(double amount) {
            return new Look(lighten, amount, color, saturation, exposure, oneField);
        }

        public Look withSaturation(double amount) {
            return new Look(lighten, tint, color, amount, exposure, oneField);
        }

        public Look withOneField(boolean one) {
            return new Look(lighten, tint, color, saturation, exposure, one);
        }

        public Look withExposure(double stops) {
            return new Look(lighten, tint, color, saturation, stops, oneField);
        }
    }

    /** Under the drawings, not mirrored, without a note, shown and locked: as footage is taken in. */
    public static Footage of(String id, String name, String file, Conform conform) {
        return new Footage(
                id,
                name,
                file,
                conform,
                Optional.empty(),
                List.of(),
                Placement.AS_IS,
                Look.AS_IS,
                true,
                true,
                false,
                Where.UNDER_DRAWINGS,
                "",
                Optional.empty());
    }

    /** Whether it stands still: it shows chosen pictures, or one, instead of running. */
    public boolean isStill() {
        return staging.isEmpty() && (!views.isEmpty() || conform.pace() == Conform.Pace.HELD);
    }

    /** What it shows on a shot frame; empty where it shows nothing. */
    public Optional<Showing> at(int frame, FrameRate rate, PictureTimes times) {
        if (span.isPresent() && !span.get().contains(frame)) {
            return Optional.empty();
        }
        if (staging.isPresent()) {
            return Optional.of(new Showing(frame, Region.WHOLE));
        }
        if (views.isEmpty()) {
            OptionalInt picture = conform.pictureAt(frame, rate, times);
            return picture.isEmpty() ? Optional.empty() : Optional.of(new Showing(picture.getAsInt(), Region.WHOLE));
        }
        StillView shown = viewAt(frame).orElse(views.get(0));
        return Optional.of(new Showing(Math.min(shown.picture(), times.count() - 1), shown.region()));
    }

    /** Whether it plays an animation of other footage. @param id of that */
    public boolean borrowsFrom(String id) {
        return staging.flatMap(Staging::borrowed)
                .filter(lent -> lent.footage().equals(id))
                .isPresent();
    }

    /** What a model shows on a frame: frame n is the pose at n / rate, held on twos and threes. Empty of other footage. */
    public Optional<StagedPicture> staged(Figure figure, int frame, ShotSetup setup) {
        return staging.map(
                use -> use.at(figure, frame, conform.secondsAt(use.poseFrame(frame), setup.rate()), setup.size()));
    }

    /** The frames on which it shows something; a still without a span shows on all of the shot's. */
    public FrameRange frames(ShotSetup setup, PictureTimes times) {
        FrameRange all = isStill() || staging.isPresent()
                ? setup.frames()
                : FrameRange.of(conform.startFrame(), conform.frames(setup.rate(), times));
        return span.map(s -> new FrameRange(
                        Math.max(all.start(), s.start()),
                        Math.max(Math.max(all.start(), s.start()), Math.min(all.end(), s.end()))))
                .orElse(all);
    }

    /** A still's view that holds at a frame; empty before its first. */
    public Optional<StillView> viewAt(int frame) {
        return views.stream().filter(view -> view.start() <= frame).reduce((before, after) -> after);
    }

    /** Of a span that is taken out whole nothing is seen any more; of two views that come onto one frame the later stays. */
    @Override
    public Optional<Footage> moved(FrameChange change) {
        if (!change.reach().footage()) {
            return Optional.of(this);
        }
        TreeMap<Integer, StillView> moved = new TreeMap<>();
        for (StillView view : views) {
            int start = change.frame(view.start());
            moved.put(start, new StillView(start, view.picture(), view.region()));
        }
        return Optional.of(withConform(change.conform(conform))
                .withViews(List.copyOf(moved.values()))
                .staged(use -> use.moved(change::frame))
                .withSpan(span.map(frames ->
                        change.range(frames).orElseGet(() -> FrameRange.of(change.frame(frames.start()), 0)))));
    }

    public Footage withConform(Conform newConform) {
        return new Footage(
                id,
                name,
                file,
                newConform,
                span,
                views,
                placement,
                look,
                visible,
                locked,
                mirrored,
                where,
                note,
                staging);
    }

    public Footage withSpan(Optional<FrameRange> frames) {
        return new Footage(
                id, name, file, conform, frames, views, placement, look, visible, locked, mirrored, where, note,
                staging);
    }

    public Footage withViews(List<StillView> newViews) {
        return new Footage(
                id, name, file, conform, span, newViews, placement, look, visible, locked, mirrored, where, note,
                staging);
    }

    public Footage withPlacement(Placement newPlacement) {
        return new Footage(
                id,
                name,
                file,
                conform,
                span,
                views,
                newPlacement,
                look,
                visible,
                locked,
                mirrored,
                where,
                note,
                staging);
    }

    public Footage withLook(Look newLook) {
        return new Footage(
                id, name, file, conform, span, views, placement, newLook, visible, locked, mirrored, where, note,
                staging);
    }

    public Footage withVisible(boolean shown) {
        return new Footage(
                id, name, file, conform, span, views, placement, look, shown, locked, mirrored, where, note, staging);
    }

    public Footage withLocked(boolean lock) {
        return new Footage(
                id, name, file, conform, span, views, placement, look, visible, lock, mirrored, where, note, staging);
    }

    public Footage withFile(String newFile) {
        return new Footage(
                id, name, newFile, conform, span, views, placement, look, visible, locked, mirrored, where, note,
                staging);
    }

    public Footage withMirrored(boolean mirror) {
        return new Footage(
                id, name, file, conform, span, views, placement, look, visible, locked, mirror, where, note, staging);
    }

    public Footage withWhere(Where newWhere) {
        return new Footage(
                id, name, file, conform, span, views, placement, look, visible, locked, mirrored, newWhere, note,
                staging);
    }

    public Footage withNote(String newNote) {
        return new Footage(
                id, name, file, conform, span, views, placement, look, visible, locked, mirrored, where, newNote,
                staging);
    }

    /** A model, put before the camera in another way; other footage as it is. */
    public Footage staged(UnaryOperator<Staging> change) {
        return staging.map(use -> withStaging(change.apply(use))).orElse(this);
    }

    public Footage withStaging(Staging newStaging) {
        return new Footage(
                id,
                name,
                file,
                conform,
                span,
                views,
                placement,
                look,
                visible,
                locked,
                mirrored,
                where,
                note,
                Optional.of(newStaging));
    }

    /** With a view in the place of the one that starts on the same frame, if any. */
    public Footage withView(StillView view) {
        return withViews(Stream.concat(views.stream().filter(other -> other.start() != view.start()), Stream.of(view))
                .toList());
    }
}
