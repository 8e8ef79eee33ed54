package lucidsweep.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

class LookaheadTest {

    private static final long[] IDS = LongStream.rangeClosed(1, 1_003).toArray();

    @Test
    void resultsComeInTheirOrderAndOnTheCallersThread() {
        List<Long> seen = new ArrayList<>();
        Thread caller = Thread.currentThread();
        Lookahead.over(IDS, 10, some -> some, some -> {
            assertThat(Thread.currentThread()).isSameAs(caller);
            assertThat(some.length).isLessThanOrEqualTo(seen.isEmpty() ? 1 : 10);
            Arrays.stream(some).forEach(seen::add);
        });
        assertThat(seen).containsExactlyElementsOf(Arrays.stream(IDS).boxed().toList());
    }

    @Test
    void itRunsOnlyAFewStretchesAhead() {
        AtomicInteger started = new AtomicInteger();
        AtomicInteger taken = new AtomicInteger();
        int ahead = Runtime.getRuntime().availableProcessors() * 2 + 1;
        Lookahead.over(IDS, 10, some -> started.incrementAndGet(), some -> {
            assertThat(started.get() - taken.getAndIncrement()).isLessThanOrEqualTo(ahead);
        });
        assertThat(taken.get()).as("of 1, 2, 4, 8 and then 10 each").isEqualTo(103);
    }

    @Test
    void aFailureReachesTheCallerAndEndsTheRest() {
        AtomicInteger started = new AtomicInteger();
        assertThatThrownBy(() -> Lookahead.over(
                        IDS,
                        1,
                        some -> {
                            started.incrementAndGet();
                            if (some[0] == 5) throw new IllegalStateException("five");
                            return some[0];
                        },
                        some -> {}))
                .isInstanceOf(IllegalStateException.class)
                .hasMessage("five");
        assertThat(started.get()).isLessThan(IDS.length);
        List<Long> again = new ArrayList<>();
        Lookahead.over(new long[] {1, 2}, 1, some -> some[0], again::add);
        assertThat(again).as("its threads are free again").containsExactly(1L, 2L);
    }

    @Test
    void nothingIsNothing() {
        Lookahead.over(new long[0], 10, some -> some, some -> {
            throw new AssertionError("there was nothing to take");
        });
        assertThatThrownBy(() -> Lookahead.over(IDS, 500, some -> some, some -> {
                    throw new IllegalArgumentException("enough");
                }))
                .as("what the taker throws is thrown")
                .hasMessage("enough");
    }

    /** An interrupt while something is read from its file closes the database. */
    @Test
    void whatIsUnderWayWhenOneFailsIsNotInterrupted() throws InterruptedException {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch failed = new CountDownLatch(1);
        CompletableFuture<Boolean> interrupted = new CompletableFuture<>();
        assertThatThrownBy(() -> Lookahead.over(
                        new long[] {1, 2},
                        1,
                        some -> {
                            if (some[0] == 1) return some;
                            begun.countDown();
                            try {
                                interrupted.complete(!failed.await(20, TimeUnit.SECONDS));
                            } catch (InterruptedException e) {
                                interrupted.complete(true);
                            }
                            return some;
                        },
                        some -> {
                            awaitQuietly(begun);
                            throw new IllegalStateException("given up");
                        }))
                .hasMessage("given up");
        failed.countDown();
        assertThat(interrupted).succeedsWithin(20, TimeUnit.SECONDS).isEqualTo(false);
    }

    private static void awaitQuietly(CountDownLatch latch) {
        try {
            assertThat(latch.await(20, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }
}
