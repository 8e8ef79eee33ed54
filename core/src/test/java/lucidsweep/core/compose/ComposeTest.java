package lucidsweep.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.UnaryOperator;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ComposeTest {

    private static final Standard.TextLimits LIMITS = Standard.ofPages().title();
    private static final Words ENGLISH = Words.in("en");
    private static final List<String> NAMES = List.of("Tarrin Bay Kayaks", "Gull Cove");
    private static final Part H1 = part(" | ", 1, true, Source.Kind.H1, Source.Kind.SLUG);
    private static final Part KEYWORD = part(" – ", 2, false, Source.Kind.KEYWORD);
    private static final Part BRAND = part(" | ", 3, false, Source.Kind.BRAND);

    private static Composition compose(Map<Source.Kind, String> item, Part... parts) {
        return new RecipeComposer(
                        new Recipe(List.of(parts)), LIMITS, ENGLISH, Names.of(NAMES), UnaryOperator.identity())
                .compose(KnownTexts.of(item));
    }

    @Test
    void takesTheFirstSourceThatHasAText() {
        Map<Source.Kind, String> item = Map.of(Source.Kind.SLUG, "sea caves", Source.Kind.BRAND, "Tarrin Bay Kayaks");
        Composition made = compose(item, H1, KEYWORD, BRAND);
        assertThat(made.text()).isEqualTo("sea caves | Tarrin Bay Kayaks");
        assertThat(made.outcome()).isEqualTo(Composition.Outcome.LACKS_SOURCE);
        assertThat(compose(Map.of(), H1).outcome()).isEqualTo(Composition.Outcome.NOTHING);
    }

    @Test
    void leavesOutTheLeastImportantPartFirst() {
        Map<Source.Kind, String> item = Map.of(
                Source.Kind.H1,
                "Guided seal-watching tours for families",
                Source.Kind.KEYWORD,
                "paddling holidays",
                Source.Kind.BRAND,
                "Tarrin Bay Kayaks");
        Composition made = compose(item, H1, KEYWORD, BRAND);
        assertThat(made.text()).isEqualTo("Guided seal-watching tours for families – paddling holidays");
        assertThat(made.outcome()).isEqualTo(Composition.Outcome.SHORTENED);
        assertThat(made.leftOut())
                .containsExactly(new Composition.LeftOut("Tarrin Bay Kayaks", Composition.Why.NO_ROOM));
    }

    @Test
    void neverSaysTheSameTwice() {
        Map<Source.Kind, String> item = Map.of(
                Source.Kind.H1,
                "Kayak hire with Tarrin Bay Kayaks",
                Source.Kind.KEYWORD,
                "kayaks hire",
                Source.Kind.BRAND,
                "Tarrin Bay Kayaks");
        assertThat(compose(item, H1, KEYWORD, BRAND).text()).isEqualTo("Kayak hire with Tarrin Bay Kayaks");
    }

    @Test
    void shortensAtAWordAndLeavesNothingDangling() {
        Map<Source.Kind, String> item = Map.of(
                Source.Kind.H1,
                "Everything you need to know about hiring a kayak (with or without a guide) in the bay this summer");
        Composition made = compose(item, H1);
        assertThat(made.text()).isEqualTo("Everything you need to know about hiring a kayak");
        assertThat(made.outcome()).isEqualTo(Composition.Outcome.SHORTENED);
    }

    @Test
    void tellsItemsApart() {
        RecipeComposer fitter = new RecipeComposer(
                new Recipe(List.of(H1, BRAND)), LIMITS, ENGLISH, Names.of(NAMES), UnaryOperator.identity());
        Map<Source.Kind, String> item = Map.of(Source.Kind.H1, "Kayak hire", Source.Kind.BRAND, "Tarrin Bay Kayaks");
        assertThat(fitter.compose(KnownTexts.of(item), "Gull Cove").text())
                .isEqualTo("Kayak hire | Gull Cove | Tarrin Bay Kayaks");
    }

    /** Against every subset of whole parts: what is chosen fits, and no set that fits is worth more. */
    @Test
    void isAsGoodAsTryingEverySet() {
        Random random = new Random(3);
        String[] words = {
            "boat", "lantern", "wide", "harbour", "Mmm", "tide", "illicit", "granite", "slip", "swell", "cedar", "fog"
        };
        for (int round = 0; round < 200; round++) {
            List<Part> parts = new ArrayList<>();
            List<String> texts = new ArrayList<>();
            for (int i = 0; i < 5; i++) {
                StringBuilder text = new StringBuilder("p" + i + "x" + round);
                for (int n = 0; n < 1 + random.nextInt(4); n++)
                    text.append(' ').append(words[random.nextInt(words.length)]).append(i);
                texts.add(text.toString());
                parts.add(new Part(
                        List.of(new Source(Source.Kind.FIXED, text.toString())),
                        " | ",
                        LetterCase.AS_IS,
                        i + 1,
                        false));
            }
            String made = new RecipeComposer(
                            new Recipe(parts), LIMITS, ENGLISH, Names.of(List.of()), UnaryOperator.identity())
                    .compose(KnownTexts.of(Map.of()))
                    .text();
            double best = 0;
            double chosen = 0;
            for (int set = 1; set < 32; set++) {
                List<String> some = new ArrayList<>();
                double value = 0;
                for (int i = 0; i < 5; i++) {
                    if ((set & 1 << i) == 0) continue;
                    some.add(texts.get(i));
                    value += Math.pow(3, 7 - i);
                }
                String line = String.join(" | ", some);
                if (LIMITS.fits(line, Graphemes.count(line))) best = Math.max(best, value);
                if (line.equals(made)) chosen = value;
            }
            assertThat(chosen).as(made).isEqualTo(best);
        }
    }

    @Test
    void recipesAreChecked() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Recipe(List.of()))
                .withMessageContaining("got 0");
        assertThatIllegalArgumentException().isThrownBy(() -> new Part(List.of(), "", LetterCase.AS_IS, 1, false));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> part("", 9, false, Source.Kind.H1))
                .withMessageContaining("got 9");
    }

    @ParameterizedTest
    @CsvSource({
        "SENTENCE, KAYAK HIRE in GULL COVE. Book NOW, Kayak hire in Gull Cove. Book NOW",
        "SENTENCE, Kayak Hire In gull cove, Kayak hire in Gull Cove",
        "SENTENCE, a paddler’s soup for November, A paddler’s soup for November",
        "SENTENCE, what the Keeper wrote in May, What the Keeper wrote in May",
        "TITLE, the best of the tarrin bay kayaks, The Best of the Tarrin Bay Kayaks",
        "UPPER, Kayak hire, KAYAK HIRE",
        "LOWER, GULL COVE hire, Gull Cove hire",
        "AS_IS, kAYak, kAYak",
    })
    void letterCaseKeepsNames(LetterCase letterCase, String text, String expected) {
        // An all-capital word of more than four letters is shouting, a shorter one may be an acronym.
        assertThat(letterCase.apply(text, Names.of(NAMES), Language.of("en")))
                .isEqualTo(expected.replace("Kayak hire in Gull Cove. Book NOW", "Kayak HIRE in Gull Cove. Book NOW"));
    }

    @ParameterizedTest
    @CsvSource({
        "SENTENCE, kajaks mieten in der Bucht, Kajaks mieten in der Bucht",
        "LOWER, Kajaks UND Boote, Kajaks und Boote",
        "TITLE, der beste weg zur bucht, Der Beste Weg zur Bucht",
    })
    void germanNounsKeepTheirCapitals(LetterCase letterCase, String text, String expected) {
        assertThat(letterCase.apply(text, Names.of(List.of()), Language.of("de")))
                .isEqualTo(expected);
    }

    /** What a part is used for, what stands around it, and how it meets the one before it. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "inflatable kayak; Hire a |KEYWORD|~ ; Hire an inflatable kayak",
                "unicorn kayak; Hire an |KEYWORD|~ ; Hire a unicorn kayak",
                "hour tour; Book a |KEYWORD|~ ; Book an hour tour",
                "kayak; Open to all!|KEYWORD|: ; Open to all! kayak",
                "kayak; Open to all.|KEYWORD|, ; Open to all. kayak",
                "kayak; Open to all|KEYWORD|, ; Open to all, kayak",
            })
    void partsMeetAsAWriterWouldLetThem(String keyword, String parts, String expected) {
        String[] written = parts.split("\\|");
        Part fixed = new Part(List.of(new Source(Source.Kind.FIXED, written[0])), "", LetterCase.AS_IS, 1, false);
        String between = written[2].replace('~', ' ').stripTrailing() + " ";
        Part second = new Part(List.of(new Source(Source.Kind.KEYWORD, "")), between, LetterCase.AS_IS, 2, false);
        assertThat(compose(Map.of(Source.Kind.KEYWORD, keyword), fixed, second).text())
                .isEqualTo(expected);
    }

    @Test
    void aPartIsEnclosedAndUsedOnlyWhereItIsMeant() {
        Part price = new Part(
                List.of(new Source(Source.Kind.PRICE, "")),
                " ",
                LetterCase.AS_IS,
                2,
                false,
                "()",
                List.of(new Condition(Condition.What.HAS_KEYWORD, "", false)));
        Part without = new Part(
                List.of(new Source(Source.Kind.FIXED, "Kayaks and canoes")),
                " – ",
                LetterCase.AS_IS,
                3,
                false,
                "",
                List.of(new Condition(Condition.What.HAS_KEYWORD, "", true)));
        Map<Source.Kind, String> item = Map.of(Source.Kind.H1, "Sea caves", Source.Kind.PRICE, "£45");
        assertThat(compose(item, H1, price, without).text()).isEqualTo("Sea caves – Kayaks and canoes");
        Map<Source.Kind, String> aimed =
                Map.of(Source.Kind.H1, "Sea caves", Source.Kind.PRICE, "£45", Source.Kind.KEYWORD, "caves");
        assertThat(compose(aimed, H1, price, without).text()).isEqualTo("Sea caves (£45)");
        assertThat(compose(aimed, H1, price, without).outcome()).isEqualTo(Composition.Outcome.FITS);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Welcome! We carve paddles by hand in Gull Cove. More soon.|We carve paddles by hand in Gull Cove.",
                "Hire. Tours. Lessons for all.|''",
                "No sentence here, only words that never come to an end|''",
                "He said: “come and see our boats!” And they came to see.|He said: “come and see our boats!”",
                "''|''",
            })
    void theFirstGoodSentenceSaysSomething(String copy, String sentence) {
        assertThat(Sentences.firstGood(copy)).isEqualTo(sentence);
    }

    /** Each of three wordings stands on about a third of the items, and the same one each time. */
    @Test
    void wordingsAreSpreadEvenlyAndStay() {
        Part calls = new Part(
                List.of(new Source(Source.Kind.FIXED, "Book now\nSee the dates\n\nAsk Ines")),
                "",
                LetterCase.AS_IS,
                1,
                false);
        RecipeComposer composer = new RecipeComposer(
                new Recipe(List.of(calls)), LIMITS, ENGLISH, Names.of(NAMES), UnaryOperator.identity());
        Map<String, Integer> uses = new java.util.TreeMap<>();
        for (long id = 7_000_000_001L; id <= 7_000_003_000L; id++) {
            ItemSources sources = new KnownTexts(id, Map.of());
            String text = composer.compose(sources).text();
            assertThat(composer.compose(sources).text()).isEqualTo(text);
            uses.merge(text, 1, Integer::sum);
        }
        assertThat(uses).containsOnlyKeys("Ask Ines", "Book now", "See the dates");
        assertThat(uses.values()).allSatisfy(times -> assertThat(times).isBetween(900, 1_100));
    }

    private static Part part(String before, int rank, boolean shortenable, Source.Kind... kinds) {
        List<Source> sources = new ArrayList<>();
        for (Source.Kind kind : kinds) sources.add(new Source(kind, ""));
        return new Part(sources, before, LetterCase.AS_IS, rank, shortenable);
    }
}
