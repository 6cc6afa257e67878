package chalktrace.media.file;

import java.io.IOException;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** This machine, by what does not change when it is renamed where there is such a thing. */
final class Machine {

    static final String HOST = host();
    static final String NAME = name();

    private Machine() {}

    private static String host() {
        try {
            return InetAddress.getLocalHost().getHostName();
        } catch (UnknownHostException e) {
            return "this machine";
        }
    }

    private static String name() {
        try {
            return Files.readString(Path.of("/etc/machine-id"), StandardCharsets.US_ASCII)
                    .strip();
        } catch (IOException e) {
            return HOST;
        }
    }
}
