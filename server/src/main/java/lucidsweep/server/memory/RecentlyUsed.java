package lucidsweep.server.memory;

import jakarta.annotation.Nullable;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import java.util.function.ToLongFunction;
import java.util.function.UnaryOperator;

/**
 * Keeps values up to a weight and lets those go first that nobody used for longest. The newest always stays, however heavy it
 * is.
 *
 * <pre>{@code
 * RecentlyUsed<View, long[]> orders = new RecentlyUsed<>(4_000_000, ids -> ids.length);
 * long[] ids = orders.get(view, this::sorted);
 * }</pre>
 *
 * Caffeine serves where the same few keys are asked for again and again. Where each change of a property makes a new key it does
 * not: once it is full it lets the newest go, since older ones were asked for more often, and the newest is what a page asks for
 * next.
 */
public final class RecentlyUsed<K, V> {

    private final long maxWeight;
    private final ToLongFunction<? super V> weigher;
    private final Map<K, Weighed<V>> kept = new LinkedHashMap<>(16, 0.75f, true);

    /** Completed with null where it fails. */
    private final Map<K, CompletableFuture<V>> underWay = new HashMap<>();

    private long weight;

    private record Weighed<V>(V value, long weight) {}

    /** @param weigher of a value as it is when it is put; a value that grows is put again */
    public RecentlyUsed(long maxWeight, ToLongFunction<? super V> weigher) {
        this.maxWeight = maxWeight;
        this.weigher = weigher;
    }

    /** Keeps so many values, whatever they weigh. */
    public RecentlyUsed(int max) {
        this(max, any -> 1);
    }

    /** Returns what is kept under a key; null for nothing. */
    @Nullable
    public synchronized V get(K key) {
        Weighed<V> found = kept.get(key);
        return found == null ? null : found.value;
    }

    /**
     * Returns what is kept under a key, or makes it. While it is made, others who ask for it wait; where that fails, they make it
     * themselves.
     */
    public V get(K key, Function<? super K, ? extends V> make) {
        while (true) {
            CompletableFuture<V> own = new CompletableFuture<>();
            CompletableFuture<V> others;
            synchronized (this) {
                V found = get(key);
                if (found != null) return found;
                others = underWay.putIfAbsent(key, own);
            }
            if (others == null) return made(key, make, own);
            V made = others.join();
            if (made != null) return made;
        }
    }

    private V made(K key, Function<? super K, ? extends V> make, CompletableFuture<V> own) {
        V made = null;
        try {
            made = make.apply(key);
            return made;
        } finally {
            synchronized (this) {
                underWay.remove(key);
                if (made != null) keep(key, made);
            }
            own.complete(made);
        }
    }

    /** Keeps a value in the place of any other, also of one that is being made. */
    public void put(K key, V value) {
        change(key, () -> keep(key, value));
    }

    /** Lets a value go, also one that is being made. */
    public void remove(K key) {
        change(key, () -> drop(key));
    }

    /**
     * Puts another value in the place of the one that is there, if there is one.
     *
     * @param replacement of that one; null to let it go
     */
    public void replace(K key, UnaryOperator<V> replacement) {
        change(key, () -> {
            V before = get(key);
            V after = before == null ? null : replacement.apply(before);
            if (after == null) drop(key);
            else keep(key, after);
        });
    }

    /** All that is kept, what was used longest ago first. */
    public synchronized Map<K, V> all() {
        Map<K, V> all = new LinkedHashMap<>();
        kept.forEach((key, each) -> all.put(key, each.value));
        return all;
    }

    /** What is being made may be of an older state than the change: it comes first. */
    private void change(K key, Runnable change) {
        while (true) {
            CompletableFuture<V> others;
            synchronized (this) {
                others = underWay.get(key);
                if (others == null) {
                    change.run();
                    return;
                }
            }
            others.join();
        }
    }

    private void keep(K key, V value) {
        drop(key);
        Weighed<V> newest = new Weighed<>(value, weigher.applyAsLong(value));
        kept.put(key, newest);
        weight += newest.weight;
        Iterator<Weighed<V>> oldestFirst = kept.values().iterator();
        while (weight > maxWeight && kept.size() > 1) {
            weight -= oldestFirst.next().weight;
            oldestFirst.remove();
        }
    }

    private void drop(K key) {
        Weighed<V> dropped = kept.remove(key);
        if (dropped != null) weight -= dropped.weight;
    }
}
