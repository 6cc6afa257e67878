package chalktrace.app.cli;

import chalktrace.core.time.FrameRate;
import picocli.CommandLine.Option;

/** The rate for the frames beside the seconds. */
final class FrameRateOption {

    @Option(
            names = "--fps",
            paramLabel = "N",
            defaultValue = "24",
            converter = NewCommand.Rate.class,
            description = "Frames a second, for the frames beside the seconds (24).")
    FrameRate rate;
}
