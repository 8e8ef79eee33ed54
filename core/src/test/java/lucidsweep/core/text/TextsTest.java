package lucidsweep.core.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TextsTest {

    private static final Slot TITLE = new Slot(20, 580, 1);
    private static final Slot PHONE = new Slot(18, 580, 2);

    @ParameterizedTest
    @CsvSource({"kayak, 5", "café, 4", "'cafe\u0301', 4", "👩‍👩‍👧 ahoy, 6", "🇬🇧🇫🇷, 2", "'', 0", "'a\r\nb', 3"})
    void graphemesAreWhatAReaderCounts(String text, int clusters) {
        assertThat(Graphemes.count(text)).isEqualTo(clusters);
    }

    @ParameterizedTest
    @CsvSource({
        "Kayak-Hire  |  TARRIN Bay, kayak hire tarrin bay",
        "ＫＡＹＡＫ ﬁnd, kayak find",
        "Straße, strasse",
        "' – ', ''",
        "Don’t, don t",
    })
    void likenessLooksPastCaseSpaceAndPunctuation(String text, String key) {
        assertThat(TextKey.key(text)).isEqualTo(key);
        assertThat(TextKey.hash(text)).isEqualTo(TextKey.hash(key));
        assertThat(TextKey.hash(text) == 0).isEqualTo(key.isEmpty());
    }

    @ParameterizedTest
    @CsvSource({"'a  b', a b", "' a\tb\n', a b", "a b, a b", "'', ''", "' \f\r ', ''", "'a \u00A0b', 'a \u00A0b'"})
    void spacesAreClosedUp(String text, String closed) {
        assertThat(Spaces.closedUp(text)).isEqualTo(closed);
    }

    @Test
    void textsInAsciiHaveTheSameKeyAsWithTheTables() {
        Random random = new Random(8);
        for (int i = 0; i < 500; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(40); n > 0; n--) text.append((char) (' ' + random.nextInt(95)));
            // A zero-width joiner is no letter and joins nothing here, but sends the text the long way.
            assertThat(TextKey.key(text.toString())).isEqualTo(TextKey.key(text + "\u200D"));
        }
    }

    @Test
    void dashesAndQuotesAreOneCharacterEach() {
        assertThat(Graphemes.count("“Kayaks” – hire… it’s • here")).isEqualTo(28);
        assertThat(Graphemes.count("“e\u0301”")).isEqualTo(3);
    }

    @Test
    void cutsAtTheLastWordThatFitsWithAnEllipsis() {
        String text = "Kayak hire in Gull Cove with paddles, maps, dry bags and everything else that floats";
        Cut cut = Cut.of(text, TITLE);
        assertThat(cut.cut()).isTrue();
        assertThat(cut.lines()).singleElement().asString().endsWith(" …");
        String seen = cut.lines().get(0);
        assertThat(TITLE.width(seen)).isLessThanOrEqualTo(580);
        String next = text.substring(0, text.indexOf(' ', cut.shown() + 1));
        assertThat(TITLE.width(next + " …")).as("one more word").isGreaterThan(580);
        assertThat(text).startsWith(seen.substring(0, seen.length() - 2));
    }

    @Test
    void whateverIsCutFitsAndIsABeginning() {
        Random random = new Random(5);
        for (int i = 0; i < 300; i++) {
            StringBuilder words = new StringBuilder();
            for (int n = 0; n < 1 + random.nextInt(30); n++) words.append("mwiÀ漢 ".charAt(random.nextInt(6)));
            String text = words.toString().strip();
            double room = random.nextInt(300);
            int end = Cut.lastFitting(text, 20, room);
            assertThat(MetricFace.arimo().width(text.substring(0, end), 20)).isLessThanOrEqualTo(room + 1e-9);
        }
        assertThat(Cut.of("short", PHONE)).isEqualTo(new Cut(List.of("short"), 5, false));
        assertThat(Cut.of("Guided kayak tours and lessons all around Tarrin Bay", PHONE)
                        .lines())
                .hasSize(2);
    }

    @Test
    void findsEndingsAsLongAsTheyAreShared() {
        CommonPart.Finder finder = new CommonPart.Finder(CommonPart.Side.END);
        for (int i = 0; i < 60; i++) finder.add("Page " + i + " about boats | Tarrin Bay Kayaks and canoes");
        for (int i = 0; i < 40; i++) finder.add("Other " + i);
        List<CommonPart> endings = finder.common(0.2, 120, TITLE);
        assertThat(endings).singleElement().satisfies(ending -> {
            assertThat(ending.text()).isEqualTo(" about boats | Tarrin Bay Kayaks and canoes");
            assertThat(ending.count()).isEqualTo(60);
            assertThat(ending.px()).isEqualTo(TITLE.width(ending.text()));
        });
    }

    @Test
    void listsAShorterEndingOnlyWhereFurtherTextsHaveIt() {
        CommonPart.Finder finder = new CommonPart.Finder(CommonPart.Side.END);
        for (int i = 0; i < 30; i++) finder.add("A" + i + " hire by the hour | Tarrin Bay Kayaks");
        for (int i = 0; i < 60; i++) finder.add("B" + i + " b" + i + " | Tarrin Bay Kayaks");
        assertThat(finder.common(0.2, 120, TITLE))
                .extracting(CommonPart::text)
                .containsExactly(" hire by the hour | Tarrin Bay Kayaks", " | Tarrin Bay Kayaks");
    }

    @Test
    void aSlotNeedsRoom() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Slot(0, 580, 1))
                .withMessageContaining("0.0 px");
    }

    @Test
    void anAddressHasOneHashHoweverItIsHeld() {
        byte[] line = "https://tarrin.example/tours/?page=2\ttours\tc".getBytes(StandardCharsets.US_ASCII);
        assertThat(TextKey.exactHash(line, 8, 36)).isEqualTo(TextKey.exactHash("tarrin.example/tours/?page=2"));
    }
}
