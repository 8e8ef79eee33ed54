package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
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
        assertThat(read(head).refresh()).isEqualTo(target);
    }

    @Test
    void theFirstOfWhatShouldBeOneCountsAndTitlesAndDescriptionsAreAllKept() {
        PageFacts facts = read("""
                <title>First</title><title>Second</title><link rel=canonical href=/a><link rel=canonical href=/b>
                <base href=/x/><base href=/y/><meta name=robots content=nofollow><meta name=ROBOTS content=noindex>
                <body><title>In the body</title><a href=p>p</a><time datetime=2026-01-02><time datetime=2025-01-01>""");
        assertThat(facts.titles()).containsExactly("First", "Second", "In the body");
        assertThat(facts.canonical()).isEqualTo("/a");
        assertThat(facts.robots()).isEqualTo("nofollow, noindex");
        assertThat(facts.links()).extracting(PageFacts.Link::address).containsExactly("https://tarrin.example/x/p");
        assertThat(facts.published()).isEqualTo("2026-01-02");
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
                .contains(new PageFacts.Link("https://tarrin.example/pic", "A boat", false))
                .extracting(PageFacts.Link::address)
                .contains("https://tarrin.example/n");
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
}
