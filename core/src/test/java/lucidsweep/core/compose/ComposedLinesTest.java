package lucidsweep.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.regex.Pattern;
import lucidsweep.core.edit.PlaceBrand;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.TextKey;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Made-up items in six languages: every composed title fits, and none looks as if a machine had cut it. {@code ./bench} makes a
 * hundred thousand of them.
 */
class ComposedLinesTest {

    private static final int ITEMS = Integer.getInteger("items", 4_000);
    private static final String BRAND = "Tarrin Bay Kayaks";
    private static final Standard.TextLimits TITLE = Standard.ofPages().title();
    private static final Pattern HANGING = Pattern.compile("[|–,;:(&/-]$|\\([^)]*$|[|–] *[|–]|, *,|: *[|–]");

    private static final Recipe RECIPE = new Recipe(List.of(
            part(Source.Kind.KEYWORD, "", 2, false, LetterCase.SENTENCE),
            part(Source.Kind.H1, " – ", 1, true, LetterCase.AS_IS),
            part(Source.Kind.PLACE, ", ", 4, false, LetterCase.AS_IS),
            new Part(List.of(new Source(Source.Kind.PRICE, "")), " ", LetterCase.AS_IS, 5, false, "()", List.of()),
            part(Source.Kind.BRAND, " | ", 3, false, LetterCase.AS_IS)));

    private static Part part(Source.Kind kind, String before, int rank, boolean shortenable, LetterCase letterCase) {
        return new Part(List.of(new Source(kind, "")), before, letterCase, rank, shortenable);
    }

    @ParameterizedTest
    @CsvSource({
        "en, kayak hire sea tour lesson harbour guide cedar workshop family weekend with for and the in of a",
        "de, Kajak Verleih Bucht Führung Höhle Werkstatt Familie Wochenende mit für und die in von der zum",
        "fr, kayak location baie visite grotte atelier famille soirée avec pour et les dans de la à",
        "es, kayak alquiler bahía paseo cueva taller familia mañana con para y las en de la un",
        "it, kayak noleggio baia gita grotta bottega famiglia mattina con per e le di della una da",
        "pl, kajak wypożyczalnia zatoka wycieczka jaskinia warsztat rodzina weekend z dla i na w do oraz od",
    })
    void fitAndNeitherHangNorRepeat(String code, String words) {
        Words language = Words.in(code);
        Language small = Language.of(code);
        PlaceBrand brandOff = new PlaceBrand(List.of(BRAND, "Tarrin Bay"), "", PlaceBrand.Place.NONE);
        RecipeComposer composer =
                new RecipeComposer(RECIPE, TITLE, language, Names.of(List.of(BRAND, "Gull Cove")), brandOff::apply);
        Random random = new Random(code.hashCode());
        String[] all = words.split(" ");
        int shortened = 0;
        for (int i = 0; i < ITEMS; i++) {
            Map<Source.Kind, String> item = item(random, all);
            Composition made = composer.compose(KnownTexts.of(item));
            String text = made.text();
            String says = item + " is “" + text + "”";
            assertThat(TITLE.fits(text, Graphemes.count(text))).as(says).isTrue();
            String last = text.substring(text.lastIndexOf(' ') + 1).toLowerCase(Locale.ROOT);
            boolean whole = item.getOrDefault(Source.Kind.H1, "").endsWith(text.substring(text.lastIndexOf(' ') + 1))
                    && made.outcome() != Composition.Outcome.SHORTENED;
            assertThat(!whole && small.small().contains(last)).as(says).isFalse();
            assertThat(HANGING.matcher(text).find()).as(says).isFalse();
            String key = " " + TextKey.key(text) + " ";
            assertThat(key.indexOf(" tarrin bay ")).as(says).isEqualTo(key.lastIndexOf(" tarrin bay "));
            if (made.outcome() == Composition.Outcome.SHORTENED) shortened++;
        }
        assertThat(shortened).as("many were too long").isGreaterThan(ITEMS / 5);
    }

    /** Keywords and headings that end in a word of their own, as people write them; headings with the brand at either end. */
    private static Map<Source.Kind, String> item(Random random, String[] words) {
        Map<Source.Kind, String> item = new EnumMap<>(Source.Kind.class);
        String heading = phrase(random, words, 3 + random.nextInt(12));
        item.put(
                Source.Kind.H1,
                switch (random.nextInt(6)) {
                    case 0 -> heading + " | " + BRAND;
                    case 1 -> "Tarrin Bay: " + heading;
                    case 2 -> heading + " (" + phrase(random, words, 3) + ")";
                    default -> heading;
                });
        if (random.nextInt(4) > 0) item.put(Source.Kind.KEYWORD, phrase(random, words, 1 + random.nextInt(4)));
        if (random.nextInt(3) == 0) item.put(Source.Kind.PLACE, "Gull Cove");
        if (random.nextInt(3) == 0) item.put(Source.Kind.PRICE, "€ " + random.nextInt(90));
        if (random.nextInt(5) > 0) item.put(Source.Kind.BRAND, BRAND);
        return item;
    }

    private static String phrase(Random random, String[] words, int count) {
        StringBuilder phrase = new StringBuilder();
        for (int i = 1; i < count; i++) {
            phrase.append(words[random.nextInt(words.length)]).append(random.nextInt(9) == 0 ? ", " : " ");
        }
        return phrase.append(words[random.nextInt(8)]).toString();
    }
}
