package chalktrace.app.kernel;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;

/** Threads that work behind the window. What they are given once the window is closed is dropped: nobody waits for it. */
public final class Workers {

    private static final int KEPT_SECONDS = 60;

    private Workers() {}

    /** One thread, which takes one piece of work after the other. */
    public static ExecutorService one(String name) {
        return few(name, 1);
    }

    /** A few threads, which share what there is to do; after their end nothing more is done, and nobody is told. */
    public static ExecutorService few(String name, int count) {
        return new ThreadPoolExecutor(
                count,
                count,
                0,
                TimeUnit.SECONDS,
                new LinkedBlockingQueue<>(),
                threads(name, Thread.NORM_PRIORITY),
                new ThreadPoolExecutor.DiscardPolicy());
    }

    /** As many threads as there is work. */
    public static ExecutorService many(String name, int priority) {
        return new ThreadPoolExecutor(
                0,
                Integer.MAX_VALUE,
                KEPT_SECONDS,
                TimeUnit.SECONDS,
                new SynchronousQueue<>(),
                threads(name, priority),
                new ThreadPoolExecutor.DiscardPolicy());
    }

    /** One thread that can also do things again and again. */
    public static ScheduledExecutorService scheduled(String name, int priority) {
        return new ScheduledThreadPoolExecutor(1, threads(name, priority), new ThreadPoolExecutor.DiscardPolicy());
    }

    private static ThreadFactory threads(String name, int priority) {
        return task -> {
            Thread made = new Thread(task, name);
            made.setDaemon(true);
            made.setPriority(priority);
            return made;
        };
    }
}
