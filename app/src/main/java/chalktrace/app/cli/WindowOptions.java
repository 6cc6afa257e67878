package chalktrace.app.cli;

import java.nio.file.Path;
import picocli.CommandLine.Option;

/** How the window is opened. */
public final class WindowOptions {

    /** Opens the window and waits until it is closed. */
    @FunctionalInterface
    public interface Opener {
        /** @return the exit code */
        int open(Path shot, boolean demo, WindowOptions options) throws Exception;
    }

    @Option(
            names = "--picture",
            paramLabel = "OUT.png",
            description = "Write a picture of the window once all is there, and quit.")
    Path picture;

    @Option(names = "--step", paramLabel = "STEP", description = "gather, study, trace, voice or finish.")
    String step;

    @Option(names = "--frame", paramLabel = "N", description = "The frame at the gate, counted from 0.")
    int frame;

    @Option(names = "--pen", paramLabel = "STROKES.csv", description = "Let the simulated pen draw recorded strokes.")
    Path pen;

    @Option(names = "--look", paramLabel = "CLIP", description = "Preview footage, to import a part of it.")
    Path look;

    @Option(names = "--fresh", description = "With demo: put the shipped shot in place of the copy you changed.")
    boolean fresh;

    @Option(names = "--colours", paramLabel = "LOOK", description = "slate or day, in place of what is set.")
    String colours;

    public String colours() {
        return colours;
    }

    @Option(
            names = "--media-anywhere",
            description = "Also read media that the shot names outside its own folder, from now on.")
    boolean mediaAnywhere;

    public boolean isMediaAnywhere() {
        return mediaAnywhere;
    }

    @Option(names = "--sheet", description = "Show the exposure sheet in the board's place.")
    boolean sheet;

    public boolean isSheet() {
        return sheet;
    }

    public Path picture() {
        return picture;
    }

    public String step() {
        return step;
    }

    public int frame() {
        return frame;
    }

    public Path pen() {
        return pen;
    }

    public Path look() {
        return look;
    }

    public boolean isFresh() {
        return fresh;
    }
}
