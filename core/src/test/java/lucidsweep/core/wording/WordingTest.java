package lucidsweep.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import lucidsweep.core.alike.Likeness;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordingTest {

    private static final Words ENGLISH = Words.in("en");
    private static final Standard.TextLimits TITLE = Standard.ofPages().title();
    private static final Map<String, Double> SEARCHES = Map.of(
            "kayak hire", 900.0,
            "kayaks for hire", 300.0,
            "kayak rental", 1_400.0,
            "sea kayak hire", 500.0,
            "gull cove", 200.0,
            "kayak hire gull cove", 110.0,
            "kayak lessons", 700.0);

    /** Each keyword once, those that differ in the form of their words together. */
    @ParameterizedTest
    @CsvSource({
        "Kayak hire in Gull Cove, 1210, 3",
        "Hire of kayaks, 900, 1",
        "Sea kayaks and lessons, 700, 1",
        "Canoes, 0, 0",
        "'', 0, 0",
    })
    void reachIsTheSumOfWhatIsCovered(String text, double searches, int keywords) {
        assertThat(new Reach(ENGLISH, SEARCHES).of(text)).isEqualTo(new Reach.Covered(searches, keywords));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "Kayak hire in Gull Cove; ''; Kayak rental in Gull Cove; “rental” instead of “hire”",
                "Kayak hire in Gull Cove; kayak hire; Kayak hire in Gull Cove lessons; ",
                "Boats | Tarrin Kayaks; ''; Boats | Tarrin Sea Kayaks; ",
                "Hire in Otter Point; ''; Hire in Otter Point Gull Cove; ",
                "Kayak hire by the hour; kayak hire; Kayak sea hire by the hour; ",
                "Kayak hire by the hour; kayak hire; Sea kayak hire by the hour; “sea” added",
                "Open all year – kayak hire; kayak hire; Kayak hire – Open all year; the keyword’s part first",
            })
    void offersWhatReachesMore(String text, String keyword, String offered, String says) {
        List<SmallChange> changes = changes(text, keyword);
        if (says == null) assertThat(changes).extracting(SmallChange::text).doesNotContain(offered);
        else
            assertThat(changes).anySatisfy(change -> {
                assertThat(change.text()).isEqualTo(offered);
                assertThat(change.says()).isEqualTo(says);
            });
    }

    private static List<SmallChange> changes(String text, String keyword) {
        Phrase phrase = keyword.isEmpty() ? null : Phrase.of(keyword, ENGLISH);
        return new SmallChanges(
                        new Reach(ENGLISH, SEARCHES),
                        TITLE,
                        phrase,
                        List.of("Tarrin Kayaks"),
                        List.of("Gull Cove", "Otter Point"))
                .of(text, 20);
    }

    /** Whatever the text: what is offered fits, keeps the keyword, says no word twice, and gains what a recount says. */
    @Test
    void everyOfferHoldsWhatItSays() {
        Random random = new Random(77);
        String[] words = "kayak hire rental sea cove gull lesson tour guide family island seal cave sunset boat canoe"
                .split(" ");
        Map<String, Double> searches = new HashMap<>();
        for (int i = 0; i < 400; i++)
            searches.put(phrase(random, words, 1 + random.nextInt(3)), 10.0 + random.nextInt(900));
        Reach reach = new Reach(ENGLISH, searches);
        int offers = 0;
        for (int round = 0; round < 80; round++) {
            String text =
                    phrase(random, words, 2 + random.nextInt(7)).replaceFirst(" ", random.nextBoolean() ? " – " : " ");
            String keyword = random.nextBoolean()
                    ? ""
                    : phrase(random, text.replace("–", "").split(" +"), 1);
            Phrase phrase = keyword.isEmpty() ? null : Phrase.of(keyword, ENGLISH);
            for (SmallChange change : new SmallChanges(reach, TITLE, phrase, List.of(), List.of()).of(text, 10)) {
                offers++;
                String says = text + " → " + change;
                assertThat(TITLE.fits(change.text(), Graphemes.count(change.text())))
                        .as(says)
                        .isTrue();
                assertThat(change.gained())
                        .as(says)
                        .isCloseTo(
                                recount(change.text(), searches) - recount(text, searches),
                                org.assertj.core.api.Assertions.within(1e-6));
                if (phrase != null)
                    assertThat(PhraseMatch.of(ENGLISH.of(change.text()), phrase).missing())
                            .as(says)
                            .isEmpty();
                if (!change.says().contains("first"))
                    assertThat(change.gained()).as(says).isPositive();
            }
        }
        assertThat(offers).isGreaterThan(160);
    }

    /** The keyword's words in their order, then what covers more, then the page's own; a word that was begun is finished. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "Kayak ; kayak hire; hire rental lessons",
                "Kayak hi; kayak hire; hire",
                "Kayak; kayak hire; hire rental lessons",
                "Kayak hire; kayak hire; rental lessons sea",
                "Boats ; ''; Cedar workshop",
                "''; kayak hire; kayak hire",
                "Kayak xy; ''; rental hire lessons",
            })
    void proposesWordsToGoOnWith(String text, String keyword, String wanted) {
        Phrase phrase = keyword.isEmpty() ? null : Phrase.of(keyword, ENGLISH);
        String start = text.equals("Kayak") || text.equals("Boats") ? text + " " : text;
        List<NextWords.NextWord> next =
                new NextWords(new Reach(ENGLISH, SEARCHES), TITLE).of(start, phrase, List.of("Cedar workshop"), 9);
        assertThat(next).extracting(NextWords.NextWord::word).startsWith(wanted.split(" "));
        for (NextWords.NextWord each : next)
            assertThat(each.px()).isGreaterThan(TITLE.desktop().width(each.word()) - 1);
    }

    private static String phrase(Random random, String[] words, int count) {
        Set<String> chosen = new java.util.LinkedHashSet<>();
        while (chosen.size() < Math.min(count, words.length)) chosen.add(words[random.nextInt(words.length)]);
        return String.join(" ", chosen);
    }

    /** Plainly: every known keyword, once by its stems, whose stems all stand in the text. */
    private static double recount(String text, Map<String, Double> searches) {
        Set<String> there = stems(text);
        Map<Set<String>, Double> covered = new HashMap<>();
        searches.forEach((phrase, count) -> {
            if (there.containsAll(stems(phrase))) covered.merge(stems(phrase), count, Math::max);
        });
        return covered.values().stream().mapToDouble(d -> d).sum();
    }

    private static Set<String> stems(String text) {
        Set<String> stems = new HashSet<>();
        for (Word word : ENGLISH.of(text)) if (!word.stop()) stems.add(word.stem());
        return stems;
    }

    @Test
    void saysWhatMostRivalsShareAndOursLacks() {
        List<String> theirs = List.of(
                "Kayak hire in Gull Cove – prices 2026 | Osprey Boats",
                "Hire a kayak: prices and times (2026) | Heron Hire",
                "Kayaks for hire, from £12 | Tern Paddles",
                "Gull Cove kayak hire 2026 | Coast & Co");
        RivalTitles.CommonTraits compared = RivalTitles.compared("Our kayaks (new)?", theirs, ENGLISH);
        assertThat(compared.words())
                .contains(new RivalTitles.TitleTrait("kayak", 4, true), new RivalTitles.TitleTrait("hire", 4, false))
                .contains(new RivalTitles.TitleTrait("2026", 3, false));
        assertThat(compared.features())
                .contains(
                        new RivalTitles.TitleTrait("a year", 3, false),
                        new RivalTitles.TitleTrait("a name at the end", 4, false))
                .contains(new RivalTitles.TitleTrait("a question", 0, true));
        assertThat(RivalTitles.compared("Our kayaks", theirs.subList(0, 2), ENGLISH)
                        .words())
                .isEmpty();
    }

    @Test
    void likenessIsOneForTheSameAndNothingForOthers() {
        assertThat(Likeness.of("Kayak hire!", "KAYAK  HIRE")).isEqualTo(1);
        assertThat(Likeness.of("Kayak hire", "Wooden boats")).isZero();
        assertThat(Likeness.of("Kayak hire in Gull Cove", "Kayak hire in Otter Cove"))
                .isBetween(0.4, 0.9);
    }
}
