package lucidsweep.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import lucidsweep.core.compose.Source.Kind;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class WordedTitleTest {

    private static final Map<Source, String> SOURCES = new LinkedHashMap<>();

    static {
        SOURCES.put(new Source(Kind.H1, ""), "Kayak hire");
        SOURCES.put(new Source(Kind.KEYWORD, ""), "kayak hire gull cove");
        SOURCES.put(new Source(Kind.PLACE, ""), "Gull Cove");
        SOURCES.put(new Source(Kind.SLUG, ""), "Kayak hire");
        SOURCES.put(new Source(Kind.PRICE, ""), "18");
        SOURCES.put(new Source(Kind.BRAND, ""), "Tarrin Bay");
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
            Kayak hire in Gull Cove | Tarrin Bay;      H1, 'in 'PLACE, '| 'BRAND;                  29
            Kayak Hire Gull Cove;                      KEYWORD;                                    20
            KAYAK HIRE, from 18 an hour;               H1, ', from 'PRICE, ' 'FIXED=an hour;     12
            Gull Cove's kayak hire;                    PLACE, ''s 'H1;                             19
            Kayak hires;                               FIXED=Kayak hires;                          0
            Hire of kayaks by the week;                FIXED=Hire of kayaks by the week;           0
            Our best kayak hire!;                      FIXED=Our best, ' 'H1;                      10
            Tarrin Bay – Gull Cove – 18;               BRAND, '– 'PLACE, '– 'PRICE;                21
            180 boats;                                 FIXED=180 boats;                            0
            """, quoteCharacter = '"')
    void aTitleIsTakenApartIntoWhatItsItemHas(String title, String parts, int explained) {
        WordedTitle worded = new WordedTitle(title, SOURCES);
        assertThat(said(worded.parts())).isEqualTo(parts);
        assertThat(worded.explained()).isEqualTo(explained);
    }

    /** "H1, 'in 'PLACE": what stands before a part, without its first space where another letter follows. */
    private static String said(List<Part> parts) {
        return parts.stream()
                .map(part -> {
                    Source source = part.sources().get(0);
                    String before = part.before().isBlank()
                            ? part.before()
                            : part.before().replaceFirst("^ ", "");
                    return (before.isEmpty() ? "" : "'" + before + "'")
                            + source.kind()
                            + (source.text().isEmpty() ? "" : "=" + source.text());
                })
                .collect(Collectors.joining(", "));
    }

    /** Whatever is put together of sources and separators comes out of the recipe again. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void theRecipeOfATitleSaysTheTitle(long seed) {
        Random random = new Random(seed);
        List<String> texts = List.copyOf(SOURCES.values());
        List<String> between = Arrays.asList(" | ", " in ", ", ", " – ", " (new) ", " for ", ": ");
        for (int round = 0; round < 200; round++) {
            StringBuilder title = new StringBuilder(texts.get(random.nextInt(texts.size())));
            for (int more = random.nextInt(4); more > 0; more--) {
                title.append(between.get(random.nextInt(between.size())));
                title.append(texts.get(random.nextInt(texts.size())));
            }
            List<Part> parts = new WordedTitle(title.toString(), SOURCES).parts();
            String said = parts.stream()
                    .map(part -> part.before() + text(part.sources().get(0)))
                    .collect(Collectors.joining());
            assertThat(said).isEqualToIgnoringCase(title.toString());
            assertThat(parts).allSatisfy(part -> assertThat(part.rank()).isBetween(1, Recipe.MAX_PARTS));
        }
    }

    private static String text(Source source) {
        return source.kind() == Kind.FIXED ? source.text() : SOURCES.get(source);
    }
}
