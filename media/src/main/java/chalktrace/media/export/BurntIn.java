package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FeetFrames;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What is written into each picture, on a dark strip at its lower edge, so that people can say which frame they mean. */
final class BurntIn {

    /** Of the picture's height. */
    private static final double TEXT_SHARE = 1.0 / 30;

    private static final double LEAST_TEXT_PX = 9;
    private static final double STRIP_TEXTS = 1.6;
    private static final Color STRIP = new Color(0, 0, 0, 170);
    private static final String BETWEEN = "    ";
    private static final Font FONT = font();

    /** One thing that can be written. */
    enum Item {
        FRAME,
        TIME,
        FEET,
        SHOT,
        DRAWINGS,
        WORDS;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private BurntIn() {}

    /** The line of a frame; empty where nothing of what is asked for is there. */
    static String text(Shot shot, int frame, Set<Item> items) {
        return items.stream()
                .sorted()
                .map(item -> part(shot, frame, item))
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(BETWEEN));
    }

    private static String part(Shot shot, int frame, Item item) {
        double seconds = shot.setup().rate().seconds(frame);
        return switch (item) {
            case FRAME -> String.valueOf(shot.setup().number(frame));
            case TIME -> String.format(Locale.ROOT, "%d:%06.3f", (int) seconds / 60, seconds % 60);
            case FEET -> FeetFrames.of(frame).toString();
            case SHOT -> shot.name();
            case DRAWINGS ->
                shot.levels().stream()
                        .filter(shot::isShown)
                        .flatMap(level -> drawing(level, frame).stream())
                        .collect(Collectors.joining(", "));
            case WORDS ->
                shot.words().stream()
                        .filter(word -> word.startSeconds() <= seconds && seconds < word.endSeconds())
                        .map(Word::text)
                        .collect(Collectors.joining(" "));
        };
    }

    private static Optional<String> drawing(Level level, int frame) {
        return level.drawingAt(frame).map(drawing -> level.name() + " " + drawing.number());
    }

    /** Writes a line into a picture. @param words row after row; painted in place, opaque or of straight opacity */
    static void write(String line, int[] words, PictureSize size) {
        if (line.isEmpty()) {
            return;
        }
        double text = Math.max(LEAST_TEXT_PX, size.height() * TEXT_SHARE);
        int strip = Math.min(size.height(), (int) Math.ceil(text * STRIP_TEXTS));
        int top = size.height() - strip;
        BufferedImage image = new BufferedImage(size.width(), strip, BufferedImage.TYPE_INT_ARGB);
        image.setRGB(0, 0, size.width(), strip, words, top * size.width(), size.width());
        Graphics2D to = image.createGraphics();
        to.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        to.setColor(STRIP);
        to.fillRect(0, 0, size.width(), strip);
        to.setColor(Color.WHITE);
        // As outlines: letters keep their widths at any size.
        Shape letters = FONT.deriveFont((float) text)
                .createGlyphVector(new FontRenderContext(null, true, true), line)
                .getOutline();
        double room = Math.max(1, size.width() - text);
        double fits = Math.min(1, room / Math.max(1, letters.getBounds2D().getMaxX()));
        to.translate(text / 2, strip - (strip - text) / 2 - text * 0.2);
        to.scale(fits, fits);
        to.fill(letters);
        to.dispose();
        image.getRGB(0, 0, size.width(), strip, words, top * size.width(), size.width());
    }

    private static Font font() {
        try (InputStream in = BurntIn.class.getResourceAsStream("IBMPlexSans-Regular.ttf")) {
            return Font.createFont(Font.TRUETYPE_FONT, in);
        } catch (IOException e) {
            throw new UncheckedIOException("a shipped font can be read", e);
        } catch (FontFormatException e) {
            throw new IllegalStateException("a shipped font is one", e);
        }
    }
}
