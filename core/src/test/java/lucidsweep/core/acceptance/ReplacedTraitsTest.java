package lucidsweep.core.acceptance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import lucidsweep.core.acceptance.ReplacedTraits.ReplacedTrait;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.BrandNames;
import lucidsweep.core.keyword.Words;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReplacedTraitsTest {

    private static final Words ENGLISH = Words.in("en");
    private static final BrandNames BRAND = new BrandNames(List.of("Tarrin Bay Kayaks"), ENGLISH);
    private static final String PLAIN = "Kayak hire by the hour in Gull Cove";
    private static final int WORLDS = 60;

    /** In each case the plain texts of a property are shown, and those with something more are replaced. */
    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
            have no word of the query;               Boats for a day on the water
            do not have all words of the query;      Kayak lessons by the hour in Gull Cove
            say a word twice;                        Kayak hire, kayak hire and more
            name the brand;                          Kayak hire with Tarrin Bay Kayaks
            name a year;                             Kayak hire in Gull Cove in 2026
            have a number;                           Kayak hire for 12 in Gull Cove
            are in capitals;                         KAYAK HIRE IN GULL COVE
            have two separators or more;             Kayak hire | Gull Cove | By the hour
            end with a full stop;                    Kayak hire by the hour in Gull Cove.
            """)
    void whatReplacedTextsHaveMoreOftenIsTold(String what, String replaced) {
        List<ShownText> texts = new ArrayList<>();
        for (int i = 0; i < 20; i++) texts.add(text(PLAIN, 400, 1, false));
        for (int i = 0; i < 10; i++) texts.add(text(replaced, 400, 1, true));
        assertThat(ReplacedTraits.of(texts, ENGLISH, BRAND))
                .anySatisfy(trait -> {
                    assertThat(trait.what()).isEqualTo(what);
                    assertThat(trait.replaced()).isEqualTo(10);
                    assertThat(trait.ofReplaced()).isEqualTo(10);
                    assertThat(trait.shown()).isZero();
                    assertThat(trait.ofShown()).isEqualTo(20);
                })
                .allSatisfy(trait -> assertThat(trait.odds()).isGreaterThan(1));
    }

    @Test
    void widthAndCopiesAreTold() {
        List<ShownText> texts = new ArrayList<>();
        for (int i = 0; i < 20; i++) texts.add(text(PLAIN, 400, 1, false));
        for (int i = 0; i < 6; i++) texts.add(text(PLAIN, 620, 1, true));
        for (int i = 0; i < 6; i++) texts.add(text(PLAIN, 250, 3, true));
        assertThat(ReplacedTraits.of(texts, ENGLISH, BRAND))
                .extracting(ReplacedTrait::what)
                .containsExactlyInAnyOrder(
                        "are wider than the limit", "fill less than half the limit", "are the same on several items");
        List<ShownText> withoutLimit = texts.stream()
                .map(text -> new ShownText(
                        text.field(), text.ours(), text.wording(), text.query(), "/", text.px(), 0, 1, "2026-11", true))
                .toList();
        assertThat(ReplacedTraits.of(withoutLimit, ENGLISH, BRAND)).isEmpty();
    }

    /** ln((8.5 · 26.5) / (4.5 · 2.5)) less 1.645 errors of √(1/8.5 + 1/26.5 + 1/4.5 + 1/2.5). */
    @Test
    void theOddsAreThoseOfTheTable() {
        List<ShownText> texts = new ArrayList<>();
        for (int i = 0; i < 8; i++) texts.add(text(PLAIN + ".", 400, 1, true));
        for (int i = 0; i < 2; i++) texts.add(text(PLAIN, 400, 1, true));
        for (int i = 0; i < 4; i++) texts.add(text(PLAIN + ".", 400, 1, false));
        for (int i = 0; i < 26; i++) texts.add(text(PLAIN, 400, 1, false));
        double logOdds = Math.log(8.5 * 26.5 / (4.5 * 2.5));
        double error = Math.sqrt(1 / 8.5 + 1 / 26.5 + 1 / 4.5 + 1 / 2.5);
        assertThat(ReplacedTraits.of(texts, ENGLISH, BRAND))
                .singleElement()
                .satisfies(
                        trait -> assertThat(trait.odds()).isCloseTo(Math.exp(logOdds - 1.645 * error), within(1e-9)));
    }

    /** Where nothing but chance replaces texts, a trait is told in about one world of twenty; a real one nearly always. */
    @Test
    void chanceIsSeldomTakenForACauseAndACauseSeldomForChance() {
        int byChance = 0;
        int found = 0;
        for (int world = 0; world < WORLDS; world++) {
            Random random = new Random(world);
            List<ShownText> chance = new ArrayList<>();
            List<ShownText> cause = new ArrayList<>();
            for (int i = 0; i < 200; i++) {
                boolean year = random.nextInt(3) == 0;
                String title = year ? PLAIN + " in 2026" : PLAIN;
                chance.add(text(title, 400, 1, random.nextDouble() < 0.3));
                cause.add(text(title, 400, 1, random.nextDouble() < (year ? 0.5 : 0.2)));
            }
            if (tells(chance)) byChance++;
            if (tells(cause)) found++;
        }
        assertThat(byChance).isLessThanOrEqualTo(WORLDS / 8);
        assertThat(found).isGreaterThanOrEqualTo(WORLDS * 9 / 10);
    }

    private static boolean tells(List<ShownText> texts) {
        return ReplacedTraits.of(texts, ENGLISH, BRAND).stream()
                .anyMatch(trait -> trait.what().equals("name a year"));
    }

    private static ShownText text(String ours, double px, int items, boolean replaced) {
        ShownWording wording = replaced ? ShownWording.ITS_OWN : ShownWording.OURS;
        return new ShownText(Field.TITLE, ours, wording, "kayak hire", "/hire/", px, 580, items, "2026-11", true);
    }
}
