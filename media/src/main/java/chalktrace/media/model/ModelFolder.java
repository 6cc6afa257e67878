package chalktrace.media.model;

import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Base64;
import java.util.Locale;

/** Reads what a model file names beside itself. A path never leaves the folder of the file, not through a link either. */
final class ModelFolder {

    /** More than this is no reference to draw over. */
    static final long MOST_BYTES = 1L << 30;

    private static final String MEND = "Export it again, with all that belongs to it in its folder.";

    private final Path file;
    private final Path folder;

    ModelFolder(Path file) {
        this.file = file;
        this.folder = file.toAbsolutePath().normalize().getParent();
    }

    Path file() {
        return file;
    }

    /** What the model file itself holds. */
    ByteBuffer own() throws UnreadableException {
        return read(file, file.getFileName().toString());
    }

    /** What a model file in letters holds, as UTF-8, whatever it was written in; letters without a mark are taken as they are. */
    byte[] text() throws UnreadableException {
        byte[] bytes = own().array();
        int first = bytes.length < 2 ? 0 : (bytes[0] & 255) << 8 | bytes[1] & 255;
        if (first == 0xFEFF || first == 0xFFFE) {
            return new String(bytes, StandardCharsets.UTF_16).getBytes(StandardCharsets.UTF_8);
        }
        boolean marked = first == 0xEFBB && bytes.length > 2 && (bytes[2] & 255) == 0xBF;
        return marked ? Arrays.copyOfRange(bytes, 3, bytes.length) : bytes;
    }

    /** @param uri a data URI with base64, or a path with {@code %20} and the like */
    ByteBuffer named(String uri) throws UnreadableException {
        if (uri.regionMatches(true, 0, "data:", 0, 5)) {
            int comma = uri.indexOf(',');
            try {
                return ByteBuffer.wrap(Base64.getDecoder().decode(uri.substring(comma + 1)));
            } catch (IllegalArgumentException e) {
                throw wrong("holds data that is no base64", "Export it again.");
            }
        }
        return read(place(uri), uri);
    }

    /** Whether a file that is named, and no data within the model, is not there. */
    boolean isMissing(String uri) throws UnreadableException {
        return !uri.regionMatches(true, 0, "data:", 0, 5) && !Files.isRegularFile(place(uri));
    }

    /** Where a named file should lie. */
    Path place(String uri) throws UnreadableException {
        String name;
        try {
            name = URLDecoder.decode(uri.replace("+", "%2B"), StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            name = uri;
        }
        try {
            Path place = folder.resolve(name.replace('\\', '/')).normalize();
            boolean inside = place.startsWith(folder)
                    && (!Files.exists(place) || place.toRealPath().startsWith(folder.toRealPath()));
            if (!inside || name.matches("[a-zA-Z][a-zA-Z0-9+.-]+:.*")) {
                throw wrong(
                        "names \"" + Shown.of(uri) + "\", which lies outside its folder",
                        "Put it beside the model and name it so.");
            }
            return place;
        } catch (InvalidPathException | IOException e) {
            throw wrong("names \"" + Shown.of(uri) + "\", which is no file's name", MEND);
        }
    }

    private ByteBuffer read(Path place, String as) throws UnreadableException {
        try {
            if (!Files.isRegularFile(place) && place.equals(file)) {
                throw wrong("is not there", "Choose where it is now, or take it out of the shot.");
            }
            if (!Files.isRegularFile(place)) {
                throw wrong("needs \"" + Shown.of(as) + "\", which is not there", MEND);
            }
            if (Files.size(place) > MOST_BYTES) {
                throw wrong("holds more than 1 GB (" + Shown.of(as) + ")", "Reduce it in the program that made it.");
            }
            return ByteBuffer.wrap(Files.readAllBytes(place));
        } catch (IOException e) {
            throw UnreadableException.of(file, "can't be read (" + Shown.of(as) + ": " + e.getMessage() + ")", MEND, e);
        }
    }

    /** Says when there are more triangles than can be shown. */
    void checkTriangles(long count) throws UnreadableException {
        if (count > ModelFiles.MOST_TRIANGLES) {
            throw wrong(
                    String.format(Locale.ROOT, "has %,d triangles; %,d can be shown", count, ModelFiles.MOST_TRIANGLES),
                    "Reduce it in the program that made it.");
        }
    }

    UnreadableException wrong(String what, String mend) {
        return UnreadableException.of(file, what, mend);
    }

    /** Something in it is broken. */
    UnreadableException broken(String what) {
        return wrong("is damaged: " + what, "Export it again from the program that made it.");
    }
}
