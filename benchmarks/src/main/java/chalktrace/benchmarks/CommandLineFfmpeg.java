package chalktrace.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** FFmpeg's own command line, against which reading is measured; from the system's package {@code ffmpeg}. */
final class CommandLineFfmpeg {

    private CommandLineFfmpeg() {}

    /**
     * A clip of 30 s of 1080p at 24 pictures a second and 14 Mb/s, in groups of 250 pictures with B-pictures, with sound.
     *
     * @param size such as {@code 1920x1080}
     */
    static Path longGroups(String size) throws IOException {
        Path file = Files.createTempFile("benchmark", ".mp4");
        file.toFile().deleteOnExit();
        run(
                "-f",
                "lavfi",
                "-i",
                "testsrc2=size=" + size + ":rate=24:duration=30,noise=alls=6:allf=t",
                "-f",
                "lavfi",
                "-i",
                "sine=frequency=440:duration=30",
                "-c:v",
                "libx264",
                "-preset",
                "veryfast",
                "-g",
                "250",
                "-keyint_min",
                "250",
                "-sc_threshold",
                "0",
                "-b:v",
                "14M",
                "-pix_fmt",
                "yuv420p",
                "-c:a",
                "aac",
                file.toString());
        return file;
    }

    /** The same again and again, without coding anew. */
    static Path repeated(Path clip, int times) throws IOException {
        Path file = Files.createTempFile("benchmark", ".mp4");
        file.toFile().deleteOnExit();
        run("-stream_loop", String.valueOf(times - 1), "-i", clip.toString(), "-c", "copy", file.toString());
        return file;
    }

    /** Reads all packets of the pictures and decodes none. */
    static void demux(Path clip) throws IOException {
        run("-i", clip.toString(), "-map", "0:v", "-c", "copy", "-f", "null", "-");
    }

    /** Decodes all pictures and turns them into BGRA. */
    static void decode(Path clip) throws IOException {
        run("-i", clip.toString(), "-map", "0:v", "-pix_fmt", "bgra", "-f", "null", "-");
    }

    private static void run(String... arguments) throws IOException {
        List<String> command = new ArrayList<>(List.of("ffmpeg", "-v", "error", "-y", "-nostdin"));
        command.addAll(Arrays.asList(arguments));
        try {
            int code = new ProcessBuilder(command).inheritIO().start().waitFor();
            if (code != 0) {
                throw new IOException("ffmpeg ended with " + code);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        }
    }
}
