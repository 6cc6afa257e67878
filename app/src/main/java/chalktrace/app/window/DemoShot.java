package chalktrace.app.window;

import chalktrace.media.file.Leftover;
import chalktrace.media.file.UnsavedWork;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;

/** The demo that ships with the program: it is copied to a folder of the artist's, so that it can be changed and saved. */
public final class DemoShot {

    private static final String SHOT = "kettle.chalk";
    private static final List<String> MATERIAL = List.of(
            "kettle-clip.mp4", "kettle-poses.png", "kettle-figure.glb", "kettle-line.wav", "kettle-line-words.csv");

    private DemoShot() {}

    /**
     * Copies the demo where it is not yet.
     *
     * @param fresh puts the shipped shot in place of a changed copy
     * @return the shot
     */
    public static Path copyTo(Path folder, boolean fresh) throws IOException {
        Files.createDirectories(folder);
        for (String name : MATERIAL) {
            copy(name, folder.resolve(name));
        }
        Path shot = folder.resolve(SHOT);
        if (fresh || !Files.exists(shot)) {
            copy(SHOT, shot);
            // Unsaved work of the copy that is gone has nothing to be taken up onto; it can be had again for some time.
            UnsavedWork unsaved = new UnsavedWork(folder.resolveSibling("unsaved"));
            for (Leftover left : unsaved.of(shot)) {
                unsaved.discard(left);
            }
        }
        return shot;
    }

    private static void copy(String name, Path target) throws IOException {
        try (InputStream in = DemoShot.class.getResourceAsStream("/chalktrace/app/demo/" + name)) {
            Files.copy(in, target, StandardCopyOption.REPLACE_EXISTING);
        }
    }
}
