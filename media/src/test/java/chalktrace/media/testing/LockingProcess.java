package chalktrace.media.testing;

import chalktrace.media.file.ShotLock;
import java.nio.file.Path;
import java.util.Scanner;

/** A program that takes the lock of a shot, says whether it has it, and holds it until it is told something or ends. */
public final class LockingProcess {

    private LockingProcess() {}

    /** @param arguments the shot file */
    public static void main(String[] arguments) {
        ShotLock.Taken taken = ShotLock.take(Path.of(arguments[0]));
        System.out.println(taken.lock().isPresent() ? "has it" : "has it not");
        new Scanner(System.in).hasNextLine();
        taken.lock().ifPresent(ShotLock::close);
    }
}
