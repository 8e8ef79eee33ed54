package lucidsweep.server.triage;

import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import lucidsweep.server.job.WorkThreads;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * Findings that follow a change are worked out behind it, in the order of the changes: a change that was made does not fail
 * because its findings do. What comes while others are worked out is worked out together. What was missed, for whatever
 * reason, is made up for within minutes.
 */
@Service
public class FindingsQueue {

    private static final Logger LOG = LoggerFactory.getLogger(FindingsQueue.class);
    private static final int PATIENCE_SECONDS = 3;
    private static final int LONG_PATIENCE_SECONDS = 60;
    private static final int MOST_AT_ONCE = 16;

    private final Findings findings;
    private final WorkThreads threads = new WorkThreads("findings", MOST_AT_ONCE);
    private final Map<Long, Due> waiting = new HashMap<>();
    private final Map<Long, Due> atWork = new HashMap<>();

    FindingsQueue(Findings findings) {
        this.findings = findings;
    }

    private static final class Due {
        private final ChangedTexts texts;
        private final List<Long> changes = new ArrayList<>();
        private final CompletableFuture<Void> done = new CompletableFuture<>();

        private Due(ChangedTexts texts) {
            this.texts = texts;
        }
    }

    /**
     * Lets the findings of a change be worked out; called while the change has its place in the property's line, so that they
     * come in its order.
     *
     * @param change the number that {@link Findings#due} gave it
     * @param texts belongs to the queue from now on
     * @return ends with the work, however it ends; ended already where all findings are being worked out, for which nobody
     *     should wait
     */
    public synchronized Future<?> add(long propertyId, long change, ChangedTexts texts) {
        Due due = waiting.get(propertyId);
        if (due == null) waiting.put(propertyId, due = new Due(texts));
        else due.texts.addAll(texts);
        due.changes.add(change);
        Due current = atWork.get(propertyId);
        if (current == null) {
            atWork.put(propertyId, due);
            threads.execute(() -> work(propertyId));
        }
        boolean takesLong = current != null && current.texts.isMany();
        return takesLong ? CompletableFuture.completedFuture(null) : due.done;
    }

    /** Waits a moment for findings, so that they mostly are there with the answer. */
    public static void await(Future<?> findings) {
        try {
            findings.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException | ExecutionException later) {
            LOG.debug("findings come later", later);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Waits for the findings of all changes up to now, but not for ever. */
    public synchronized void await(long propertyId) {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(LONG_PATIENCE_SECONDS);
        try {
            for (long left = until - System.nanoTime();
                    left > 0 && atWork.containsKey(propertyId);
                    left = until - System.nanoTime()) {
                TimeUnit.NANOSECONDS.timedWait(this, left);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void work(long propertyId) {
        for (Due due = next(propertyId); due != null; due = next(propertyId)) {
            try {
                findings.settle(propertyId, due.changes, due.texts, () -> isManyWaiting(propertyId));
            } catch (RuntimeException e) {
                LOG.error("findings of property {} are made up for later", propertyId, e);
            } finally {
                due.done.complete(null);
            }
        }
    }

    private synchronized Due next(long propertyId) {
        Due due = waiting.remove(propertyId);
        if (due != null) atWork.put(propertyId, due);
        else if (atWork.remove(propertyId) != null) notifyAll();
        return due;
    }

    private synchronized boolean isAtWork(long propertyId) {
        return atWork.containsKey(propertyId);
    }

    private synchronized boolean isManyWaiting(long propertyId) {
        Due due = waiting.get(propertyId);
        return due != null && due.texts.isMany();
    }

    /** Makes up for what was missed. */
    @Scheduled(initialDelayString = "PT1M", fixedDelayString = "PT1M")
    void makeUp() {
        for (long propertyId : findings.due()) {
            if (isAtWork(propertyId)) continue;
            try {
                findings.makeUp(propertyId, () -> !isAtWork(propertyId));
            } catch (RuntimeException e) {
                LOG.error("findings of property {} could not be made up for", propertyId, e);
            }
        }
    }

    @PreDestroy
    void close() {
        threads.close();
    }
}
