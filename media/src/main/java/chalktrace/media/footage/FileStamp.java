package chalktrace.media.footage;

import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;

/** Tells cheaply whether footage was changed on the disk: from the names, sizes and times of all of its files. */
public final class FileStamp {

    private static final String GONE = "gone";

    private FileStamp() {}

    /** Equal as long as nothing was changed, added or taken away. */
    public static String of(Path footage) {
        MessageDigest digest = ContentMark.sha256();
        try {
            for (Path file : References.files(footage)) {
                String line = file.getFileName() + "|" + Files.size(file) + "|" + Files.getLastModifiedTime(file);
                digest.update(line.getBytes(StandardCharsets.UTF_8));
            }
        } catch (IOException | UnreadableException e) {
            return GONE;
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    /** Whether a stamp says that a file is not there. */
    public static boolean isGone(String stamp) {
        return stamp.equals(GONE);
    }
}
