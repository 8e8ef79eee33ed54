package lucidsweep.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import lucidsweep.core.compose.LetterCase;
import lucidsweep.core.compose.Names;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Edits that are applied twice by accident, to texts that nobody foresaw. */
class BulkEditTest {

    private static final Standard.TextLimits TITLE = Standard.ofPages().title();
    private static final Standard.TextLimits DESCRIPTION = Standard.ofPages().description();
    private static final String[] WORDS = {
        "kayak",
        "Kayak hire",
        "sea-kayak",
        "|",
        "–",
        "(",
        ")",
        "and",
        "the",
        "&",
        "Gull",
        "🛶",
        "👩‍👩‍👧",
        "漢字",
        ",",
        ";",
        ".",
        "«",
        "WWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWW",
        "für",
        "of",
        "$1",
        "\\",
        "gift"
    };

    static Stream<BulkEdit> edits() {
        return Stream.of(
                new AddToStart("New: "),
                new AddToEnd(" | Tarrin Bay"),
                new RemoveBeginning("Gull "),
                new RemoveEnding(" gift"),
                new CutToFit(TITLE, false),
                new CutToFit(DESCRIPTION, false),
                new ChangeCase(LetterCase.UPPER, Names.of(List.of("Gull")), Language.of("en")),
                new ChangeCase(LetterCase.LOWER, Names.of(List.of("Gull")), Language.of("en")),
                new ChangeCase(LetterCase.SENTENCE, Names.of(List.of("Gull")), Language.of("en")),
                new ChangeCase(LetterCase.TITLE, Names.of(List.of("Gull")), Language.of("en")),
                new AddTags(List.of("oar", "sea kayak")),
                new RemoveTags(List.of("sea kayak", "gift")),
                new ReplaceTag("gift", "present"),
                Replace.of("gift", "present", Replace.Way.PLAIN, false),
                new CutToFit(DESCRIPTION, true),
                new ShortenEnding(" | Gull, kayak and gift", TITLE),
                new AddBlock("Sent from the boat shed.\nWithin two days."),
                new PlaceBrand(List.of("Gull"), " | ", PlaceBrand.Place.LAST),
                new PlaceBrand(List.of("Gull"), ": ", PlaceBrand.Place.FIRST),
                new PlaceBrand(List.of("Gull"), " | ", PlaceBrand.Place.NONE),
                new RemoveEmoji(),
                new TidySpaces(),
                new MergeTwinTags(Words.in("en")));
    }

    @ParameterizedTest
    @MethodSource("edits")
    void onceIsEnough(BulkEdit edit) {
        Random random = new Random(41);
        int changed = 0;
        for (int round = 0; round < 500; round++) {
            String text = text(random);
            String once = edit.apply(text);
            // A beginning or ending may stand twice; each time takes one away.
            if (!(edit instanceof RemoveEnding || edit instanceof RemoveBeginning))
                assertThat(edit.apply(once)).as(text).isEqualTo(once);
            if (!once.equals(text)) changed++;
            if (edit instanceof CutToFit cut) {
                assertThat(cut.limits().fits(once, Graphemes.count(once)))
                        .as(once)
                        .isTrue();
                assertThat(once.equals(text) || text.startsWith(once)).as(once).isTrue();
            }
            if (edit instanceof AddBlock block) {
                String back = new RemoveBlock(block.block()).apply(once);
                assertThat(back).as("just the block goes again").isEqualTo(text.isBlank() ? "" : text.stripTrailing());
            }
        }
        assertThat(changed).as(edit + " changed something").isPositive();
    }

    static Stream<Arguments> cases() {
        List<String> brands = List.of("Tarrin Bay Kayaks", "Tarrin Bay");
        BulkEdit last = new PlaceBrand(brands, " | ", PlaceBrand.Place.LAST);
        BulkEdit first = new PlaceBrand(brands, ": ", PlaceBrand.Place.FIRST);
        BulkEdit none = new PlaceBrand(brands, " | ", PlaceBrand.Place.NONE);
        BulkEdit beginning = new RemoveBeginning("Our shop: ");
        BulkEdit ending = new ShortenEnding(" | Tarrin Bay Kayaks: hire, tours and lessons", TITLE);
        BulkEdit sentences = new CutToFit(DESCRIPTION, true);
        BulkEdit repair = new RepairEncoding();
        BulkEdit year = new YearForward(2026);
        BulkEdit block = new RemoveBlock("Sent from the boat shed.");
        String long1 = "Guided seal-watching tours for families in Gull Cove";
        String sentence = "Two hours on the water with a guide, a warm hat and cocoa for everyone who comes along.";
        return Stream.of(
                arguments(new AddToEnd(" | Tarrin"), "Boats | Tarrin", "Boats | Tarrin"),
                arguments(new AddToStart("New: "), "boats", "New: boats"),
                arguments(new RemoveEnding(" | Tarrin"), "Boats – | Tarrin", "Boats"),
                arguments(beginning, "Our shop: red paddles", "Red paddles"),
                arguments(beginning, "Our shop: iPaddle", "iPaddle"),
                arguments(beginning, "In our shop: red", "In our shop: red"),
                arguments(new RemoveBeginning("our shop: "), "our shop: red", "red"),
                arguments(
                        ending,
                        "Sea caves | Tarrin Bay Kayaks: hire, tours and lessons",
                        "Sea caves | Tarrin Bay Kayaks: hire, tours and lessons"),
                arguments(
                        ending,
                        "Sunset tour at Otter Point | Tarrin Bay Kayaks: hire, tours and lessons",
                        "Sunset tour at Otter Point | Tarrin Bay Kayaks: hire, tours"),
                arguments(ending, long1 + " | Tarrin Bay Kayaks: hire, tours and lessons", long1 + " | Tarrin Bay"),
                arguments(new CutToFit(TITLE, false), "Fits, with", "Fits, with"),
                arguments(sentences, sentence + " " + sentence + " " + sentence, sentence),
                arguments(sentences, sentence + " Kit is included.".repeat(12), sentence + " Kit is included."),
                arguments(last, "Tarrin Bay Kayaks – kayak hire", "Kayak hire | Tarrin Bay Kayaks"),
                arguments(last, "Tarrin Bay: Kayak hire", "Kayak hire | Tarrin Bay Kayaks"),
                arguments(last, "Kayak hire | Tarrin Bay Kayaks", "Kayak hire | Tarrin Bay Kayaks"),
                arguments(last, "Tours of Tarrin Bay by kayak", "Tours of Tarrin Bay by kayak"),
                arguments(last, "Tarrin Bay Kayaks", "Tarrin Bay Kayaks"),
                arguments(first, "Kayak hire - tarrin bay", "Tarrin Bay Kayaks: Kayak hire"),
                arguments(none, "Kayak hire · Tarrin Bay Kayaks", "Kayak hire"),
                arguments(year, "Tours 2024 and 2025", "Tours 2026 and 2026"),
                arguments(
                        year,
                        "Built here since 2008, 2019–2021, € 2000.50, 2031",
                        "Built here since 2008, 2019–2021, € 2000.50, 2031"),
                arguments(repair, "CafÃ© am See â€“ fÃ¼r alle", "Café am See – für alle"),
                arguments(repair, "Tom &amp;amp; Ines&#39; shed", "Tom & Ines' shed"),
                arguments(repair, "Kayak’s für Â£5", "Kayak’s für £5"),
                arguments(repair, "ÂME Ã la carte, R&D", "ÂME Ã la carte, R&D"),
                arguments(new RemoveEmoji(), "🛶 Hire 👩‍👩‍👧 a boat 🇩🇪☀️!", "Hire a boat !"),
                arguments(
                        new TidySpaces(),
                        "  A  paddle , oiled\u00A0 \n\n\n\n and  signed ",
                        "A paddle, oiled\n\nand signed"),
                arguments(block, "A paddle.\n\nSent from the boat shed.", "A paddle."),
                arguments(block, "A paddle. Sent from the boat shed.", "A paddle. Sent from the boat shed."),
                arguments(block, "Sent from the boat shed. Or not.", "Sent from the boat shed. Or not."),
                arguments(
                        new AddTags(List.of("Sea Kayak", "canoe gift")),
                        "sea kayak, oar",
                        "sea kayak, oar, canoe gift"),
                arguments(new RemoveTags(List.of("SEA-KAYAK")), "sea kayak, oar", "oar"),
                arguments(new ReplaceTag("oar", "sea kayak"), "sea kayak, oar", "sea kayak"),
                arguments(new MergeTwinTags(Words.in("en")), "sea kayak, kayaks sea, oar", "sea kayak, oar"));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void doesWhatItSays(BulkEdit edit, String text, String expected) {
        assertThat(edit.apply(text)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "Carved by hand.; Canoe paddle | Tarrin Bay; Canoe paddle. Carved by hand.",
                "Canoe paddles, carved by hand.; Canoe paddle | Tarrin Bay; Canoe paddle. Canoe paddles, carved by hand.",
                "CANOE PADDLE: carved by hand.; Canoe paddle – small; CANOE PADDLE: carved by hand.",
                "Yes, it does.; Does it float?; Does it float? Yes, it does.",
                "Carved by hand.; ''; Carved by hand.",
                "''; Canoe paddle; ''",
            })
    void opensWithTheTitle(String text, String title, String expected) {
        BulkEdit edit = new OpenWithTitle();
        assertThat(edit.apply(text, title)).isEqualTo(expected);
        assertThat(edit.apply(expected, title)).as("once").isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({
        "Kayak hire and, Kayak hire",
        "Kayak hire – with the, Kayak hire",
        "Kayak hire (by, Kayak hire",
        "Kayak hire (by the day), Kayak hire (by the day)",
        "'Kayaks, paddles,', 'Kayaks, paddles'",
        "Tours | , Tours",
        "and of the, ''",
        "'(all of it', (all of it",
        "Kayak 🛶, Kayak 🛶",
        "Der Steg und die, Der Steg",
    })
    void nothingIsLeftDangling(String text, String trimmed) {
        assertThat(lucidsweep.core.compose.Trim.end(text)).isEqualTo(trimmed);
    }

    @ParameterizedTest
    @CsvSource({
        "kayak, canoe, PLAIN, false, Kayak and kayak, canoe and canoe",
        "kayak, canoe, PLAIN, true, Kayak and kayak, Kayak and canoe",
        "kayak, canoe, WHOLE_WORD, false, Kayak and kayaks, canoe and kayaks",
        "'(\\d+) pages', '$1 p.', REGEX, false, 12 pages, 12 p.",
        "a.b, x, PLAIN, false, a.b axb, x axb",
        "$, €, WHOLE_WORD, false, 5 $, 5 €",
    })
    void replaces(String find, String with, Replace.Way way, boolean matchCase, String text, String expected) {
        assertThat(Replace.of(find, with, way, matchCase).apply(text)).isEqualTo(expected);
    }

    @Test
    void whatCannotBeReadIsRefusedWithThePlace() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Replace.of("(a", "", Replace.Way.REGEX, false))
                .withMessageContaining("character");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Replace.of("a", "$2", Replace.Way.REGEX, false))
                .withMessageContaining("group 2");
    }

    @ParameterizedTest
    @CsvSource({
        "'a,b', a$1, false, 'a$1,b'",
        "'aa', '$0$0', true, 'aaaa'",
        "'A', '\\$', true, '$'",
        "'a', '', false, ''",
    })
    void replacementsAreTakenAtTheirWord(String text, String with, boolean regex, String expected) {
        Replace.Way way = regex ? Replace.Way.REGEX : Replace.Way.PLAIN;
        assertThat(Replace.of("a", with, way, false).apply(text)).isEqualTo(expected);
    }

    @ParameterizedTest
    @ValueSource(strings = {"(.+)(.+)(.+)(.+)\\1c", "(?:.*b){12}c", "(?:a|b)*c"})
    void patternsThatNeverEndAreEnded(String pattern) {
        BulkEdit edit = Replace.of(pattern, "", Replace.Way.REGEX, true);
        assertThatThrownBy(() -> edit.apply("ab".repeat(10_000))).isInstanceOf(RunawayPattern.class);
    }

    private static String text(Random random) {
        StringBuilder text = new StringBuilder(WORDS[random.nextInt(WORDS.length)]);
        for (int n = random.nextInt(14); n > 0; n--)
            text.append(random.nextInt(4) == 0 ? ", " : " ").append(WORDS[random.nextInt(WORDS.length)]);
        if (random.nextInt(5) == 0) text.append(", gift");
        if (random.nextInt(5) == 0) text.append(" | Gull, kayak and gift");
        if (random.nextInt(9) == 0) text.append(" \n\n\n  oar ");
        if (random.nextInt(9) == 0) text.insert(0, "Gull – ");
        return text.toString();
    }
}
