package lucidsweep.core.alike;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import lucidsweep.core.text.HashNumbers;

/**
 * Finds the series among many texts: those of one shape, and those whose shapes differ in one word at the same place.
 *
 * <p>The forms of a shape with each word left open in turn are counted first, in a table that is small and may count too much;
 * only forms that it counts often enough are looked at.
 */
final class SeriesFinder {

    private static final int MAX_SLOTS = 60;
    private static final int COUNTERS_A_TEXT = 32;
    private static final int MAX_COUNTERS = 1 << 24;

    private final int minTexts;
    private final HashNumbers shapes = new HashNumbers();
    private int[] textCounts = new int[1_024];
    private final byte[] counters;
    private int size;

    /** @param texts about how many will come */
    SeriesFinder(int minTexts, int texts) {
        this.minTexts = minTexts;
        int wanted = (int) Math.min(MAX_COUNTERS, (long) COUNTERS_A_TEXT * Math.max(1, texts));
        counters = new byte[Integer.highestOneBit(wanted)];
    }

    /**
     * Takes a text; each one that differs in more than case, spacing and punctuation once.
     *
     * @return the number of its shape, counted up from 0
     */
    int add(TextShape shape) {
        long hash = key(shape.hash());
        int known = shapes.get(hash);
        if (known >= 0) {
            textCounts[known]++;
            return known;
        }
        if (size == textCounts.length) textCounts = Arrays.copyOf(textCounts, size * 2);
        textCounts[size] = 1;
        shapes.add(hash, size);
        for (int slot = 0; slot < Math.min(MAX_SLOTS, shape.size()); slot++) {
            if (!shape.canOpen(slot)) continue;
            int at = counter(shape.hash(slot));
            if (counters[at] < Byte.MAX_VALUE) counters[at]++;
        }
        return size++;
    }

    private static long key(long hash) {
        return hash == 0 ? 1 : hash;
    }

    private int counter(long hash) {
        return (int) (hash >>> 20) & counters.length - 1;
    }

    int size() {
        return size;
    }

    interface Shapes {
        TextShape of(int number);
    }

    /** What each shape is a part of. */
    static final class Found {
        private final int[] slots;
        private final long[] forms;
        private final Map<Long, Series> series = new HashMap<>();

        private Found(int shapes) {
            slots = new int[shapes];
            forms = new long[shapes];
            Arrays.fill(slots, TextShape.NO_SLOT);
        }

        /** The word that is left open in a shape; {@link TextShape#NO_SLOT} for none. */
        int slot(int shape) {
            return slots[shape];
        }

        /** The same for shapes of one series. */
        long form(int shape) {
            return forms[shape];
        }

        /** The series by their forms. */
        Map<Long, Series> series() {
            return series;
        }
    }

    Found found(Shapes shapes) {
        Found found = new Found(size);
        // A shape that many texts have is a series by itself.
        BitSet alone = new BitSet(size);
        OpenForms open = new OpenForms();
        for (int shape = 0; shape < size; shape++) {
            TextShape words = shapes.of(shape);
            found.forms[shape] = words.hash();
            if (textCounts[shape] >= minTexts && words.isTelling()) alone.set(shape);
            open(words, shape, open);
        }
        open.choose(minTexts, alone, found);
        for (int shape = 0; shape < size; shape++) {
            int slot = found.slots[shape];
            if (slot == TextShape.NO_SLOT && !alone.get(shape)) continue;
            long form = found.forms[shape];
            Series before = found.series.get(form);
            found.series.put(
                    form,
                    before == null
                            ? new Series(shapes.of(shape).pattern(slot), textCounts[shape])
                            : new Series(before.pattern(), before.texts() + textCounts[shape]));
        }
        return found;
    }

    /** Notes the forms that others may have, too. */
    private void open(TextShape words, int shape, OpenForms open) {
        for (int slot = 0; slot < Math.min(MAX_SLOTS, words.size()); slot++) {
            if (!words.canOpen(slot)) continue;
            long form = words.hash(slot);
            if (counters[counter(form)] >= minTexts) open.add(form, shape, slot);
        }
    }

    /** Forms with a word left open, and the shapes that have them. */
    private static final class OpenForms {
        private long[] forms = new long[1_024];
        private int[] shapes = new int[1_024];
        private int[] slots = new int[1_024];
        private int size;

        private void add(long form, int shape, int slot) {
            if (size == forms.length) {
                forms = Arrays.copyOf(forms, size * 2);
                shapes = Arrays.copyOf(shapes, size * 2);
                slots = Arrays.copyOf(slots, size * 2);
            }
            forms[size] = form;
            shapes[size] = shape;
            slots[size++] = slot;
        }

        /**
         * Gives each shape the slot of the form that most others have, too; ties go to the first.
         *
         * @param alone shapes that are series by themselves, which stay so
         */
        private void choose(int min, BitSet alone, Found found) {
            HashNumbers numbers = new HashNumbers();
            int[] numberOf = new int[size];
            int[] counts = new int[size];
            int count = 0;
            for (int i = 0; i < size; i++) {
                if (numbers.add(key(forms[i]), count)) count++;
                numberOf[i] = numbers.get(key(forms[i]));
                counts[numberOf[i]]++;
            }
            int[] best = new int[found.slots.length];
            Arrays.fill(best, -1);
            for (int i = 0; i < size; i++) {
                if (counts[numberOf[i]] < min) continue;
                int shape = shapes[i];
                if (best[shape] < 0 || counts[numberOf[i]] > counts[numberOf[best[shape]]]) best[shape] = i;
            }
            int[] left = new int[count];
            for (int i : best) if (i >= 0) left[numberOf[i]]++;
            for (int shape = 0; shape < best.length; shape++) {
                int i = best[shape];
                if (i < 0 || left[numberOf[i]] < min || alone.get(shape)) continue;
                found.slots[shape] = slots[i];
                found.forms[shape] = forms[i];
            }
        }
    }
}
