package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PageTest {

    private static final URI HERE = URI.create("https://tarrin.example/boats/index.html");

    private static PageFacts read(String html) {
        return PageReader.read(Jsoup.parse(html, HERE.toString()), HERE);
    }

    private static PageAddress.Destination to(String address) {
        return new PageAddress.Destination(address, null);
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "HTTP://Tarrin.Example:80/a/../b/./c#top, http://tarrin.example/b/c",
                "https://tarrin.example:443, https://tarrin.example/",
                "https://tarrin.example/a b?q=é, https://tarrin.example/a%20b?q=%C3%A9",
                "https://tarrin.example/../../x, https://tarrin.example/x",
                "mailto:office@tarrin.example, -",
                "javascript:void(0), -",
                "/relative, -",
                "http://, -",
            })
    void addressesHaveOneNormalForm(String given, String normal) {
        assertThat(PageAddress.of(given).map(URI::toString).orElse(null)).isEqualTo(normal);
    }

    @Test
    void slugAndSectionComeFromThePath() {
        assertThat(PageAddress.slugWords("https://tarrin.example/boats/sea-kayak_hire.html"))
                .isEqualTo("sea kayak hire");
        assertThat(PageAddress.slugWords("https://tarrin.example/")).isEmpty();
        assertThat(PageAddress.section("https://tarrin.example/boats/kit/")).isEqualTo("/boats/");
        assertThat(PageAddress.section("https://tarrin.example/contact")).isEqualTo("/");
        assertThat(PageAddress.section("TBK-1001")).isEqualTo("/");
    }

    @Test
    void readsWhatAPageSaysOfItself() {
        PageFacts facts = read("""
                <html lang="en-GB"><head><title> Kayak
                hire </title><meta name="Description" content="First"><META NAME=description content="Second">
                <meta name=robots content=noindex><link rel="canonical alternate" href="/boats/">
                <meta property="article:published_time" content="2025-03-04"></head>
                <body><nav><p>This paragraph belongs to the frame of the page, not to its text.</p></nav>
                <svg><title>A drawing</title></svg><h1>Kayak <b>hire</b></h1><h2>Prices</h2><script>var hidden = 1</script>
                <p>Hire a kayak by the hour, the day or the week from the slip in Fennick.</p>
                <a href="tour.html#map" rel="nofollow">A tour</a><a href="#top">up</a><a href="mailto:x@y.z">write</a>
                <a href="/x"><img src="x.png" alt="Map"></a><img src=y.png></body>""");
        assertThat(facts.titles()).containsExactly("Kayak hire");
        assertThat(facts.descriptions()).containsExactly("First", "Second");
        assertThat(facts.h1s()).containsExactly("Kayak hire");
        assertThat(facts.headings()).containsExactly("Prices");
        assertThat(facts.head().robots()).isEqualTo("noindex");
        assertThat(facts.head().canonical()).isEqualTo("/boats/");
        assertThat(facts.head().language()).isEqualTo("en-GB");
        assertThat(facts.head().published()).isEqualTo("2025-03-04");
        assertThat(facts.opening()).startsWith("Hire a kayak by the hour");
        assertThat(facts.copy())
                .contains("Prices Hire a kayak")
                .doesNotContain("hidden")
                .doesNotContain("A drawing");
        assertThat(facts.links())
                .containsExactly(
                        new PageFacts.Link(
                                to("https://tarrin.example/boats/tour.html"),
                                "A tour",
                                PageFacts.Link.Shows.WORDS,
                                true,
                                PageFacts.Place.COPY),
                        new PageFacts.Link(
                                to("https://tarrin.example/x"),
                                "Map",
                                PageFacts.Link.Shows.PICTURE,
                                false,
                                PageFacts.Place.COPY));
        assertThat(facts.images()).extracting(PageFacts.Image::alt).containsExactly("Map", null);
    }

    @Test
    void brokenMarkupIsReadAsFarAsItGoes() {
        assertThat(read("<title>Unclosed<p>text").titles()).hasSize(1);
        assertThat(read("").titles()).isEmpty();
        assertThat(read("<base href='/other/'><a href=page>p</a>")
                        .links()
                        .get(0)
                        .address())
                .isEqualTo("https://tarrin.example/other/page");
        assertThat(read("<div>".repeat(20_000) + "deep").copy()).isEqualTo("deep");
        assertThat(read("<a href='/l'>l</a>".repeat(9_000)).links()).hasSize(5_000);
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "200, '', '', -",
                "404, '', '', it answers 404",
                "200, 'noindex, follow', '', 'it asks not to be indexed (noindex, follow)'",
                "200, 'NONE', '', it asks not to be indexed (NONE)",
                "200, 'noimageindex', '', -",
                "200, '', /boats/, its canonical is https://tarrin.example/boats/",
                "200, '', index.html, -",
            })
    void saysWhyAPageIsNotIndexable(int status, String robots, String canonical, String words) {
        assertThat(Indexing.noindex(HERE.toString(), status, robots, canonical)
                        .map(Noindex::words)
                        .orElse(null))
                .isEqualTo(words);
    }
}
