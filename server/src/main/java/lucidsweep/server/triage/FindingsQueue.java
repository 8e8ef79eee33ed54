package lucidsweep.server.triage;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import lucidsweep.server.aim.targets.TargetsChanged;
import lucidsweep.server.aim.targets.TargetsDecided;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.job.WorkThreads;
import lucidsweep.server.web.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
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

    /** How long whoever changes something waits for its findings, if nothing else is asked for. */
    public static final Duration PATIENCE = Duration.ofSeconds(3);

    private static final int LONG_PATIENCE_SECONDS = 60;
    private static final int MOST_AT_ONCE = 16;

    private final Findings findings;
    private final PropertyLine line;
    private final WorkThreads threads = new WorkThreads("findings", MOST_AT_ONCE);
    private final Map<Long, Due> waiting = new HashMap<>();
    private final Map<Long, Due> atWork = new HashMap<>();

    FindingsQueue(Findings findings, PropertyLine line) {
        this.findings = findings;
        this.line = line;
    }

    private static final class Due {
        private final ChangedTexts texts;
        private final List<Long> changes = new ArrayList<>();
        private final CompletableFuture<Void> done = new CompletableFuture<>();
        private boolean anew;

        private Due(ChangedTexts texts) {
            this.texts = texts;
        }

        private boolean takesLong() {
            return anew || texts.isMany();
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
        Due current = begin(propertyId, due);
        return current != due && current.takesLong() ? CompletableFuture.completedFuture(null) : due.done;
    }

    /** Whoever let them change, such as a sweep, waits for the end. */
    @EventListener
    void targetsChanged(TargetsChanged changed) {
        long propertyId = changed.propertyId();
        line.runPatiently(propertyId, "findings of all items", () -> findings.due(propertyId));
        settleAnew(propertyId);
    }

    /** Whoever decided is answered after a moment. */
    @EventListener
    void targetsDecided(TargetsDecided decided) {
        long propertyId = decided.propertyId();
        Future<?>[] found = new Future<?>[1];
        line.runPatiently(propertyId, "findings of items with other keywords", () -> {
            found[0] = add(propertyId, findings.due(propertyId), ChangedTexts.ofItems(decided.itemIds()));
        });
        await(found[0], PATIENCE);
    }

    /**
     * Has all findings of a property worked out anew, where any are due, and waits for the end.
     *
     * @throws RuntimeException that ended the work
     */
    void settleAnew(long propertyId) {
        try {
            addAnew(propertyId).get();
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException cause ? cause : new CompletionException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CompletionException(e);
        }
    }

    private synchronized Future<?> addAnew(long propertyId) {
        Due due = waiting.computeIfAbsent(propertyId, any -> new Due(new ChangedTexts()));
        due.anew = true;
        begin(propertyId, due);
        return due.done;
    }

    /** Has somebody work, if nobody does; returns what is at work now. */
    private Due begin(long propertyId, Due due) {
        Due current = atWork.putIfAbsent(propertyId, due);
        if (current != null) return current;
        threads.execute(() -> work(propertyId));
        return due;
    }

    /** Waits for findings for no longer than that: so they mostly are there with the answer. */
    public static void await(Future<?> findings, Duration patience) {
        try {
            findings.get(patience.toNanos(), TimeUnit.NANOSECONDS);
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
            Due own = due;
            try {
                if (own.anew) findings.settleAnew(propertyId, () -> isOutdated(propertyId, own));
                else findings.settle(propertyId, own.changes, own.texts, () -> isOutdated(propertyId, own));
                own.done.complete(null);
            } catch (Findings.Outdated e) {
                endWithNext(propertyId, own);
            } catch (RuntimeException | Error e) {
                LOG.error("findings of property {} are made up for later", propertyId, e);
                own.done.completeExceptionally(e);
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

    /** Whether what waits makes up for what is at work. */
    private synchronized boolean isOutdated(long propertyId, Due current) {
        Due next = waiting.get(propertyId);
        return next != null && (next.anew || next.texts.isMany() && !current.anew);
    }

    /** Who waits for what was left to the next waits for that; a sweep that made up for it has ended by now. */
    private synchronized void endWithNext(long propertyId, Due outdated) {
        Due next = waiting.get(propertyId);
        if (next == null) outdated.done.complete(null);
        else next.done.whenComplete((done, failed) -> outdated.done.complete(null));
    }

    /** Works out what was still due when the application ended. */
    @EventListener(ApplicationReadyEvent.class)
    void catchUp() {
        for (long propertyId : findings.due()) {
            try {
                settleAnew(propertyId);
            } catch (RuntimeException logged) {
                LOG.debug("findings of property {} are still due", propertyId, logged);
            }
        }
    }

    /** Makes up for what was missed. */
    @Scheduled(initialDelayString = "PT1M", fixedDelayString = "PT1M")
    void makeUp() {
        for (long propertyId : findings.due()) if (!isAtWork(propertyId)) makeUp(propertyId);
    }

    /** While nobody changes anything: a change is due before its findings are in the queue. */
    private void makeUp(long propertyId) {
        try {
            line.run(propertyId, "looking for findings that were missed", () -> {
                if (!isAtWork(propertyId)) addAnew(propertyId);
            });
        } catch (Refusal busy) {
            LOG.debug("findings of property {} are made up for later", propertyId, busy);
        }
    }

    @PreDestroy
    void close() {
        threads.close();
    }
}
