package lucidsweep.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
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
}
