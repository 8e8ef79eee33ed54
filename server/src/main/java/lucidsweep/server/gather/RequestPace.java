package lucidsweep.server.gather;

import java.util.concurrent.TimeUnit;

/** Keeps a least time between the starts of two requests, whoever makes them. */
final class RequestPace {

    private long betweenNanos;
    private long next = System.nanoTime();

    synchronized void every(long millis) {
        betweenNanos = TimeUnit.MILLISECONDS.toNanos(millis);
    }

    void await() throws InterruptedException {
        long wait;
        synchronized (this) {
            if (betweenNanos == 0) return;
            long now = System.nanoTime();
            next = Math.max(now, next + betweenNanos);
            wait = next - now;
        }
        TimeUnit.NANOSECONDS.sleep(wait);
    }
}
