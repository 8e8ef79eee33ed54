package lucidsweep.core.alike;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import lucidsweep.core.text.HashNumbers;

/**
 * Finds out which of many texts are nearly the same, and which are told apart by a place, a number or a name only. Texts of a
 * series are not said to be nearly the same as each other; what they have in common is compared with the others.
 *
 * <pre>{@code
 * AlikeTexts texts = new AlikeTexts(new AlikeTexts.Limits(0.8, 4), List.of("Gull Cove", "Otter Point"));
 * texts.add(1, "Half-day kayak tour, all gear included");
 * texts.add(2, "Half day kayak tours, all gear included");
 * texts.found(text -> text).results().near(2)   // 1, 94%
 * }</pre>
 */
public final class AlikeTexts {

    private static final int AT_ONCE = 4_096;

    private final Limits limits;
    private final PlaceMask places;
    private final PackedTexts texts = new PackedTexts();
    private final HashNumbers different = new HashNumbers();
    private long[] ids = new long[1_024];
    private int[] textOf = new int[1_024];
    private int size;

    /**
     * What is alike.
     *
     * @param near texts that share at least this part of their runs of four letters are nearly the same, 0 to 1
     * @param series so many different texts of one pattern are a series
     */
    public record Limits(double near, int series) {}

    /** @param places names of places, which do not tell texts apart */
    public AlikeTexts(Limits limits, Collection<String> places) {
        this.limits = limits;
        this.places = new PlaceMask(places);
    }

    /**
     * Adds a text.
     *
     * @param id of its item; ids come in their order
     * @param hash equal for texts that are the same but for case, spacing and punctuation; 0 for none, which is left out
     */
    public void add(long id, String text, long hash) {
        if (hash == 0) return;
        if (size == ids.length) {
            ids = Arrays.copyOf(ids, size * 2);
            textOf = Arrays.copyOf(textOf, size * 2);
        }
        if (different.add(hash, texts.size())) texts.add(text);
        ids[size] = id;
        textOf[size++] = different.get(hash);
    }

    /**
     * Looks at all texts that were added.
     *
     * @param part the part of a text that is looked at, such as all but an ending that many have
     */
    public Found found(UnaryOperator<String> part) {
        SeriesFinder series = new SeriesFinder(limits.series(), texts.size());
        int[] shapeOfText = new int[texts.size()];
        int[] firstTexts = new int[texts.size()];
        for (int start = 0; start < shapeOfText.length; start += AT_ONCE) {
            int from = start;
            TextShape[] some = new TextShape[Math.min(AT_ONCE, shapeOfText.length - start)];
            IntStream.range(0, some.length).parallel().forEach(i -> some[i] = shape(from + i, part));
            for (int i = 0; i < some.length; i++) {
                int known = series.size();
                shapeOfText[start + i] = series.add(some[i]);
                if (series.size() > known) firstTexts[known] = start + i;
            }
        }
        SeriesFinder.Found inSeries = series.found(shape -> shape(firstTexts[shape], part));
        return new Found(part, inSeries, shapeOfText, firstTexts, series.size());
    }

    private TextShape shape(int text, UnaryOperator<String> part) {
        return TextShape.of(part.apply(texts.get(text)), places);
    }

    private static long key(long hash) {
        return hash == 0 ? 1 : hash;
    }

    /** What was found of each text. */
    public final class Found {
        private final UnaryOperator<String> part;
        private final SeriesFinder.Found inSeries;
        private final int[] shapeOfText;
        private final int[] formOf;
        private final NearGroups groups;
        private final long[] firstIds;
        private final int[] textOfForm;

        private Found(
                UnaryOperator<String> part,
                SeriesFinder.Found inSeries,
                int[] shapeOfText,
                int[] firstTexts,
                int shapes) {
            this.part = part;
            this.inSeries = inSeries;
            this.shapeOfText = shapeOfText;
            HashNumbers forms = new HashNumbers();
            formOf = new int[shapes];
            int[] shapeOf = new int[shapes];
            int count = 0;
            for (int shape = 0; shape < shapes; shape++) {
                long hash = key(inSeries.form(shape));
                if (forms.add(hash, count)) shapeOf[count++] = shape;
                formOf[shape] = forms.get(hash);
            }
            textOfForm = Arrays.stream(shapeOf, 0, count)
                    .map(shape -> firstTexts[shape])
                    .toArray();
            groups = NearSearch.of(
                    count, form -> shape(textOfForm[form], part).compared(inSeries.slot(shapeOf[form])), limits.near());
            firstIds = new long[count];
            for (int i = size - 1; i >= 0; i--) firstIds[form(i)] = ids[i];
        }

        private int form(int place) {
            return formOf[shapeOfText[textOf[place]]];
        }

        /** What is to be told of each item. */
        public AlikeResults results() {
            List<Near> near = new ArrayList<>();
            List<Series> series = new ArrayList<>();
            int[] nearOfForm = nearOfForm(near);
            Map<Long, Integer> seriesByForm = new HashMap<>();
            inSeries.series().forEach((form, found) -> {
                seriesByForm.put(form, series.size());
                series.add(found);
            });
            int[] nearOf = new int[size];
            int[] seriesOf = new int[size];
            for (int i = 0; i < size; i++) {
                nearOf[i] = nearOfForm[form(i)];
                seriesOf[i] = seriesByForm.getOrDefault(inSeries.form(shapeOfText[textOf[i]]), AlikeResults.NONE);
            }
            return new AlikeResults(Arrays.copyOf(ids, size), nearOf, near, seriesOf, series);
        }

        private int[] nearOfForm(List<Near> near) {
            int[] numbers = new int[firstIds.length];
            Map<Integer, String> groupTexts = new HashMap<>();
            for (int form = 0; form < numbers.length; form++) {
                int partner = groups.partner(form);
                numbers[form] = partner == NearGroups.NONE ? AlikeResults.NONE : near.size();
                if (partner == NearGroups.NONE) continue;
                String group = groupTexts.computeIfAbsent(groups.group(form), any -> texts.get(textOfForm[any]));
                near.add(new Near(firstIds[partner], groups.likeness(form), group));
            }
            return numbers;
        }

        /** What has to be known of all texts to look at those that change; without the texts themselves. */
        public AlikeIndex index() {
            long[] forms = new long[size];
            long[] sketches = new long[size];
            for (int i = 0; i < size; i++) {
                forms[i] = inSeries.form(shapeOfText[textOf[i]]);
                sketches[i] = groups.sketch(form(i));
            }
            Map<Long, Series> known = new HashMap<>(inSeries.series());
            return new AlikeIndex(limits, places, part, Arrays.copyOf(ids, size), forms, sketches, known);
        }
    }
}
