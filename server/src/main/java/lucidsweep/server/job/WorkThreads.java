package lucidsweep.server.job;

import java.util.concurrent.Callable;
import java.util.concurrent.Future;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;

/**
 * A few threads for as long as a piece of work goes on. Closing them begins nothing more and waits a moment for what is under
 * way; it interrupts nothing, since an interrupt while something is read from its file closes the database for everybody.
 */
public final class WorkThreads implements AutoCloseable {

    private static final int PATIENCE_SECONDS = 5;

    private final ThreadPoolExecutor threads;

    public WorkThreads(String name, int count) {
        threads = new ThreadPoolExecutor(count, count, 30, TimeUnit.SECONDS, new LinkedBlockingQueue<>(), task -> {
            Thread thread = new Thread(task, name);
            thread.setDaemon(true);
            return thread;
        });
        threads.allowCoreThreadTimeOut(true);
    }

    public <T> Future<T> submit(Callable<T> work) {
        return threads.submit(work);
    }

    public void execute(Runnable work) {
        threads.execute(work);
    }

    @Override
    public void close() {
        threads.getQueue().clear();
        threads.shutdown();
        try {
            threads.awaitTermination(PATIENCE_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
