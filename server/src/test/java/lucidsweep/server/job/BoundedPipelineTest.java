package lucidsweep.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;

class BoundedPipelineTest {

    @Test
    void thingsComeInTheirOrderAndOnTheCallersThread() {
        List<Integer> taken = new ArrayList<>();
        Thread caller = Thread.currentThread();
        BoundedPipeline.<Integer>run(
                next -> {
                    assertThat(Thread.currentThread()).isNotSameAs(caller);
                    for (int i = 0; i < 1_000; i++) next.accept(i);
                },
                each -> {
                    assertThat(Thread.currentThread()).isSameAs(caller);
                    taken.add(each);
                });
        assertThat(taken).hasSize(1_000).isSorted();
    }

    @Test
    void whatTheMakerThrowsIsThrownAfterWhatItMade() {
        List<Integer> taken = new ArrayList<>();
        assertThatThrownBy(() -> BoundedPipeline.<Integer>run(
                        next -> {
                            next.accept(1);
                            throw new IllegalStateException("the file is broken");
                        },
                        taken::add))
                .isInstanceOf(IllegalStateException.class)
                .hasMessage("the file is broken");
        assertThat(taken).containsExactly(1);
    }

    @Test
    void whatTheTakerThrowsEndsTheMaker() throws InterruptedException {
        CountDownLatch ended = new CountDownLatch(1);
        AtomicBoolean madeAll = new AtomicBoolean();
        assertThatThrownBy(() -> BoundedPipeline.<Integer>run(
                        next -> {
                            try {
                                for (int i = 0; i < 1_000_000; i++) next.accept(i);
                                madeAll.set(true);
                            } finally {
                                ended.countDown();
                            }
                        },
                        each -> {
                            throw new IllegalArgumentException("the table is full");
                        }))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(ended.await(20, TimeUnit.SECONDS)).isTrue();
        assertThat(madeAll).isFalse();
    }

    @Test
    void whatIsMadeOnTheCallersThreadIsTakenElsewhereInItsOrder() {
        List<Integer> taken = new ArrayList<>();
        Thread caller = Thread.currentThread();
        BoundedPipeline.<Integer>feed(
                next -> {
                    assertThat(Thread.currentThread()).isSameAs(caller);
                    for (int i = 0; i < 1_000; i++) next.accept(i);
                },
                each -> {
                    assertThat(Thread.currentThread()).isNotSameAs(caller);
                    taken.add(each);
                });
        assertThat(taken).as("all are taken when it returns").hasSize(1_000).isSorted();
    }

    @Test
    void whatFailsElsewhereIsThrownToTheCallerWhoMakesNoMore() {
        AtomicBoolean madeAll = new AtomicBoolean();
        assertThatThrownBy(() -> BoundedPipeline.<Integer>feed(
                        next -> {
                            for (int i = 0; i < 1_000_000; i++) next.accept(i);
                            madeAll.set(true);
                        },
                        each -> {
                            throw new IllegalArgumentException("the disk is full");
                        }))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("the disk is full");
        assertThat(madeAll).isFalse();
    }

    @Test
    void theOtherSideHasEndedWithoutAnInterruptWhenTheCallersFails() {
        Thread caller = Thread.currentThread();
        List<String> said = new CopyOnWriteArrayList<>();
        CountDownLatch taking = new CountDownLatch(1);
        CountDownLatch failing = new CountDownLatch(1);
        assertThatThrownBy(() -> BoundedPipeline.<Integer>feed(
                        next -> {
                            next.accept(1);
                            next.accept(2);
                            await(taking);
                            failing.countDown();
                            throw new IllegalStateException("the row is locked");
                        },
                        each -> {
                            taking.countDown();
                            await(failing);
                            // Until the caller waits for the other side, or has broken it off.
                            while (caller.getState() != Thread.State.WAITING
                                    && !Thread.currentThread().isInterrupted()) Thread.onSpinWait();
                            said.add(each + (Thread.currentThread().isInterrupted() ? " interrupted" : ""));
                        }))
                .hasMessage("the row is locked");
        assertThat(said).first().isEqualTo("1");
    }

    private static void await(CountDownLatch latch) {
        try {
            assertThat(latch.await(20, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }
}
