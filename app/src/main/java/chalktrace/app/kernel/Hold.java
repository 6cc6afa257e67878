package chalktrace.app.kernel;

import java.util.function.BooleanSupplier;

/** Something that background work waits for at places of its own choosing. Safe for threads. */
final class Hold {

    private boolean still;

    synchronized void set(boolean hold) {
        still = hold;
        notifyAll();
    }

    /** Lets all that wait look again whether they still should. */
    synchronized void release() {
        notifyAll();
    }

    /** Waits as long as work is held, unless there is a reason to go on. */
    synchronized void waitWhile(BooleanSupplier goOn) {
        try {
            while (still && !goOn.getAsBoolean()) {
                wait();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
