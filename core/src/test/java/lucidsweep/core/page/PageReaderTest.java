package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Random;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pages that say things twice, in odd places, or more often than anybody needs. */
class PageReaderTest {

    private static final URI HERE = URI.create("https://tarrin.example/tours/");

    private static PageFacts read(String html) {
        return PageReader.read(Jsoup.parse(html, HERE.toString()), HERE);
    }

    private static PageAddress.Destination to(String address) {
        return new PageAddress.Destination(address, null);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "<meta http-equiv=refresh content='0; url=/new'>                 | /new",
                "<meta http-equiv=Refresh content=\"5;URL='next.html'\">         | next.html",
                "<meta http-equiv=refresh content=30>                            | ''",
                "<meta name=refresh content='0;url=/no'>                         | ''",
            })
    void refreshIsReadAsBrowsersDo(String head, String target) {
        assertThat(read(head).head().refresh()).isEqualTo(target);
    }

    @Test
    void theFirstOfWhatShouldBeOneCountsAndTitlesAndDescriptionsAreAllKept() {
        PageFacts facts = read("""
                <title>First</title><title>Second</title><link rel=canonical href=/a><link rel=canonical href=/b>
                <base href=/x/><base href=/y/><meta name=robots content=nofollow><meta name=ROBOTS content=noindex>
                <body><title>In the body</title><a href=p>p</a><time datetime=2026-01-02><time datetime=2025-01-01>""");
        assertThat(facts.titles()).containsExactly("First", "Second");
        assertThat(facts.head().canonical()).isEqualTo("/a");
        assertThat(facts.head().robots()).isEqualTo("nofollow, noindex");
        assertThat(facts.links()).extracting(PageFacts.Link::address).containsExactly("https://tarrin.example/x/p");
        assertThat(facts.head().published()).isEqualTo("2026-01-02");
    }

    @Test
    void whatNobodySeesIsNoCopyButItsLinksAreFollowed() {
        PageFacts facts = read("""
                <body>Seen<script>var a = "<b>no</b>"</script><style>p { color: red }</style><noscript><a href=/n>none</a></noscript>
                <template><p>No</p></template><select><option>No</option></select><textarea>No</textarea>
                <svg><title>No</title><text>No</text></svg><a href=/pic><img src=b.png alt="A boat"></a> too""");
        assertThat(facts.copy()).isEqualTo("Seen A boat too");
        assertThat(facts.titles()).isEmpty();
        assertThat(facts.links())
                .contains(new PageFacts.Link(
                        to("https://tarrin.example/pic"),
                        "A boat",
                        PageFacts.Link.Shows.PICTURE,
                        false,
                        PageFacts.Place.COPY))
                .extracting(PageFacts.Link::address)
                .contains("https://tarrin.example/n");
    }

    @Test
    void aTitleOutsideTheHeadCountsOnlyWhereTheHeadHasNone() {
        assertThat(read("<body><p>Text</p><title>Astray</title><title>Another</title>")
                        .titles())
                .containsExactly("Astray");
    }

    @Test
    void whatAPageHidesItselfIsNoCopy() {
        PageFacts facts = read("""
                <body>Seen <p hidden>no <b>no</b></p><div style="color:red; Display : none">no <p>no</p></div>
                <span style="visibility:hidden">no</span><i style="color:blue">too</i><p hidden>no<p>and this""");
        assertThat(facts.copy()).isEqualTo("Seen too and this");
    }

    @Test
    void whereLinksStandAndWhatPagesSayElsewhere() {
        PageFacts facts = read("""
                <meta property="og:title" content="Shared title"><meta property="og:description" content="Shared">
                <link rel=alternate hreflang=de href=/de/><link rel=alternate hreflang=x-default href=/>
                <script type="application/ld+json">{"name":"Otter Point"}</script><script>var no;</script>
                <body><header><a href=/h>home</a></header><nav><a href=/n>menu</a></nav><p><a href=/c>copy</a></p>
                <footer><nav><a href=/f>legal</a></nav></footer>""");
        assertThat(facts.links())
                .extracting(link -> link.text() + " " + link.place())
                .containsExactly("home NAVIGATION", "menu NAVIGATION", "copy COPY", "legal FOOTER");
        assertThat(facts.shared()).isEqualTo(new PageFacts.Shared("Shared title", "Shared"));
        assertThat(facts.alternates())
                .containsExactly(new PageFacts.Alternate("de", "/de/"), new PageFacts.Alternate("x-default", "/"));
        assertThat(facts.structured()).containsExactly("{\"name\":\"Otter Point\"}");
    }

    @Test
    void pagesThatMeanHarmAreReadAsFarAsTheyGo() {
        assertThat(read("<title>Deep</title><p>start" + "<div><b>".repeat(10_000) + "end")
                        .copy())
                .startsWith("start");
        StringBuilder attributes = new StringBuilder("<body ");
        for (int i = 0; i < 100_000; i++) attributes.append("a").append(i).append("=x ");
        assertThat(read("<title>Many</title>" + attributes + "><h1>Still here</h1>")
                        .h1s())
                .containsExactly("Still here");
        assertThat(read("<title>" + "long ".repeat(1_000_000) + "</title>")
                        .titles()
                        .get(0))
                .hasSize(4_999_999);
        assertThat(read("<title>Ka\0yak</title><p>one\0two").titles().get(0))
                .contains("Ka")
                .contains("yak");
    }

    @Test
    void blocksPartWordsAndInlineElementsDoNot() {
        assertThat(read("<p>one</p><p>two<br>three</p><b>fo</b>ur<div>five</div>six")
                        .copy())
                .isEqualTo("one two three four five six");
        assertThat(read("<h1>Kayak<br>hire</h1><h2> Prices\n and\ttimes </h2>").headings())
                .containsExactly("Prices and times");
        assertThat(read("<h1>Kayak<br>hire</h1>").h1s()).containsExactly("Kayak hire");
    }

    @Test
    void nothingGrowsWithoutABound() {
        PageFacts facts =
                read("<h2>more</h2>".repeat(200) + "<img src=x alt=y>".repeat(2_000) + "<p>" + "word ".repeat(40_000));
        assertThat(facts.headings()).hasSize(40);
        assertThat(facts.images()).hasSize(500);
        assertThat(facts.copy().length()).isLessThanOrEqualTo(100_000);
        assertThat(facts.opening()).hasSize(500);
    }

    @Test
    void theOpeningIsTheFirstParagraphOfThePagesOwnText() {
        PageFacts facts = read("""
                <nav><p>A long sentence of the frame that stands on each and every page of the site.</p></nav><p>Short.</p>
                <article><p>Paddle out with the ebb,<br>come back with the flood, and see seals on the way.</p></article>""");
        assertThat(facts.opening())
                .isEqualTo("Paddle out with the ebb, come back with the flood, and see seals on the way.");
    }

    @Test
    void whatEnclosesALinkSaysWhereItStandsAndWhetherItIsSeen() {
        List<String> around = List.of("div", "nav", "header", "footer", "section", "aside", "div hidden", "template");
        Random random = new Random(8);
        for (int page = 0; page < 200; page++) {
            StringBuilder html = new StringBuilder("<title>Made up</title><body>");
            Deque<String> open = new ArrayDeque<>();
            List<String> places = new ArrayList<>();
            StringBuilder seen = new StringBuilder();
            for (int step = 0; step < 40; step++) {
                if (random.nextInt(5) < 2) {
                    String tag = around.get(random.nextInt(around.size()));
                    html.append('<').append(tag).append('>');
                    open.push(tag);
                } else if (random.nextInt(3) == 0 && !open.isEmpty()) {
                    html.append("</").append(open.pop().split(" ")[0]).append('>');
                } else {
                    html.append("<a href=/")
                            .append(step)
                            .append('>')
                            .append(step)
                            .append("</a> ");
                    boolean navigation = open.contains("nav") || open.contains("header");
                    if (open.contains("template")) continue;
                    places.add("/" + step + " "
                            + (open.contains("footer") ? "FOOTER" : navigation ? "NAVIGATION" : "COPY"));
                    if (!open.contains("div hidden")) seen.append(step).append(' ');
                }
            }
            PageFacts facts = read(html.toString());
            assertThat(facts.links())
                    .as(html.toString())
                    .extracting(
                            link -> link.address().substring("https://tarrin.example".length()) + " " + link.place())
                    .isEqualTo(places);
            assertThat(facts.copy())
                    .as(html.toString())
                    .isEqualTo(seen.toString().strip());
        }
    }

    @Test
    void whatIsInATemplateAndADescriptionWithoutContentAreNoPartOfThePage() {
        PageFacts facts =
                read("<head><template><title>Slot</title><meta name=description content='In the slot'></template>"
                        + "<title>Kayaks</title><meta name=description><meta name=description content='Hire one'></head>"
                        + "<body><template><h1>Row</h1><a href='/never'>no</a></template><h1>Kayaks</h1></body>");
        assertThat(facts.titles()).containsExactly("Kayaks");
        assertThat(facts.descriptions()).containsExactly("Hire one");
        assertThat(facts.h1s()).containsExactly("Kayaks");
        assertThat(facts.links()).isEmpty();
    }
}
