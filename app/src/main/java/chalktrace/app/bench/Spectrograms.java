package chalktrace.app.bench;

import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.theme.Tones;
import chalktrace.core.sound.Loudness;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.Spectra;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;

/**
 * Pictures of which frequencies sound when, in tiles that are made behind the window as they are wanted: louder is brighter, 80
 * Hz below to 8 kHz above, evenly spaced in octaves. Lives on the FX thread.
 */
final class Spectrograms {

    private static final int COLUMNS = 256;
    private static final double COLUMN_SECONDS = 0.005;
    private static final int ROWS = 64;
    private static final int WINDOW = 1024;
    private static final double LOWEST_HERTZ = 80;
    private static final double HIGHEST_HERTZ = 8000;
    private static final double FAINTEST_DECIBELS = -80;
    private static final int MOST_TILES = 400;

    private final Session session;

    /** Held here, as the look outlives every window. */
    private final InvalidationListener newLook = changed -> clear();

    private final ReadOnlyIntegerWrapper made = new ReadOnlyIntegerWrapper();
    private final Set<String> asked = new HashSet<>();
    private final Map<String, Image> tiles = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Image> eldest) {
            return size() > MOST_TILES;
        }
    };

    Spectrograms(Session session) {
        this.session = session;
        session.document().whenOpened(() -> tiles.clear());
        Theme.lookProperty().addListener(new WeakInvalidationListener(newLook));
    }

    private void clear() {
        tiles.clear();
    }

    /** Changes whenever another tile has been made. */
    ReadOnlyIntegerProperty made() {
        return made.getReadOnlyProperty();
    }

    /** The tile in which a time of a sound lies. */
    static int tile(double seconds) {
        return (int) Math.floor(Math.max(0, seconds) / (COLUMNS * COLUMN_SECONDS));
    }

    /** When a tile starts, in seconds from the sound's first sample. */
    static double seconds(int tile) {
        return tile * COLUMNS * COLUMN_SECONDS;
    }

    /** A tile; empty until it is made. */
    Optional<Image> image(String file, PcmBuffer sound, int tile) {
        String key = tile + " " + file;
        Image image = tiles.get(key);
        if (image == null && asked.add(key)) {
            Tones tones = Theme.tones();
            session.jobs().runQuietly(job -> pixels(sound, tile, tones), pixels -> {
                asked.remove(key);
                WritableImage painted = new WritableImage(COLUMNS, ROWS);
                painted.getPixelWriter()
                        .setPixels(0, 0, COLUMNS, ROWS, PixelFormat.getIntArgbInstance(), pixels, 0, COLUMNS);
                tiles.put(key, painted);
                made.set(made.get() + 1);
            });
        }
        return Optional.ofNullable(image);
    }

    private static int[] pixels(PcmBuffer sound, int tile, Tones tones) {
        Spectra spectra = new Spectra(sound, WINDOW);
        float[] magnitudes = new float[spectra.bins()];
        int[] out = new int[COLUMNS * ROWS];
        for (int column = 0; column < COLUMNS; column++) {
            double seconds = seconds(tile) + (column + 0.5) * COLUMN_SECONDS;
            spectra.at(Math.round(seconds * sound.sampleRate()), magnitudes);
            for (int row = 0; row < ROWS; row++) {
                double octaves = Math.pow(HIGHEST_HERTZ / LOWEST_HERTZ, (ROWS - row - 0.5) / ROWS);
                int bin = (int) Math.min(spectra.bins() - 1, Math.round(LOWEST_HERTZ * octaves / spectra.hertz(1)));
                double loud = 1 - Loudness.decibels(magnitudes[bin]) / FAINTEST_DECIBELS;
                out[row * COLUMNS + column] = argb(tones, Math.max(0, Math.min(1, loud)));
            }
        }
        return out;
    }

    /** From the lane's own colour over the accent to that of text: what is loud stands out in either look. */
    private static int argb(Tones tones, double loud) {
        Color color = loud < 0.6
                ? tones.panel().interpolate(tones.accent(), loud / 0.6)
                : tones.accent().interpolate(tones.text(), (loud - 0.6) / 0.4);
        return 0xFF << 24
                | (int) Math.round(255 * color.getRed()) << 16
                | (int) Math.round(255 * color.getGreen()) << 8
                | (int) Math.round(255 * color.getBlue());
    }
}
