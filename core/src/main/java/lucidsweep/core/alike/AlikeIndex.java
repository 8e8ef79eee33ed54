package lucidsweep.core.alike;

import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * All texts of a property by a sketch of 64 bits each, so that those near a changed one are found at once: about a millisecond
 * among half a million. The series are those that there were when all texts were looked at.
 */
public final class AlikeIndex {

    /** A text may be near many others; those that are nearest are enough to say so. */
    private static final int MOST = 8;

    private static final int MAX_ASKED = 1_000;

    private static final double DEVIATIONS = 3;

    private final double near;
    private final PlaceMask places;
    private final UnaryOperator<String> part;
    private final Map<Long, Series> series;
    private final int minBits;
    private long[] ids;
    private long[] forms;
    private long[] sketches;
    private int size;

    /** What was asked for since a text was last set: whoever follows a change asks for some items twice. */
    private final Map<Long, List<Long>> asked = new HashMap<>();

    AlikeIndex(
            AlikeTexts.Limits limits,
            PlaceMask places,
            UnaryOperator<String> part,
            long[] ids,
            long[] forms,
            long[] sketches,
            Map<Long, Series> series) {
        near = limits.near();
        this.places = places;
        this.part = part;
        this.ids = ids;
        this.forms = forms;
        this.sketches = sketches;
        this.series = series;
        size = ids.length;
        double agreeing = (1 + near) / 2;
        double deviation = Math.sqrt(MinHash.SIZE * agreeing * (1 - agreeing));
        minBits = (int) Math.floor(MinHash.SIZE * agreeing - DEVIATIONS * deviation);
    }

    /** A text as it is compared. */
    private record Form(long hash, int slot, TextShape shape) {

        int[] shingles() {
            return Shingles.distinct(shape.compared(slot));
        }
    }

    private Form form(String text) {
        TextShape shape = TextShape.of(part.apply(text), places);
        if (series.containsKey(shape.hash())) return new Form(shape.hash(), TextShape.NO_SLOT, shape);
        for (int slot = 0; slot < shape.size(); slot++) {
            if (shape.canOpen(slot) && series.containsKey(shape.hash(slot))) {
                return new Form(shape.hash(slot), slot, shape);
            }
        }
        return new Form(shape.hash(), TextShape.NO_SLOT, shape);
    }

    /** Sets the text of an item; "" where it has none any longer. */
    public synchronized void set(long id, String text) {
        asked.clear();
        int place = Arrays.binarySearch(ids, 0, size, id);
        if (place < 0) {
            place = -place - 1;
            ids = inserted(ids, place);
            forms = inserted(forms, place);
            sketches = inserted(sketches, place);
            ids[place] = id;
            size++;
        }
        Form form = form(text);
        forms[place] = text.isBlank() ? 0 : form.hash();
        sketches[place] = sketch(form);
    }

    private long[] inserted(long[] values, int place) {
        long[] wider = size < values.length ? values : Arrays.copyOf(values, size + 1_024);
        System.arraycopy(values, place, wider, place + 1, size - place);
        return wider;
    }

    /** The items whose texts are likely near an item's as it was set last: the likeliest, one of each form. */
    public synchronized List<Long> candidates(long id) {
        int own = Arrays.binarySearch(ids, 0, size, id);
        if (own < 0 || forms[own] == 0) return List.of();
        if (asked.size() > MAX_ASKED) asked.clear();
        return asked.computeIfAbsent(id, any -> candidates(forms[own], sketches[own]));
    }

    /** The same of a text that no item has yet. */
    public synchronized List<Long> candidates(String text) {
        if (text.isBlank()) return List.of();
        Form form = form(text);
        return candidates(form.hash(), sketch(form));
    }

    private List<Long> candidates(long form, long sketch) {
        int[] nearest = new int[MOST];
        int count = 0;
        int most = MinHash.SIZE - minBits;
        long[] all = sketches;
        for (int i = next(sketch, most, 0); i < size; i = next(sketch, most, i + 1)) {
            if (forms[i] == 0 || forms[i] == form || isAmong(nearest, count, forms[i])) continue;
            int differing = differing(all[i], sketch);
            int at = count < MOST ? count++ : MOST - 1;
            for (; at > 0 && differing(all[nearest[at - 1]], sketch) > differing; at--) nearest[at] = nearest[at - 1];
            nearest[at] = i;
            // Of those that differ by as much the first stay.
            if (count == MOST) most = differing(all[nearest[MOST - 1]], sketch) - 1;
        }
        return Arrays.stream(nearest, 0, count).mapToObj(place -> ids[place]).toList();
    }

    /**
     * The first place from one on whose sketch differs in so many bits at most; the end where there is none. Nearly all places
     * are passed over, and in a loop that does nothing else twice as fast.
     */
    private int next(long sketch, int most, int from) {
        long[] all = sketches;
        int end = size;
        for (int i = from; i < end; i++) if (differing(all[i], sketch) <= most) return i;
        return end;
    }

    private boolean isAmong(int[] places, int count, long form) {
        for (int i = 0; i < count; i++) if (forms[places[i]] == form) return true;
        return false;
    }

    private static int differing(long a, long b) {
        return Long.bitCount(a ^ b);
    }

    private static long sketch(Form form) {
        return MinHash.sketch(MinHash.of(Shingles.of(form.shape().compared(form.slot()))));
    }

    /** A text of an item. */
    public record Text(long id, String text) {}

    /** The nearest of some texts to one, if any is near. */
    public Optional<Near> nearest(String text, Collection<Text> others) {
        if (text.isBlank()) return Optional.empty();
        Form own = form(text);
        int[] shingles = own.shingles();
        Near nearest = null;
        for (Text other : others) {
            Form form = form(other.text());
            if (form.hash() == own.hash()) continue;
            double likeness = Shingles.likeness(shingles, form.shingles(), near);
            if (likeness < near || nearest != null && nearest.likeness() >= likeness) continue;
            nearest = new Near(other.id(), likeness, other.text());
        }
        return Optional.ofNullable(nearest);
    }

    /** The series that a text is of, if any. */
    public Optional<Series> series(String text) {
        return text.isBlank()
                ? Optional.empty()
                : Optional.ofNullable(series.get(form(text).hash()));
    }

    /** About how many bytes of memory it takes. */
    public long bytes() {
        return 24L * ids.length + 200L * series.size();
    }
}
