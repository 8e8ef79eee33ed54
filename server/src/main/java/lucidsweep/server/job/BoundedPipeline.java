package lucidsweep.server.job;

import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.function.Consumer;

/**
 * Makes one thing after another on a thread of its own and takes them on the caller's, in their order and a few ahead. What
 * fails on either side ends both.
 */
public final class BoundedPipeline {

    private static final int AHEAD = 4;

    private BoundedPipeline() {}

    /** Makes things and passes each on. */
    @FunctionalInterface
    public interface Maker<T> {
        void make(Consumer<T> next);
    }

    public static <T> void run(Maker<T> maker, Consumer<T> take) {
        BlockingQueue<Optional<T>> between = new ArrayBlockingQueue<>(AHEAD);
        FutureTask<Void> making = new FutureTask<>(
                () -> {
                    try {
                        maker.make(thing -> put(between, Optional.of(thing)));
                    } finally {
                        put(between, Optional.empty());
                    }
                },
                null);
        Thread thread = new Thread(making, "hand-over");
        thread.setDaemon(true);
        thread.start();
        try {
            for (Optional<T> next = between.take(); next.isPresent(); next = between.take()) take.accept(next.get());
            making.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException cause) throw cause;
            throw new CompletionException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CompletionException(e);
        } finally {
            making.cancel(true);
        }
    }

    private static <T> void put(BlockingQueue<T> between, T thing) {
        try {
            between.put(thing);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CompletionException(e);
        }
    }
}
