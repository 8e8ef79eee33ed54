package lucidsweep.server.gather.crawl;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.Charset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WebEncodingTest {

    @ParameterizedTest
    @CsvSource({
        "ISO-8859-1, windows-1252",
        "' Latin1 ', windows-1252",
        "us-ascii, windows-1252",
        "iso-8859-9, windows-1254",
        "gb2312, GBK",
        "utf8, UTF-8",
        "iso-8859-2, ISO-8859-2",
        "koi8-r, KOI8-R",
        "martian,",
        "'no charset at all',",
    })
    void labelsMeanWhatBrowsersTakeThemFor(String label, String encoding) {
        assertThat(WebEncoding.of(label)).isEqualTo(encoding);
    }

    @Test
    void quotationMarksAndTheEuroAreThereWhateverThePageCallsThem() {
        String html = "<meta charset=iso-8859-1><title>\u201cKayaks\u201d from \u20ac 40</title>";
        byte[] body = html.getBytes(Charset.forName("windows-1252"));
        String encoding = WebEncoding.ofPage(null, body);
        assertThat(new String(body, Charset.forName(encoding))).isEqualTo(html);
        assertThat(WebEncoding.ofPage("UTF-8", body))
                .as("the header goes first")
                .isEqualTo("UTF-8");
    }

    @Test
    void aPageThatSaysNothingIsReadAsItIsWritten() {
        assertThat(WebEncoding.ofPage(null, "<title>Grüße – 40 €</title>".getBytes(UTF_8)))
                .isEqualTo("UTF-8");
        byte[] cut = "<p>€".getBytes(UTF_8);
        assertThat(WebEncoding.ofPage(null, java.util.Arrays.copyOf(cut, cut.length - 1)))
                .isEqualTo("UTF-8");
        assertThat(WebEncoding.ofPage(null, "<title>Grüße</title>".getBytes(Charset.forName("windows-1252"))))
                .isEqualTo("windows-1252");
        assertThat(WebEncoding.ofPage(null, "<meta charset=utf-16><title>x".getBytes(UTF_8)))
                .isEqualTo("UTF-8");
    }
}
