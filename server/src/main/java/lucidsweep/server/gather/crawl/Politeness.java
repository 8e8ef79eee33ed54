package lucidsweep.server.gather.crawl;

/**
 * How fast a host may be asked, worked out from how it answers: never faster than what was set, slower when it says so
 * (429, 503, Retry-After) or begins to take long. What it is slowed by is given back little by little. Knows no clock.
 */
public final class Politeness {

    private static final double SLOWEST_MS = 60_000;
    private static final double FIRST_STEP_MS = 250;
    private static final double GIVE_BACK = 0.97;
    private static final int BASELINE = 20;
    private static final double SLUGGISH = 4;
    private static final double MIN_SLUGGISH_MS = 400;
    private static final double SMOOTHING = 0.1;
    private static final int AWAIT_EFFECT = 20;

    private final int max;
    private double minMs;
    private double extraMs;
    private int connections;
    private int answers;
    private int sinceChange;
    private double baselineMs;
    private double latencyMs;

    public Politeness(int connections, long delayMs) {
        max = connections;
        this.connections = connections;
        minMs = delayMs;
    }

    /** Makes the time between two requests so long, unless it is longer already. */
    synchronized void atLeast(long delayMs) {
        minMs = Math.max(minMs, delayMs);
    }

    /** Takes note of an answer; returns for how many ms nothing is to be asked now. */
    synchronized long answered(int status, int millis, long retryAfterMs) {
        if (status == 429 || status == 503) {
            extraMs = Math.min(SLOWEST_MS, Math.max(FIRST_STEP_MS, extraMs * 2));
            connections = Math.max(1, connections / 2);
            sinceChange = 0;
            return Math.max(retryAfterMs, (long) extraMs);
        }
        extraMs = extraMs < 1 ? 0 : extraMs * GIVE_BACK;
        follow(millis);
        return 0;
    }

    private void follow(int millis) {
        answers++;
        sinceChange++;
        latencyMs = answers == 1 ? millis : latencyMs + SMOOTHING * (millis - latencyMs);
        if (answers <= BASELINE) {
            baselineMs = latencyMs;
            return;
        }
        if (sinceChange < AWAIT_EFFECT) return;
        boolean sluggish = latencyMs > Math.max(MIN_SLUGGISH_MS, SLUGGISH * baselineMs);
        if (sluggish && connections > 1) {
            connections /= 2;
            sinceChange = 0;
        } else if (!sluggish && connections < max) {
            connections++;
            sinceChange = 0;
        }
    }

    /** The time between the starts of two requests, in ms. */
    synchronized long delayMs() {
        return Math.round(minMs + extraMs);
    }

    /** How many requests may be under way at once; at most what was set. */
    synchronized int connections() {
        return connections;
    }
}
