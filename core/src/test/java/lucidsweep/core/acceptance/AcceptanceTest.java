package lucidsweep.core.acceptance;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.BrandNames;
import lucidsweep.core.keyword.Words;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AcceptanceTest {

    private static final Words ENGLISH = Words.in("en");
    private static final BrandNames BRAND = new BrandNames(List.of("Tarrin Bay Kayaks"), ENGLISH);

    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
            Kayak hire in Tarrin Bay;            Kayak hire in Tarrin Bay;                             OURS
            Kayak hire in Tarrin Bay;            Kayak Hire in  Tarrin Bay - Tarrin Bay Kayaks;        OURS
            Kayak hire in Tarrin Bay;            Kayak hire in Tarrin Bay Kayaks;                      ITS_OWN
            Kayak hire in Tarrin Bay, by the day;Kayak hire in Tarrin Bay, by …;                       CUT
            Kayak hire in Tarrin Bay, by the day;Kayak hire in Tarrin Bay ...;                         CUT
            Kayak hire | Tarrin Bay Kayaks;      Kayak hire;                                           CUT
            Kayak hire in Tarrin Bay, by the day;Kayak …;                                              ITS_OWN
            Kayak hire in Tarrin Bay;            Boats for a day on the water;                         ITS_OWN
            Two hours with a guide. Book a place;3 Nov 2026 — Two hours with a guide. Book a place;    OURS
            Two hours with a guide. Book a place;Nov 3, 2026 · Two hours with a …;                     CUT
            Two hours with a guide. Book a place;… with a guide. Book …;                               CUT
            Two hours with a guide. Book a place;… Book a place … Two hours;                           ITS_OWN
            Two hours with a guide. Book a place;Two hours with guides. Book a place;                  ITS_OWN
            Größe der Kajaks;                    GRÖSSE DER KAJAKS;                                    OURS
            """)
    void saysWhoseWordingIsShown(String ours, String shown, ShownWording wording) {
        assertThat(ShownWording.of(ours, shown)).isEqualTo(wording);
    }

    /** Searchers' engine replaces what is too wide in 60 of 100 cases, and everything else in 10 of 100. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void findsWhatTheReplacedOnesHaveInCommon(long seed) {
        Random random = new Random(seed);
        List<ShownText> texts = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            double px = 300 + random.nextInt(500);
            boolean replaced = random.nextDouble() < (px > 580 ? 0.6 : 0.1);
            texts.add(text(
                    px, replaced ? ShownWording.ITS_OWN : random.nextBoolean() ? ShownWording.OURS : ShownWording.CUT));
        }
        Acceptance acceptance = Acceptance.of(texts, ENGLISH, BRAND);
        assertThat(acceptance.replaced().get(Field.TITLE).get(0).what()).isEqualTo("are wider than the limit");
        assertThat(acceptance.replaced()).doesNotContainKey(Field.DESCRIPTION);
        assertThat(acceptance.all().results()).isEqualTo(300);
        for (List<Acceptance.ShownShare> parts :
                List.of(acceptance.byField(), acceptance.byLength(), acceptance.byTemplate(), acceptance.byMonth())) {
            assertThat(parts.stream().mapToInt(Acceptance.ShownShare::results).sum())
                    .isEqualTo(300);
            assertThat(parts.stream().mapToInt(Acceptance.ShownShare::itsOwn).sum())
                    .isEqualTo(acceptance.all().itsOwn());
        }
        assertThat(acceptance.byTemplate())
                .extracting(Acceptance.ShownShare::what)
                .containsExactly("… | Tarrin Bay Kayaks");
        assertThat(acceptance.byMonth()).extracting(Acceptance.ShownShare::what).containsExactly("2026-11");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void saysNothingWhereTheyHaveNothingInCommon(long seed) {
        Random random = new Random(seed);
        List<ShownText> texts = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            texts.add(
                    text(300 + random.nextInt(500), random.nextInt(3) == 0 ? ShownWording.ITS_OWN : ShownWording.OURS));
        }
        assertThat(Acceptance.of(texts, ENGLISH, BRAND).replaced().getOrDefault(Field.TITLE, List.of()))
                .hasSizeLessThanOrEqualTo(1)
                .allMatch(trait -> trait.odds() < 1.5);
    }

    private static ShownText text(double px, ShownWording wording) {
        return new ShownText(
                Field.TITLE,
                "Kayak hire | Tarrin Bay Kayaks",
                wording,
                "kayak hire",
                "/hire/",
                px,
                580,
                1,
                "2026-11",
                true);
    }
}
