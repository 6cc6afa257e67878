package chalktrace.core.work;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Delayed;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * The one owner of threads beside the window's own: named, counted, and ended without waiting. They keep no program alive. What they are given once they are
 * being ended is dropped.
 */
public final class Workers {

    private static final int KEPT_SECONDS = 60;

    private static final Set<Thread> LIVING = ConcurrentHashMap.newKeySet();

    /** Of those that are being ended and have not yet. */
    private static final Set<Ending> ENDING = ConcurrentHashMap.newKeySet();

    private Workers() {}

    /**
     * How a worker ends.
     *
     * @param ended when its last thread has ended, on that thread: what is to follow hangs on this
     * @param gone when that has been done too
     */
    private record Ending(CompletableFuture<Void> ended, CompletableFuture<Void> gone) {

        Ending() {
            this(new CompletableFuture<>(), new CompletableFuture<>());
        }

        void terminated() {
            ended.complete(null);
            gone.complete(null);
        }
    }

    /** A worker that says when it has ended. */
    private interface Ended {
        Ending ending();
    }

    private static final class Pool extends ThreadPoolExecutor implements Ended {

        private final Ending ending = new Ending();

        Pool(int kept, int most, BlockingQueue<Runnable> queue, ThreadFactory threads) {
            super(kept, most, KEPT_SECONDS, TimeUnit.SECONDS, queue, threads, new DiscardPolicy());
        }

        @Override
        public Ending ending() {
            return ending;
        }

        @Override
        protected void terminated() {
            ending.terminated();
        }
    }

    private static final class Clock extends ScheduledThreadPoolExecutor implements Ended {

        private final Ending ending = new Ending();

        Clock(ThreadFactory threads) {
            super(1, threads, new DiscardPolicy());
        }

        /** What was to be done only later is not done. */
        @Override
        public void shutdown() {
            getQueue().removeIf(task -> ((Delayed) task).getDelay(TimeUnit.NANOSECONDS) > 0);
            super.shutdown();
        }

        @Override
        public Ending ending() {
            return ending;
        }

        @Override
        protected void terminated() {
            ending.terminated();
        }
    }

    /** One thread, which takes one piece of work after the other. */
    public static ExecutorService one(String name) {
        return few(name, 1);
    }

    /** A few threads, which share what there is to do. */
    public static ExecutorService few(String name, int count) {
        return new Pool(count, count, new LinkedBlockingQueue<>(), threads(name, Thread.NORM_PRIORITY));
    }

    /** As many threads as there is work. */
    public static ExecutorService many(String name, int priority) {
        return new Pool(0, Integer.MAX_VALUE, new SynchronousQueue<>(), threads(name, priority));
    }

    /** One thread that can also do things again and again. */
    public static ScheduledExecutorService scheduled(String name, int priority) {
        return new Clock(threads(name, priority));
    }

    /** Something that goes on until it ends by itself, such as reading a device; its thread runs from now on. */
    public static Thread loop(String name, Runnable run) {
        Thread made = threads(name, Thread.NORM_PRIORITY).newThread(run);
        made.start();
        return made;
    }

    private static ThreadFactory threads(String name, int priority) {
        return task -> {
            Thread made = new Thread(() -> run(task), name);
            made.setDaemon(true);
            made.setPriority(priority);
            return made;
        };
    }

    private static void run(Runnable task) {
        LIVING.add(Thread.currentThread());
        try {
            task.run();
        } finally {
            LIVING.remove(Thread.currentThread());
        }
    }

    /** How many threads of each name live. */
    public static SortedMap<String, Integer> living() {
        SortedMap<String, Integer> count = new TreeMap<>();
        LIVING.forEach(thread -> count.merge(thread.getName(), 1, Integer::sum));
        return count;
    }

    /**
     * Lets a worker do what it was given, and no more.
     *
     * @return done when its last thread has ended; what follows runs on that thread, or here where none lives
     */
    public static CompletableFuture<Void> finish(ExecutorService worker) {
        CompletableFuture<Void> ended = ending(worker);
        worker.shutdown();
        return ended;
    }

    /** As {@link #finish}, with what waits dropped and what runs interrupted. */
    public static CompletableFuture<Void> stop(ExecutorService worker) {
        CompletableFuture<Void> ended = ending(worker);
        worker.shutdownNow();
        return ended;
    }

    /** @throws IllegalArgumentException when it was not made here */
    private static CompletableFuture<Void> ending(ExecutorService worker) {
        if (!(worker instanceof Ended mine)) {
            throw new IllegalArgumentException("This worker was made elsewhere.");
        }
        ENDING.add(mine.ending());
        return mine.ending().ended();
    }

    /**
     * Waits for all that are being ended, and for what was to follow on their last threads; never on the window's thread.
     *
     * @return whether all have ended within the time
     */
    public static boolean awaitEnding(Duration longest) throws InterruptedException {
        long end = System.nanoTime() + longest.toNanos();
        try {
            // What has ended may have told others to end.
            for (List<CompletableFuture<Void>> all = unfinished(); !all.isEmpty(); all = unfinished()) {
                CompletableFuture.allOf(all.toArray(CompletableFuture[]::new))
                        .get(end - System.nanoTime(), TimeUnit.NANOSECONDS);
            }
            return true;
        } catch (TimeoutException e) {
            return false;
        } catch (ExecutionException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<CompletableFuture<Void>> unfinished() {
        ENDING.removeIf(ending -> ending.gone.isDone());
        return ENDING.stream().map(Ending::gone).toList();
    }
}
