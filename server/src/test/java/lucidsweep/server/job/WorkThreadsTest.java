package lucidsweep.server.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;

class WorkThreadsTest {

    @Test
    void closedTheyEndWhatIsUnderWayWithoutAnInterruptAndBeginNothingMore() throws Exception {
        WorkThreads threads = new WorkThreads("test", 1);
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch end = new CountDownLatch(1);
        AtomicBoolean second = new AtomicBoolean();
        Future<Boolean> first = threads.submit(() -> {
            begun.countDown();
            return end.await(20, TimeUnit.SECONDS) && !Thread.currentThread().isInterrupted();
        });
        threads.execute(() -> second.set(true));
        assertThat(begun.await(20, TimeUnit.SECONDS)).isTrue();
        Thread closing = new Thread(threads::close);
        closing.start();
        while (closing.getState() != Thread.State.TIMED_WAITING && closing.isAlive()) Thread.onSpinWait();
        end.countDown();
        closing.join();
        assertThat(first.get()).as("it came to its end").isTrue();
        assertThat(second).as("what waited is dropped").isFalse();
    }
}
