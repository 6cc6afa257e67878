package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Speech;
import chalktrace.core.time.FrameRange;
import chalktrace.media.UnwritableException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The choices that several exporters share, and what they make of a shot. */
public final class Chosen {

    /** Frames from 0, both ends in; none for the whole shot. */
    public static final Choice<Optional<FrameRange>> RANGE = Choice.typed(
            "range",
            "Frames",
            "Only these frames, counted from 0, both ends in.",
            "A-B",
            Optional.empty(),
            text -> Optional.of(range(text)),
            range -> range.map(r -> r.start() + "-" + r.last()).orElse(""));

    /** How large pictures are. */
    public static final Choice<Size> SIZE = Choice.typed(
            "size",
            "Size",
            "The width in pixels, or a share of the shot's size.",
            "W|P%",
            Size.WHOLE,
            Size::parse,
            Size::toString);

    /** What lies under everything. */
    public static final Choice<Paper> PAPER = Choice.typed(
            "paper",
            "Paper",
            "The shot's own paper, none, or another colour.",
            "shot|none|#RRGGBB",
            Paper.OF_SHOT,
            Paper::parse,
            Paper::toString);

    /** As {@link #PAPER}, for kinds of files that have no opacity. */
    public static final Choice<Paper> OPAQUE_PAPER = Choice.typed(
            "paper",
            "Paper",
            "The shot's own paper, or another colour.",
            "shot|#RRGGBB",
            Paper.OF_SHOT,
            text -> {
                if (text.equals("none")) {
                    throw new IllegalArgumentException("This kind of file has no transparency: it needs a paper.");
                }
                return Paper.parse(text);
            },
            Paper::toString);

    /** The names of the levels that show; none for all that are shown in the shot. */
    public static final Choice<List<String>> LEVELS = Choice.typed(
            "levels",
            "Levels",
            "Only the levels of these names, also hidden ones.",
            "L,M",
            List.of(),
            text -> Arrays.stream(text.split(","))
                    .map(String::strip)
                    .filter(name -> !name.isEmpty())
                    .toList(),
            names -> String.join(",", names));

    public static final Choice<Boolean> FOOTAGE =
            Choice.flag("with-footage", "With references", "References are left out unless this is given.", false);

    public static final Choice<Boolean> SOUND = Choice.flag("sound", "With sound", "The shot's sound.", true);

    public static final Choice<Quality> QUALITY = Choice.oneOf(
            "quality",
            "Quality",
            "How much each pixel may take.",
            List.of(Quality.values()),
            Quality.GOOD,
            quality -> quality.name().toLowerCase(Locale.ROOT));

    /** What is written into each picture. */
    static final Choice<Set<BurntIn.Item>> BURN_IN = Choice.someOf(
            "burn-in",
            "Burn in",
            "Frame, time, feet and frames, the shot's name, drawings and words, in a strip at the lower edge.",
            List.of(BurntIn.Item.values()),
            BurntIn.Item::word);

    /** Whether pictures are numbered as the shot numbers its frames; else from 1. */
    public static final Choice<Boolean> SHOT_NUMBERS = Choice.oneOf(
            "numbers",
            "Numbers",
            "Pictures are numbered as the shot numbers its frames, or from 1.",
            List.of(true, false),
            true,
            ofShot -> ofShot ? "shot" : "one");

    /** Of what kind the pictures of a folder are. */
    static final Choice<PictureFormat> PICTURES = Choice.oneOf(
            "pictures",
            "Pictures",
            "The kind of numbered pictures.",
            List.of(PictureFormat.values()),
            PictureFormat.PNG,
            PictureFormat::word);

    private Chosen() {}

    /** How much is kept of a picture. */
    public enum Quality {
        SMALL(0.4),
        GOOD(1),
        BEST(2.5);

        private final double share;

        Quality(double share) {
            this.share = share;
        }

        /** Of the bits that good quality takes. */
        double share() {
            return share;
        }
    }

    /**
     * How large pictures are.
     *
     * @param value the width in px, or percent of the shot's
     */
    public record Size(double value, boolean isPercent) {

        public static final Size WHOLE = new Size(100, true);

        static Size parse(String text) {
            boolean percent = text.endsWith("%");
            String number = percent ? text.substring(0, text.length() - 1).strip() : text;
            if (!number.matches("[0-9]{1,5}(\\.[0-9]{1,3})?") || Double.parseDouble(number) <= 0) {
                throw new IllegalArgumentException(
                        "\"" + text + "\" is no size: write a width in pixels, 960, or a share of the shot's, 50%.");
            }
            return new Size(Double.parseDouble(number), percent);
        }

        /** Pixels for a pixel of the shot. */
        double scale(PictureSize shot) {
            return isPercent ? value / 100 : value / shot.width();
        }

        @Override
        public String toString() {
            String number = value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
            return number + (isPercent ? "%" : "");
        }
    }

    /**
     * What lies under everything.
     *
     * @param color of its own; none for the shot's
     * @param isNone whether there is none, and what is not covered is clear
     */
    public record Paper(Optional<Rgb> color, boolean isNone) {

        public static final Paper OF_SHOT = new Paper(Optional.empty(), false);
        public static final Paper NONE = new Paper(Optional.empty(), true);

        static Paper parse(String text) {
            return switch (text) {
                case "shot" -> OF_SHOT;
                case "none" -> NONE;
                default -> new Paper(Optional.of(Rgb.parse(text)), false);
            };
        }

        @Override
        public String toString() {
            return isNone ? "none" : color.map(Rgb::hex).orElse("shot");
        }
    }

    private static FrameRange range(String text) {
        if (!text.matches("[0-9]{1,7}(-[0-9]{1,7})?")) {
            throw new IllegalArgumentException(
                    "\"" + text + "\" is no range of frames: write the first and the last, counted from 0, as 0-47.");
        }
        String[] ends = text.split("-");
        int first = Integer.parseInt(ends[0]);
        int last = Integer.parseInt(ends[ends.length - 1]);
        if (last < first) {
            throw new IllegalArgumentException("The range " + text + " ends before it begins.");
        }
        return new FrameRange(first, last + 1);
    }

    /** @throws UnwritableException when the shot has not all of them */
    public static FrameRange frames(Shot shot, Choices choices) throws UnwritableException {
        FrameRange whole = shot.setup().frames();
        FrameRange range = choices.get(RANGE).orElse(whole);
        if (range.end() > whole.end()) {
            throw UnwritableException.saying("The shot has " + whole.end() + " frames, 0 to " + whole.last()
                    + ", and none of " + choices.text(RANGE) + " beyond: nothing was written.");
        }
        return range;
    }

    /** Of the pictures that are written. @throws UnwritableException when a picture can't have it */
    public static PictureSize size(Shot shot, Choices choices) throws UnwritableException {
        PictureSize whole = shot.setup().size();
        double scale = choices.get(SIZE).scale(whole);
        try {
            return new PictureSize(Math.max(1, (int) Math.round(whole.width() * scale)), Math.max(1, (int)
                    Math.round(whole.height() * scale)));
        } catch (IllegalArgumentException e) {
            throw UnwritableException.saying(
                    "Pictures of " + choices.text(SIZE) + " can't be written: " + e.getMessage());
        }
    }

    /** @throws UnwritableException when no paper is asked for and the kind of picture has no opacity */
    static void requireClear(PictureFormat format, Choices choices) throws UnwritableException {
        if (choices.get(PAPER).isNone() && !format.canBeClear()) {
            throw UnwritableException.saying(
                    "A " + format.name() + " has no transparency: write PNG or TIFF, or keep the paper.");
        }
    }

    /** The shot with the paper and levels that are asked for. @throws UnwritableException when it has no such level */
    public static Shot shown(Shot shot, Choices choices) throws UnwritableException {
        List<String> names = choices.get(LEVELS);
        for (String name : names) {
            if (shot.levels().stream().noneMatch(level -> level.name().equals(name))) {
                throw UnwritableException.saying("The shot has no level \"" + name + "\": its levels are "
                        + shot.levels().stream().map(Level::name).collect(Collectors.joining(", ")) + ".");
            }
        }
        Optional<Rgb> paper = choices.get(PAPER).color();
        Shot on = paper.isEmpty() ? shot : shot.withSetup(shot.setup().withPaper(paper.get()));
        return names.isEmpty() ? on : only(on, names);
    }

    /** A chosen level shows though its group or itself is hidden; mouths show with their level. */
    private static Shot only(Shot shot, List<String> names) {
        Shot chosen = shot.withGroups(shot.groups().stream()
                        .map(group -> group.withVisible(true))
                        .toList())
                .withLevels(shot.levels().stream()
                        .map(level -> level.withVisible(names.contains(level.name())))
                        .toList());
        boolean mouths = shot.levels().stream()
                .filter(level -> level.style().role() == LevelStyle.Role.MOUTH)
                .anyMatch(level -> names.contains(level.name()));
        return mouths ? chosen : chosen.withSpeech(Speech.NONE);
    }
}
