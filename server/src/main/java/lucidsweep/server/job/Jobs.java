package lucidsweep.server.job;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import lucidsweep.server.database.DiskSpace;
import lucidsweep.server.web.EventStream;
import lucidsweep.server.web.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Runs long work in the background, stores how it goes and tells the open pages. */
@Service
public class Jobs {

    private static final Logger LOG = LoggerFactory.getLogger(Jobs.class);
    private static final long TELL_EVERY_MS = 500;
    private static final int LONGEST_NOTE = 2_000;
    private static final int LONGEST_TITLE = 500;
    private static final int MAX_AT_ONCE = 50;

    private final JobMapper mapper;
    private final DiskSpace disk;
    private final EventStream events;
    private final ExecutorService threads = Executors.newCachedThreadPool();
    private final Map<Long, Running> running = new ConcurrentHashMap<>();
    private volatile boolean closing;

    Jobs(JobMapper mapper, EventStream events, DiskSpace disk) {
        this.disk = disk;
        this.mapper = mapper;
        this.events = events;
    }

    /** The work itself; what it returns is the note that the job ends with. */
    @FunctionalInterface
    public interface Work {
        String run(Progress progress) throws Exception;
    }

    @PostConstruct
    void tidyUp() {
        mapper.failUnfinished();
    }

    /** Stores a new job without starting it. */
    public long create(long propertyId, String kind, String title) {
        return insert(propertyId, kind, title);
    }

    private long insert(Long propertyId, String kind, String title) {
        if (running.size() >= MAX_AT_ONCE) {
            throw Refusal.conflict(MAX_AT_ONCE + " pieces of work are under way; wait until one has ended");
        }
        String shortTitle = title.length() <= LONGEST_TITLE ? title : title.substring(0, LONGEST_TITLE - 1) + "…";
        JobMapper.NewJob job = new JobMapper.NewJob(propertyId, kind, shortTitle);
        mapper.insert(job);
        return job.id;
    }

    /** Creates a job and starts it. */
    public long start(long propertyId, String kind, String title, Work work) {
        long id = create(propertyId, kind, title);
        start(id, work);
        return id;
    }

    /** The same for work that belongs to no property. */
    public long startForAll(String kind, String title, Work work) {
        long id = insert(null, kind, title);
        start(id, work);
        return id;
    }

    /** Starts a stored job, or goes on with it. */
    public void start(long id, Work work) {
        mapper.reopen(id);
        Running progress = new Running(id);
        running.put(id, progress);
        threads.execute(() -> run(progress, work));
    }

    /** Runs the work of a stored job on the caller's thread. */
    public void runNow(long id, Work work) {
        Running progress = new Running(id);
        running.put(id, progress);
        run(progress, work);
    }

    public Job find(long id) {
        Job job = mapper.find(id);
        if (job == null) throw Refusal.notFound("there is no job " + id);
        return job;
    }

    /** Waits until a job has ended. */
    public Job awaitEnd(long id) {
        Running job = running.get(id);
        try {
            if (job != null) job.ended.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return find(id);
    }

    /** Whether work on a property is under way. */
    public boolean isBusy(long propertyId) {
        return ofProperty(propertyId).stream().anyMatch(job -> job.state() == JobState.RUNNING);
    }

    List<Job> ofProperty(long propertyId) {
        return mapper.ofProperty(propertyId);
    }

    List<Job> ofNoProperty() {
        return mapper.ofNoProperty();
    }

    /** Asks a job to stop; what it did so far stays. */
    void stop(long id) {
        find(id);
        Running job = running.get(id);
        if (job == null) throw Refusal.conflict("this has ended already");
        job.stopAsked = true;
    }

    /** Closes a job that cannot go on, with a sentence that says why. */
    public void close(long id, String why) {
        end(id, JobState.FAILED, why);
    }

    /** Whether the application is ending; work that goes on at the next start leaves its state as it is. */
    public boolean isClosing() {
        return closing;
    }

    private void run(Running job, Work work) {
        try {
            String note = work.run(job);
            boolean stopped = job.stopAsked;
            if (closing && stopped) return;
            mapper.progress(job.id, job.done, job.total, "");
            end(job.id, stopped ? JobState.STOPPED : JobState.DONE, note);
        } catch (Refusal e) {
            end(job.id, JobState.FAILED, e.getMessage());
        } catch (Throwable e) {
            DiskSpace.endIfFull(e);
            LOG.error("job {} failed", job.id, e);
            end(job.id, JobState.FAILED, "It failed: " + why(e));
        } finally {
            running.remove(job.id);
            job.ended.countDown();
            if (!closing) events.tell("job", mapper.find(job.id));
        }
    }

    private void end(long id, JobState state, String note) {
        mapper.end(id, state, note.length() <= LONGEST_NOTE ? note : note.substring(0, LONGEST_NOTE - 1) + "…");
    }

    /** What went wrong first, in its own words; what only passed it on says nothing to anybody. */
    private static String why(Throwable problem) {
        while (problem.getCause() != null) problem = problem.getCause();
        if (problem instanceof OutOfMemoryError) return "there was not enough memory. What was stored before is kept.";
        String message = problem.getMessage();
        return message == null || message.isBlank() ? problem.getClass().getSimpleName() : message;
    }

    @PreDestroy
    void close() throws InterruptedException {
        closing = true;
        running.values().forEach(job -> job.stopAsked = true);
        threads.shutdown();
        threads.awaitTermination(8, TimeUnit.SECONDS);
    }

    private final class Running implements Progress {
        private final long id;
        private final CountDownLatch ended = new CountDownLatch(1);
        private volatile boolean stopAsked;
        private volatile long done;
        private volatile long total;
        private long told;

        private Running(long id) {
            this.id = id;
        }

        @Override
        public void report(long done, long total) {
            this.done = done;
            this.total = total;
            String shortage = disk.shortage();
            if (shortage != null) throw Refusal.conflict(shortage);
            if (isDue()) {
                mapper.progress(id, done, total, "");
                events.tell("job", mapper.find(id));
            }
        }

        private synchronized boolean isDue() {
            long now = System.currentTimeMillis();
            if (now - told < TELL_EVERY_MS) return false;
            told = now;
            return true;
        }

        @Override
        public boolean stopAsked() {
            return stopAsked;
        }
    }
}
