package lucidsweep.core.alike;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.LongStream;
import lucidsweep.core.text.TextKey;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AlikeTextsTest {

    private static final AlikeTexts.Limits LIMITS = new AlikeTexts.Limits(0.8, 4);
    private static final List<String> PLACES = List.of("Gull Cove", "Otter Point", "Fennick", "Marram Sands", "Gull");

    private static AlikeTexts texts(List<String> texts) {
        AlikeTexts alike = new AlikeTexts(LIMITS, PLACES);
        for (int i = 0; i < texts.size(); i++) alike.add(i, texts.get(i), TextKey.hash(texts.get(i)));
        return alike;
    }

    private static AlikeResults found(String... texts) {
        return texts(List.of(texts)).found(text -> text).results();
    }

    @Test
    void whatDiffersInAFewLettersIsNearAndWhatIsTheSameIsNot() {
        AlikeResults found = found(
                "Half-day kayak tour, all gear included",
                "A paddle carved of ash for a friend",
                "Half day kayak tours, all gear included",
                "HALF-DAY KAYAK TOUR: all gear included",
                "Half-day kayak tour, all gear included!");
        Near near = found.near(2).orElseThrow();
        assertThat(near.id()).isZero();
        assertThat(near.likeness()).isBetween(0.8, 0.99);
        assertThat(near.group()).isEqualTo("Half-day kayak tour, all gear included");
        assertThat(found.near(0).orElseThrow().id()).isEqualTo(2);
        assertThat(found.near(3)).as("the same but for case and punctuation").isEqualTo(found.near(0));
        assertThat(found.near(1)).isEmpty();
        assertThat(found.near(99)).isEmpty();
    }

    @Test
    void whatDiffersInAPlaceANumberOrANameIsASeriesAndNotNear() {
        AlikeResults found = found(
                "Sea cave tour at Gull Cove",
                "Sea cave tour at Otter Point",
                "Sea cave tour at Fennick",
                "Sea cave tour at Marram Sands",
                "Rolling lesson with Mara, two hours on the lagoon",
                "Rolling lesson with Ines, two hours on the lagoon",
                "Rolling lesson with Tom, two hours on the lagoon",
                "Rolling lesson with Bea, two hours on the lagoon",
                "Log of the shed, page 12 of the book",
                "Log of the shed, page 9 of the book",
                "Log of the shed, page 103 of the book",
                "Gull Cove",
                "Otter Point",
                "Fennick",
                "Marram Sands");
        for (int i = 0; i < 4; i++) assertThat(found.series(i)).contains(new Series("Sea cave tour at …", 4));
        for (int i = 4; i < 8; i++) {
            assertThat(found.series(i)).contains(new Series("Rolling lesson with …, two hours on the lagoon", 4));
        }
        assertThat(found.series(8)).as("only three of them").isEmpty();
        assertThat(found.series(11)).as("nothing but a place").isEmpty();
        for (int i = 0; i < 15; i++) assertThat(found.near(i)).as("text %d", i).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "Sea cave tour at Gull Cove, sea CAVE tour: at Otter Point, true",
        "Sea cave tour at Gull, Sea cave tour at Gull Cove, true",
        "Sea cave tour in 2025, Sea cave tour in 2026, true",
        "Sea cave tour at dusk, Sea cave tour at dawn, false",
        "Морская прогулка у Fennick, МОРСКАЯ прогулка у Gull, true",
        "Strasse in Fennick, Straße in Gull, false"
    })
    void shapesLeavePlacesAndNumbersOpen(String one, String other, boolean same) {
        PlaceMask places = new PlaceMask(PLACES);
        assertThat(TextShape.of(one, places).hash()
                        == TextShape.of(other, places).hash())
                .isEqualTo(same);
    }

    /** Texts of made-up words, in families that differ by a few letters, words and places. */
    private static List<String> madeUp(int count, long seed) {
        Random random = new Random(seed);
        List<String> words = new ArrayList<>();
        for (int i = 0; i < 400; i++) {
            StringBuilder word = new StringBuilder();
            for (int k = 0; k < 3 + random.nextInt(6); k++) word.append((char) ('a' + random.nextInt(26)));
            words.add(word.toString());
        }
        List<String> texts = new ArrayList<>();
        while (texts.size() < count) {
            List<String> family = new ArrayList<>();
            for (int i = 0; i < 8 + random.nextInt(14); i++) family.add(words.get(random.nextInt(words.size())));
            int members = random.nextInt(3) == 0 ? 1 + random.nextInt(6) : 1;
            for (int member = 0; member < members && texts.size() < count; member++) {
                List<String> own = new ArrayList<>(family);
                for (int change = 0; change < (member == 0 ? 0 : 1 + random.nextInt(3)); change++) {
                    int at = random.nextInt(own.size());
                    String word = own.get(at);
                    if (random.nextBoolean()) own.set(at, word + "s");
                    else own.set(at, words.get(random.nextInt(words.size())));
                }
                texts.add(String.join(" ", own));
            }
        }
        return texts;
    }

    @Test
    void findsNearlyAllThatThePlainComparisonOfAllPairsFindsAndNothingElse() {
        List<String> texts = madeUp(3_000, 3);
        int[][] shingles = texts.stream().map(Shingles::distinct).toArray(int[][]::new);
        AlikeResults found = texts(texts).found(text -> text).results();
        int near = 0;
        int recalled = 0;
        for (int i = 0; i < shingles.length; i++) {
            double best = 0;
            for (int k = 0; k < shingles.length; k++) {
                double most = Math.min(shingles[i].length, shingles[k].length)
                        / (double) Math.max(shingles[i].length, shingles[k].length);
                if (k != i && most >= LIMITS.near() && !texts.get(k).equals(texts.get(i)))
                    best = Math.max(best, Shingles.likeness(shingles[i], shingles[k]));
            }
            int k = (i * 7 + 1) % texts.size();
            double plain = Shingles.likeness(shingles[i], shingles[k]);
            assertThat(Shingles.likeness(shingles[i], shingles[k], 0.2)).isEqualTo(plain < 0.2 ? 0 : plain);
            Optional<Near> said = found.near(i);
            if (said.isPresent()) {
                double exact =
                        Shingles.likeness(shingles[i], shingles[(int) said.get().id()]);
                assertThat(exact).isGreaterThanOrEqualTo(LIMITS.near());
                assertThat(said.get().likeness()).isCloseTo(exact, within(0.001));
            }
            boolean inSeries = found.series(i).isPresent();
            if (best < LIMITS.near() || inSeries) continue;
            near++;
            if (said.isPresent()) recalled++;
        }
        assertThat(near).isGreaterThan(480);
        assertThat(recalled / (double) near).as("of %d", near).isGreaterThanOrEqualTo(0.95);
    }

    @Test
    void anIndexFindsForAChangedTextWhatAllTextsTogetherWould() {
        List<String> texts = madeUp(4_000, 9);
        AlikeResults whole = texts(texts).found(text -> text).results();
        AlikeIndex index = texts(texts.subList(0, 3_000)).found(text -> text).index();
        int asked = 0;
        int right = 0;
        for (int i = 3_000; i < 4_000; i++) {
            index.set(i, texts.get(i));
            List<AlikeIndex.Text> others = index.candidates(i).stream()
                    .map(id -> new AlikeIndex.Text(id, texts.get(id.intValue())))
                    .toList();
            Optional<Near> near = index.nearest(texts.get(i), others);
            Optional<Near> wanted = whole.near(i);
            if (wanted.isEmpty() || wanted.get().id() > i) continue;
            asked++;
            if (near.isPresent() && near.get().likeness() >= wanted.get().likeness() - 0.1) right++;
        }
        assertThat(asked).isGreaterThan(100);
        assertThat(right / (double) asked).as("of %d", asked).isGreaterThanOrEqualTo(0.95);
        long[] withOthers = LongStream.range(0, 4_000)
                .filter(i -> !index.candidates(i).isEmpty())
                .limit(2)
                .toArray();
        Set<Long> old = Set.copyOf(index.candidates(withOthers[0]));
        Set<Long> touched = index.set(withOthers[0], texts.get((int) withOthers[1]));
        assertThat(touched).isEqualTo(union(old, Set.copyOf(index.candidates(withOthers[0]))));
        old = Set.copyOf(index.candidates(withOthers[0]));
        assertThat(index.set(withOthers[0], "")).isEqualTo(old);
        assertThat(index.candidates(withOthers[0])).isEmpty();
    }

    private static Set<Long> union(Set<Long> one, Set<Long> other) {
        Set<Long> both = new HashSet<>(one);
        both.addAll(other);
        return both;
    }

    @Test
    void anIndexFindsTheNearestBehindThousandsThatAreLessNear() {
        String first = "Hire of kayaks by the hour at the quay ";
        String then = " with paddles and a map of the bay ";
        Random random = new Random(8);
        Supplier<String> word =
                () -> Long.toString(random.nextLong() >>> 40, 36).replaceAll("\\d", "k");
        List<String> texts = new ArrayList<>();
        while (texts.size() < 6_000) texts.add(first + word.get() + then + word.get());
        texts.add(first + "for families" + then + "on Sundays");
        AlikeIndex index = texts(texts).found(text -> text).index();
        List<Long> found = index.candidates(first + "for families" + then + "on Sunday");
        assertThat(found).hasSize(8).startsWith(6_000L);
    }

    @Test
    void anIndexKnowsTheSeriesThatThereWere() {
        AlikeIndex index = texts(List.of(
                        "A long tour of the sea caves with a guide, at Gull Cove",
                        "A long tour of the sea caves with a guide, at Otter Point",
                        "A long tour of the sea caves with a guide, at Fennick",
                        "A long tour of the sea caves with a guide, at Marram Sands"))
                .found(text -> text)
                .index();
        assertThat(index.series("A long tour of the sea caves with a guide at Gull"))
                .contains(new Series("A long tour of the sea caves with a guide, at …", 4));
        assertThat(index.series("Sea cave tour for children")).isEmpty();
        assertThat(index.nearest(
                        "A long tour of the great sea caves with a guide, at Gull",
                        List.of(new AlikeIndex.Text(2, "A long tour of the sea caves with a guide, at Fennick"))))
                .get()
                .extracting(Near::id)
                .isEqualTo(2L);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "🛶🛶🛶🛶",
                "…",
                "שלום לכולם בחוף הים",
                "\u0000\u0007 control",
                "x",
                "١٢٣ ٤٥٦",
                "a\u0301\u0301\u0301"
            })
    void oddTextsAreTakenAsTheyAre(String text) {
        AlikeResults found = found(text, text + "!", text + " " + text, "x".repeat(10_000), "y ".repeat(9_000));
        for (int i = 0; i < 5; i++) {
            assertThat(found.series(i)).isEmpty();
            assertThat(found.near(i))
                    .satisfiesAnyOf(
                            near -> assertThat(near).isEmpty(),
                            near -> assertThat(near.get().id()).isBetween(0L, 4L));
        }
    }
}
