package lucidsweep.server.job;

import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;

/**
 * Makes one thing after another on one thread and takes them on another, in their order and a few ahead. One of the two is
 * the caller's. What fails on either side ends both; neither is interrupted, since that would close the database.
 *
 * @param <T> what is made and taken
 */
public final class BoundedPipeline<T> {

    private static final int AHEAD = 4;

    /** How soon a side that waits sees that the other has ended. */
    private static final int LOOK_AFTER_MS = 100;

    private final BlockingQueue<Optional<T>> between = new ArrayBlockingQueue<>(AHEAD);
    private volatile boolean ended;

    private BoundedPipeline() {}

    /** Makes things and passes each on. */
    @FunctionalInterface
    public interface Maker<T> {
        void make(Consumer<T> next);
    }

    /** Makes on a thread of its own and takes on the caller's. */
    public static <T> void run(Maker<T> maker, Consumer<T> take) {
        BoundedPipeline<T> pipeline = new BoundedPipeline<>();
        FutureTask<Void> making = start(() -> {
            try {
                pipeline.makeAll(maker);
            } finally {
                pipeline.put(Optional.empty());
            }
        });
        try {
            pipeline.takeAll(take);
            await(making);
        } finally {
            pipeline.ended = true;
        }
    }

    /** Makes on the caller's thread, as what is read within its transaction must be, and takes on a thread of its own. */
    public static <T> void feed(Maker<T> maker, Consumer<T> take) {
        BoundedPipeline<T> pipeline = new BoundedPipeline<>();
        FutureTask<Void> taking = start(() -> {
            try {
                pipeline.takeAll(take);
            } finally {
                pipeline.ended = true;
            }
        });
        try {
            pipeline.makeAll(maker);
            pipeline.put(Optional.empty());
        } catch (RuntimeException | Error e) {
            boolean takerFailed = pipeline.ended;
            pipeline.ended = true;
            try {
                await(taking);
            } catch (RuntimeException takers) {
                if (takerFailed) throw takers;
                e.addSuppressed(takers);
            }
            throw e;
        }
        await(taking);
    }

    private static FutureTask<Void> start(Runnable work) {
        FutureTask<Void> started = new FutureTask<>(work, null);
        Thread thread = new Thread(started, "hand-over");
        thread.setDaemon(true);
        thread.start();
        return started;
    }

    private void makeAll(Maker<T> maker) {
        maker.make(thing -> put(Optional.of(thing)));
    }

    private void put(Optional<T> thing) {
        try {
            while (!between.offer(thing, LOOK_AFTER_MS, TimeUnit.MILLISECONDS)) {
                if (ended) throw new CancellationException();
            }
        } catch (InterruptedException e) {
            throw interrupted(e);
        }
    }

    private void takeAll(Consumer<T> take) {
        try {
            while (!ended) {
                Optional<T> next = between.poll(LOOK_AFTER_MS, TimeUnit.MILLISECONDS);
                if (next == null) continue;
                if (next.isEmpty()) return;
                take.accept(next.get());
            }
        } catch (InterruptedException e) {
            throw interrupted(e);
        }
    }

    private static void await(FutureTask<Void> other) {
        try {
            other.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException cause) throw cause;
            throw new CompletionException(e.getCause());
        } catch (InterruptedException e) {
            throw interrupted(e);
        }
    }

    private static CompletionException interrupted(InterruptedException e) {
        Thread.currentThread().interrupt();
        return new CompletionException(e);
    }
}
