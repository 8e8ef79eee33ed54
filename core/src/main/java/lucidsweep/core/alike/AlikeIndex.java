package lucidsweep.core.alike;

import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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

    /** No place; and no two sketches differ in so few bits. */
    private static final int NONE = -1;

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

    /**
     * Sets the text of an item; "" where it has none any longer.
     *
     * @return the items whose texts are likely near the one that it had, or near this one
     */
    public synchronized Set<Long> set(long id, String text) {
        asked.clear();
        int place = Arrays.binarySearch(ids, 0, size, id);
        if (place < 0) {
            place = -place - 1;
            ids = inserted(ids, place);
            forms = inserted(forms, place);
            sketches = inserted(sketches, place);
            ids[place] = id;
            forms[place] = 0;
            size++;
        }
        Form form = form(text);
        Nearest before = new Nearest(forms[place], sketches[place], place);
        Nearest after = new Nearest(text.isBlank() ? 0 : form.hash(), sketch(form), place);
        look(before, after);
        forms[place] = after.form;
        sketches[place] = after.sketch;
        asked.put(id, after.found());
        Set<Long> near = new HashSet<>(before.found());
        near.addAll(after.found());
        return near;
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
        return asked.computeIfAbsent(id, any -> candidates(new Nearest(forms[own], sketches[own], own)));
    }

    /** The same of a text that no item has yet. */
    public synchronized List<Long> candidates(String text) {
        if (text.isBlank()) return List.of();
        Form form = form(text);
        return candidates(new Nearest(form.hash(), sketch(form), NONE));
    }

    private List<Long> candidates(Nearest nearest) {
        look(nearest, new Nearest(0, 0, NONE));
        return nearest.found();
    }

    /** The places that are nearest to a text, but for its own, and one of each form; none where there is no text. */
    private final class Nearest {
        private final long form;
        private final long sketch;
        private final int own;
        private final int[] places = new int[MOST];
        private int count;

        /** In how many bits a sketch may differ to be among them. */
        private int most;

        private Nearest(long form, long sketch, int own) {
            this.form = form;
            this.sketch = sketch;
            this.own = own;
            most = form == 0 ? NONE : MinHash.SIZE - minBits;
        }

        private void offer(int place) {
            int differing = differing(sketches[place], sketch);
            if (differing > most || place == own || forms[place] == 0 || forms[place] == form) return;
            if (isAmong(forms[place])) return;
            int at = count < MOST ? count++ : MOST - 1;
            for (; at > 0 && differing(sketches[places[at - 1]], sketch) > differing; at--) places[at] = places[at - 1];
            places[at] = place;
            // Of those that differ by as much the first stay.
            if (count == MOST) most = differing(sketches[places[MOST - 1]], sketch) - 1;
        }

        private boolean isAmong(long other) {
            for (int i = 0; i < count; i++) if (forms[places[i]] == other) return true;
            return false;
        }

        private List<Long> found() {
            return Arrays.stream(places, 0, count).mapToObj(place -> ids[place]).toList();
        }
    }

    /** Looks through all for two texts at once: it takes the time that the sketches take to come from memory. */
    private void look(Nearest one, Nearest other) {
        if (one.form == 0 && other.form == 0) return;
        for (int place = next(one, other, 0); place < size; place = next(one, other, place + 1)) {
            one.offer(place);
            other.offer(place);
        }
    }

    /**
     * The first place from one on that may be among the nearest; the end where there is none. Nearly all places are passed over,
     * and in a loop that does nothing else twice as fast.
     */
    private int next(Nearest one, Nearest other, int from) {
        long[] all = sketches;
        int end = size;
        for (int i = from; i < end; i++) {
            if (differing(all[i], one.sketch) <= one.most || differing(all[i], other.sketch) <= other.most) return i;
        }
        return end;
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
