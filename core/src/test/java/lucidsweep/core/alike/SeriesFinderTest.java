package lucidsweep.core.alike;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SeriesFinderTest {

    private static final int MIN = 4;
    private static final List<String> WORDS =
            List.of("kayak", "hire", "tour", "by", "the", "sea", "with", "guide", "lesson", "paddle", "12", "2026");

    @Test
    void textsThatDifferInOneWordAreASeriesAndOthersAreNot() {
        assertThat(series(List.of(
                        "Paddle of ash, made by Orla",
                        "Paddle of ash, made by Bram",
                        "Paddle of ash, made by Ines",
                        "PADDLE of ash – made by Tove",
                        "How to carve a paddle of ash",
                        "Two days on the outer islands",
                        "Two days on the inner islands")))
                .containsExactly(Map.entry("Paddle of ash, made by …", 4));
        assertThat(series(List.of("Day tour 1", "Day tour 2", "Day tour 3", "Day tour 4", "Day tour 5")))
                .as("two words tell nothing")
                .isEmpty();
        assertThat(series(List.of("Sea kayak tour 1", "Sea kayak tour 2", "Sea kayak tour 3", "Sea kayak tour 14")))
                .containsExactly(Map.entry("Sea kayak tour …", 4));
    }

    /** Against the plain way: every form of every text is written out and counted. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void findsTheSeriesThatPlainCountingFinds(long seed) {
        Random random = new Random(seed);
        List<String> texts = IntStream.range(0, 60 + random.nextInt(400))
                .mapToObj(i -> IntStream.range(0, 3 + random.nextInt(3))
                        .mapToObj(any -> WORDS.get(random.nextInt(2 + (int) (seed % 11))))
                        .collect(Collectors.joining(" ")))
                .distinct()
                .toList();
        assertThat(series(texts)).isEqualTo(counted(texts));
    }

    private static Map<String, Integer> series(List<String> texts) {
        SeriesFinder finder = new SeriesFinder(MIN, texts.size());
        List<TextShape> shapes = new ArrayList<>();
        for (String text : texts) {
            TextShape shape = TextShape.of(text, null);
            if (finder.add(shape) == shapes.size()) shapes.add(shape);
        }
        Map<String, Integer> found = new TreeMap<>();
        finder.found(shapes::get).series().values().forEach(each -> found.put(each.pattern(), each.texts()));
        return found;
    }

    /** A shape, and how many texts have it. */
    private static final class Counted {
        private final String[] words;
        private int texts;

        private Counted(String[] words) {
            this.words = words;
        }

        private String with(int open) {
            return IntStream.range(0, words.length)
                    .mapToObj(i -> i == open ? "…" : words[i])
                    .collect(Collectors.joining(" "));
        }

        private boolean isTelling(int open) {
            long plain = IntStream.range(0, words.length)
                    .filter(i -> i != open && !words[i].equals("…"))
                    .count();
            return plain >= 3 && 2 * plain >= words.length;
        }
    }

    private static Map<String, Integer> counted(List<String> texts) {
        Map<String, Counted> shapes = new LinkedHashMap<>();
        for (String text : texts) {
            String[] words = text.replaceAll("\\d+", "…").split(" ");
            shapes.computeIfAbsent(String.join(" ", words), shape -> new Counted(words)).texts++;
        }
        Map<String, Integer> shapesOfForm = new HashMap<>();
        for (Counted shape : shapes.values())
            slots(shape).forEach(slot -> shapesOfForm.merge(shape.with(slot), 1, Integer::sum));
        Map<Counted, Integer> chosen = new LinkedHashMap<>();
        for (Counted shape : shapes.values()) {
            slots(shape)
                    .filter(slot -> shapesOfForm.get(shape.with(slot)) >= MIN)
                    .boxed()
                    .max(Comparator.comparing((Integer slot) -> shapesOfForm.get(shape.with(slot)))
                            .thenComparing(slot -> -slot))
                    .ifPresent(slot -> chosen.put(shape, slot));
        }
        Map<String, Integer> choosing = new HashMap<>();
        chosen.forEach((shape, slot) -> choosing.merge(shape.with(slot), 1, Integer::sum));
        Map<String, Integer> series = new TreeMap<>();
        for (Counted shape : shapes.values()) {
            boolean alone = shape.texts >= MIN && hasOpen(shape) && shape.isTelling(-1);
            Integer slot = chosen.get(shape);
            if (slot != null && choosing.get(shape.with(slot)) < MIN) slot = null;
            if (alone) slot = null;
            if (alone || slot != null) series.merge(shape.with(slot == null ? -1 : slot), shape.texts, Integer::sum);
        }
        return series;
    }

    private static boolean hasOpen(Counted shape) {
        return List.of(shape.words).contains("…");
    }

    private static IntStream slots(Counted shape) {
        return IntStream.range(0, shape.words.length)
                .filter(slot -> !shape.words[slot].equals("…") && shape.isTelling(slot));
    }
}
