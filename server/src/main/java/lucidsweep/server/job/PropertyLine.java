package lucidsweep.server.job;

import java.time.Duration;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import lucidsweep.server.web.Refusal;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/**
 * One after another, whoever changes drafts, targets or findings of a property: a batch, a decision, what a sweep brings to
 * its end. Work on other properties is not slowed. The place at the head of the line is a row of the database, so that no two
 * ever have it; whoever waits too long is told who is at work.
 *
 * <pre>{@code
 * line.run(propertyId, "a batch", () -> apply(batch));
 * }</pre>
 */
@Service
public class PropertyLine {

    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("HH:mm:ss").withZone(ZoneId.systemDefault());

    private final WriterMapper mapper;
    private final Map<Long, ReentrantLock> lines = new ConcurrentHashMap<>();

    PropertyLine(WriterMapper mapper) {
        this.mapper = mapper;
        // Whoever was at work when the application ended has gone.
        mapper.clear();
    }

    /**
     * Does work when its turn has come; work within work goes on at once.
     *
     * @param work what it is, as it is told to those that wait: "a batch"
     * @throws Refusal where others are at work for too long
     */
    public <T> T get(long propertyId, String work, Supplier<T> change) {
        ReentrantLock lock = lock(propertyId);
        await(lock, propertyId);
        return get(lock, propertyId, work, change);
    }

    /** The same, however long others are at work: for what nobody waits for. */
    public void runPatiently(long propertyId, String work, Runnable change) {
        ReentrantLock lock = lock(propertyId);
        lock.lock();
        get(lock, propertyId, work, () -> {
            change.run();
            return null;
        });
    }

    private ReentrantLock lock(long propertyId) {
        return lines.computeIfAbsent(propertyId, any -> new ReentrantLock(true));
    }

    private <T> T get(ReentrantLock lock, long propertyId, String work, Supplier<T> change) {
        try {
            if (lock.getHoldCount() > 1) return change.get();
            take(propertyId, work);
            try {
                return change.get();
            } finally {
                mapper.leave(propertyId);
            }
        } finally {
            lock.unlock();
        }
    }

    /** The same for work that returns nothing. */
    public void run(long propertyId, String work, Runnable change) {
        get(propertyId, work, () -> {
            change.run();
            return null;
        });
    }

    private void await(ReentrantLock lock, long propertyId) {
        try {
            if (!lock.tryLock(PATIENCE.toMillis(), TimeUnit.MILLISECONDS)) throw busy(propertyId);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw busy(propertyId);
        }
    }

    private void take(long propertyId, String work) {
        try {
            mapper.take(propertyId, work);
        } catch (DuplicateKeyException e) {
            throw busy(propertyId);
        }
    }

    private Refusal busy(long propertyId) {
        WriterMapper.Writer writer = mapper.find(propertyId);
        if (writer == null)
            return Refusal.conflict("Something else is at work on this property; try again in a moment.");
        return Refusal.conflict("At work on this property since " + TIME.format(writer.since()) + ": " + writer.work()
                + ". Try again when that has ended.");
    }
}
