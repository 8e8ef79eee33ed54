package lucidsweep.server.gather.crawl;

import java.util.concurrent.TimeUnit;

/** Holds requests back, whoever makes them, as {@link Politeness} asks. */
public final class RequestPace {

    private static final long LONGEST_REST_MS = 120_000;

    private final Politeness politeness;
    private long next = System.nanoTime();

    public RequestPace(Politeness politeness) {
        this.politeness = politeness;
    }

    void atLeast(long millis) {
        politeness.atLeast(millis);
    }

    /** Waits for the turn of the next request. */
    public void await() throws InterruptedException {
        long wait;
        synchronized (this) {
            long now = System.nanoTime();
            long from = Math.max(now, next);
            next = from + TimeUnit.MILLISECONDS.toNanos(politeness.delayMs());
            wait = from - now;
        }
        if (wait > 0) TimeUnit.NANOSECONDS.sleep(wait);
    }

    /** Takes note of an answer. */
    public void answered(Fetched answer) {
        long rest = politeness.answered(answer.status(), answer.millis(), answer.retryAfterMs());
        if (rest == 0) return;
        long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(Math.min(LONGEST_REST_MS, rest));
        synchronized (this) {
            next = Math.max(next, until);
        }
    }

    /** Whether the nth worker, from 0, may work now. */
    boolean hasRoomFor(int worker) {
        return worker < politeness.connections();
    }
}
