package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import lucidsweep.core.item.Field;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class PageSourceTest {

    private static final String PAGE = """
            <!DOCTYPE html>
            <html lang="en">
              <head>
                <meta charset="utf-8">
                <!-- <title>not this</title> -->
                <title>Home</title>
                <meta name="description" content="A &amp; B">
                <script>"<title>nor this</title>"</script>
              </head>
              <body><h1>Kayaks</h1><svg><title>drawn</title></svg></body>
            </html>
            """;

    static Stream<Arguments> changes() {
        return Stream.of(
                Arguments.of(
                        Field.TITLE,
                        "Hire \"one\" & <go>",
                        "<title>Home",
                        "<title>Hire &quot;one&quot; &amp; &lt;go&gt;"),
                Arguments.of(Field.DESCRIPTION, "It's new", "content=\"A &amp; B\"", "content=\"It&#39;s new\""),
                Arguments.of(Field.H1, "Boats", "<h1>Kayaks", "<h1>Boats"),
                Arguments.of(
                        Field.INDEXING,
                        "noindex",
                        "Home</title>",
                        "Home</title>\n    <meta name=\"robots\" content=\"noindex\">"),
                Arguments.of(
                        Field.OG_TITLE,
                        "Shared",
                        "Home</title>",
                        "Home</title>\n    <meta property=\"og:title\" content=\"Shared\">"));
    }

    @ParameterizedTest
    @MethodSource("changes")
    void oneTextIsRewrittenAndEveryOtherByteStays(Field field, String text, String before, String after) {
        assertThat(rewritten(PAGE, field, text)).isEqualTo(PAGE.replace(before, after));
    }

    @Test
    void whatItSaysAlreadyIsLeftAsItIsWritten() {
        String odd = PAGE.replace("<title>Home</title>", "<TITLE >\r\n  Ho&#109;e\t</title >");
        assertThat(rewritten(odd, Field.TITLE, "Home")).isEqualTo(odd);
        assertThat(rewritten(odd, Field.TITLE, "Boats")).isEqualTo(odd.replace("\r\n  Ho&#109;e\t", "Boats"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    <meta name=description content=old>         | <meta name=description content="new">
                    <meta name='description' content='old' />   | <meta name='description' content='new' />
                    <meta content = "old" NAME="Description">   | <meta content = "new" NAME="Description">
                    <meta name="description" content="">        | <meta name="description" content="new">
                    <meta name="description" content>           | <meta name="description" content="new">
                    <meta name="description"/>                  | <meta name="description" content="new" />
                    <meta name="description">                   | <meta name="description" content="new">
                    <meta name="description" content="a>b">     | <meta name="description" content="new">
                    """)
    void anAttributeIsRewrittenHoweverItIsWritten(String before, String after) {
        String page = "<head><title>x</title>%s</head><body>y".formatted(before);
        assertThat(rewritten(page, Field.DESCRIPTION, "new")).isEqualTo(page.replace(before, after));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    index, follow      | noindex | noindex, follow
                    none               | index   | index, nofollow
                    noarchive          | noindex | noindex, noarchive
                    NOINDEX,max-snippet:20 | index | index, max-snippet:20
                    """)
    void indexingLeavesWhateverElseIsAskedOfSearchEngines(String before, String indexing, String after) {
        String page = "<head><meta name=\"robots\" content=\"%s\"></head>";
        assertThat(rewritten(page.formatted(before), Field.INDEXING, indexing)).isEqualTo(page.formatted(after));
    }

    @ParameterizedTest
    @CsvSource({"UTF-8", "windows-1252", "UTF-16LE", "UTF-16BE", "windows-31j", "GBK", "windows-1251"})
    void everyEncodingKeepsItsBytesAndGetsWhatItDoesNotHaveAsReferences(String encoding) {
        Charset charset = Charset.forName(encoding);
        String body =
                "<html>\r\n<head>\r\n\t<title>old</title>\r\n</head><body>Kajak \u00e9t\u00e9 \u30ab\u30e4</body>";
        byte[] before = body.getBytes(charset);
        byte[] after = PageSource.of(before, charset).with(Map.of(Field.TITLE, "Été 飯 \uD83D\uDEF6"));
        assertThat(PageSource.of(after, charset).text(Field.TITLE)).isEqualTo("Été 飯 \uD83D\uDEF6");
        int tail = "</title>".length() * "x".getBytes(charset).length;
        int end = before.length - body.indexOf("</title>") * "x".getBytes(charset).length - tail;
        assertThat(after).endsWith(java.util.Arrays.copyOfRange(before, before.length - end, before.length));
    }

    @Test
    void aMarkAtTheStartAndDamagedBytesStay() {
        byte[] before = ("\u00ef\u00bb\u00bf<head><title>a</title></head><body>\u00ff\u00fe\u0080" + (char) 0
                        + "</body>")
                .getBytes(StandardCharsets.ISO_8859_1);
        byte[] after = PageSource.of(before, StandardCharsets.UTF_8).with(Map.of(Field.TITLE, "\u00e9"));
        assertThat(new String(after, StandardCharsets.ISO_8859_1))
                .isEqualTo(new String(before, StandardCharsets.ISO_8859_1).replace("<title>a", "<title>\u00c3\u00a9"));
    }

    @Test
    void ofSeveralTheOneThatCountsIsRewritten() {
        String page =
                "<head><title>one</title><title>two</title><meta property=og:title content=a><meta property=og:title content=b></head>";
        assertThat(PageSource.of(page.getBytes(StandardCharsets.UTF_8), StandardCharsets.UTF_8)
                        .count(Field.TITLE))
                .isEqualTo(2);
        assertThat(rewritten(page, Field.TITLE, "new")).isEqualTo(page.replace(">one<", ">new<"));
        assertThat(rewritten(page, Field.OG_TITLE, "new")).isEqualTo(page.replace("content=b", "content=\"new\""));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    <p>no head</p>                                | title   | it has no head to put that in
                    <head><title>never closed                     | title   | its title is not closed
                    <head></head><h1>one <b>two</b></h1>          | h1      | its H1 has other elements in it
                    <head></head>                                 | h1      | it has no H1
                    <head><meta name=robots content=a><meta name=robots content=b></head> | indexing | it has 2 robots elements
                    """)
    void whatHasNoPlaceIsRefusedInWords(String page, String field, String why) {
        String text = field.equals("indexing") ? "noindex" : "new";
        assertThatThrownBy(() -> rewritten(page, Field.of(field), text))
                .isInstanceOf(PageSource.Unwritable.class)
                .hasMessageContaining(why);
    }

    /** Whatever the markup is: either it says what was asked, and taking that back gives the same bytes, or it is refused. */
    @Test
    void oddMarkupIsRewrittenRightOrNotAtAll() {
        String[] pieces = {
            "<title>", "</title>", "<head>", "</head>", "<meta name=description content='", "'>", "\"", "<!--", "-->",
                    "x ",
            "<svg>", "</svg>", "<template>", "</template>", "<script>", "</script>", "&amp;", "<body>", "\n",
                    "<noscript>",
            "</noscript>", "<meta name=\"description\" content=\"", "\">", "<textarea>", "é", "<"
        };
        Random random = new Random(5);
        int written = 0;
        for (int i = 0; i < 10_000; i++) {
            StringBuilder markup = new StringBuilder("<html><head><title>a</title>");
            for (int n = random.nextInt(14); n >= 0; n--) markup.append(pieces[random.nextInt(pieces.length)]);
            PageSource page = PageSource.of(markup.toString().getBytes(StandardCharsets.UTF_8), StandardCharsets.UTF_8);
            Field field = random.nextBoolean() ? Field.TITLE : Field.DESCRIPTION;
            try {
                byte[] after = page.with(Map.of(field, "A \"new\" <one>"));
                assertThat(PageSource.of(after, StandardCharsets.UTF_8).text(field))
                        .as(markup.toString())
                        .isEqualTo("A \"new\" <one>");
                written++;
            } catch (PageSource.Unwritable refused) {
                assertThat(refused).hasMessageMatching("its? .+");
            }
        }
        assertThat(written).isGreaterThan(7_500);
    }

    private static String rewritten(String page, Field field, String text) {
        byte[] bytes = page.getBytes(StandardCharsets.UTF_8);
        return new String(
                PageSource.of(bytes, StandardCharsets.UTF_8).with(Map.of(field, text)), StandardCharsets.UTF_8);
    }
}
