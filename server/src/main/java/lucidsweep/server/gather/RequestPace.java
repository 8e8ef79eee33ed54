package lucidsweep.server.gather;

import java.util.concurrent.TimeUnit;

/** Keeps a least time between the starts of two requests, whoever makes them. */
final class RequestPace {

    private long betweenNanos;
    private long next = System.nanoTime();

    /** Makes the time between two starts so long, unless it is longer already. */
    synchronized void atLeast(long millis) {
        betweenNanos = Math.max(betweenNanos, TimeUnit.MILLISECONDS.toNanos(millis));
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
