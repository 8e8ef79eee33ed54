package lucidsweep.server.job;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * Works out stretches of many ids on all cores, a few ahead of the one that is wanted next, and hands the results over in
 * their order on the caller's thread. The work reads what is committed; it takes no part in the caller's transaction.
 */
public final class Lookahead {

    private static final int CORES = Runtime.getRuntime().availableProcessors();
    private static final ExecutorService THREADS = Executors.newFixedThreadPool(CORES, task -> {
        Thread thread = new Thread(task, "lookahead");
        thread.setDaemon(true);
        return thread;
    });

    /** The first stretch is so much shorter than the usual ones. */
    private static final int FIRST_SHARE = 8;

    private Lookahead() {}

    /**
     * Runs over ids.
     *
     * @param stretch how many ids at a time; the first stretches are shorter, so that there is something soon
     * @param work what is worked out of a stretch, by many threads
     * @param take receives each result
     */
    public static <T> void over(long[] ids, int stretch, Function<long[], T> work, Consumer<T> take) {
        Deque<Future<T>> ahead = new ArrayDeque<>();
        try {
            int size = Math.max(1, stretch / FIRST_SHARE);
            for (int start = 0; start < ids.length; start += size, size = Math.min(stretch, size * 2)) {
                long[] some = Arrays.copyOfRange(ids, start, Math.min(ids.length, start + size));
                ahead.add(THREADS.submit(() -> work.apply(some)));
                if (ahead.size() > CORES * 2) take.accept(result(ahead.poll()));
            }
            while (!ahead.isEmpty()) take.accept(result(ahead.poll()));
        } finally {
            // What is under way ends by itself: an interrupt while it reads would close the database.
            ahead.forEach(future -> future.cancel(false));
        }
    }

    private static <T> T result(Future<T> future) {
        try {
            return future.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException cause) throw cause;
            throw new CompletionException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CompletionException(e);
        }
    }
}
