package lucidsweep.server.memory;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RecentlyUsedTest {

    private final ExecutorService others = Executors.newCachedThreadPool();
    private final CountDownLatch begun = new CountDownLatch(1);
    private final CountDownLatch mayEnd = new CountDownLatch(1);

    @AfterEach
    void end() {
        others.shutdown();
    }

    /** Held against a plain list, the one used last at its end. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void letsThoseGoFirstThatNobodyUsedForLongest(long seed) {
        Random random = new Random(seed);
        RecentlyUsed<Integer, String> kept = new RecentlyUsed<>(100, String::length);
        List<Integer> keys = new ArrayList<>();
        List<String> values = new ArrayList<>();
        for (int step = 0; step < 5_000; step++) {
            Integer key = random.nextInt(20);
            int place = keys.indexOf(key);
            String before = place < 0 ? null : values.get(place);
            String text = "x".repeat(random.nextInt(60) * (random.nextInt(20) == 0 ? 4 : 1));
            int action = random.nextInt(5);
            String after = null;
            switch (action) {
                case 0 -> kept.put(key, after = text);
                case 1 -> kept.remove(key);
                case 2 -> kept.replace(key, old -> old.isEmpty() ? null : old.substring(1));
                case 3 -> assertThat(kept.get(key)).isEqualTo(after = before);
                default -> assertThat(kept.get(key, any -> text)).isEqualTo(after = before == null ? text : before);
            }
            if (action == 2 && before != null && !before.isEmpty()) after = before.substring(1);
            if (place >= 0) {
                keys.remove(place);
                values.remove(place);
            }
            if (after != null) {
                keys.add(key);
                values.add(after);
            }
            while (values.size() > 1 && values.stream().mapToInt(String::length).sum() > 100) {
                keys.remove(0);
                values.remove(0);
            }
            assertThat(kept.all().values()).containsExactlyElementsOf(values);
        }
    }

    @Test
    void keepsWhatCameLastHoweverOftenOthersWereAskedFor() {
        RecentlyUsed<String, long[]> orders = new RecentlyUsed<>(4_000_000, ids -> ids.length);
        AtomicInteger made = new AtomicInteger();
        for (int revision = 0; revision < 40; revision++) {
            for (int page = 0; page < 5; page++) {
                orders.get("by title, revision " + revision, any -> new long[500_000 + made.incrementAndGet()]);
            }
        }
        assertThat(made).hasValue(40);
    }

    @Test
    void makesOnceWhatTwoAskFor() throws Exception {
        RecentlyUsed<String, String> kept = new RecentlyUsed<>(10);
        CompletableFuture<String> first = CompletableFuture.supplyAsync(
                () -> kept.get("key", any -> {
                    begun.countDown();
                    await(mayEnd);
                    // Something else may be asked for meanwhile.
                    return kept.get("other key", other -> "made") + " once";
                }),
                others);
        await(begun);
        CompletableFuture<String> second =
                CompletableFuture.supplyAsync(() -> kept.get("key", any -> "made twice"), others);
        mayEnd.countDown();
        assertThat(first.get()).isEqualTo("made once");
        assertThat(second.get()).isEqualTo("made once");
    }

    @Test
    void keepsNothingThatWasMadeBeforeAChange() throws Exception {
        RecentlyUsed<String, String> kept = new RecentlyUsed<>(10);
        CountDownLatch bothBegun = new CountDownLatch(2);
        for (String key : List.of("removed", "put")) {
            others.execute(() -> kept.get(key, any -> {
                bothBegun.countDown();
                await(mayEnd);
                return "old";
            }));
        }
        await(bothBegun);
        CompletableFuture<Void> removed = CompletableFuture.runAsync(() -> kept.remove("removed"), others);
        CompletableFuture<Void> put = CompletableFuture.runAsync(() -> kept.put("put", "new"), others);
        mayEnd.countDown();
        CompletableFuture.allOf(removed, put).get();
        assertThat(kept.get("removed")).isNull();
        assertThat(kept.get("put")).isEqualTo("new");
    }

    @Test
    void isMadeByTheNextWhereItFailed() throws Exception {
        RecentlyUsed<String, String> kept = new RecentlyUsed<>(10);
        CompletableFuture<String> fails = CompletableFuture.supplyAsync(
                () -> kept.get("key", any -> {
                    begun.countDown();
                    await(mayEnd);
                    throw new IllegalStateException("the disk is full");
                }),
                others);
        await(begun);
        CompletableFuture<String> next = CompletableFuture.supplyAsync(() -> kept.get("key", any -> "made"), others);
        mayEnd.countDown();
        assertThatThrownBy(fails::get).hasRootCauseMessage("the disk is full");
        assertThat(next.get()).isEqualTo("made");
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
