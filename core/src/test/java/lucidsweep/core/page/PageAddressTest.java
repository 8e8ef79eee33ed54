package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Addresses from links that nobody proofread: one form each, never an exception, never another host by accident. */
class PageAddressTest {

    @ParameterizedTest
    @CsvSource({
        "http://www.example.com/tours/index.html?ref=home, example.com/tours",
        "https://example.com/tours/, example.com/tours",
        "https://example.com/, example.com",
        "https://example.com/Default.aspx, example.com",
        "https://example.com/myindex.html, example.com/myindex.html",
        "https://shop.example.com:8443/a?x=/index.html, shop.example.com:8443/a",
    })
    void variantsOfOneAddressHaveOneKey(String address, String key) {
        assertThat(PageAddress.twinKey(address)).isEqualTo(key);
    }

    private static final URI BASE = URI.create("https://tarrin.example:8080/boats/kit/index.html?sort=price");
    private static final String[] PIECES = {
        "/",
        "//",
        "..",
        ".",
        "boats",
        "Kayak-Hire",
        "%20",
        "%zz",
        " ",
        "?",
        "a=1",
        "&",
        "#",
        "#top",
        ":",
        "http:",
        "https://",
        "tarrin.example",
        "é",
        "漢",
        "\\",
        "\"",
        "<b>",
        "[",
        "]",
        "{",
        "|",
        "^",
        "~",
        "_",
        ";",
        "\t",
        "\n",
        "@"
    };

    @Test
    void theNormalFormIsItsOwnNormalForm() {
        Random random = new Random(11);
        int met = 0;
        for (int i = 0; i < 20_000; i++) {
            String link = link(random);
            assertThat(PageAddress.slugWords(link)).as(link).isNotNull();
            assertThat(PageAddress.section(link)).as(link).isNotEmpty();
            URI once = PageAddress.resolve(BASE, link).orElse(null);
            if (once == null) continue;
            met++;
            assertThat(PageAddress.of(once.toString())).as(link).contains(once);
            assertThat(once.getScheme()).isIn("http", "https");
            assertThat(once.getRawFragment()).isNull();
            assertThat(once.getRawPath()).startsWith("/").doesNotContain("/../");
            assertThat(once.toString()).matches("\\p{ASCII}+");
        }
        assertThat(met).isGreaterThan(5_000);
    }

    @ParameterizedTest
    @CsvSource({
        "../hire/, https://tarrin.example:8080/boats/hire/",
        "../../../../hire, https://tarrin.example:8080/hire",
        "?page=2, https://tarrin.example:8080/boats/kit/index.html?page=2",
        "//Other.Example/x, https://other.example/x",
        "'  /tours/\n', https://tarrin.example:8080/tours/",
        "/a//b, https://tarrin.example:8080/a//b",
        "'', https://tarrin.example:8080/boats/kit/index.html?sort=price",
        "#top, https://tarrin.example:8080/boats/kit/index.html?sort=price",
        "hire\\prices, https://tarrin.example:8080/boats/kit/hire/prices",
        "/%7Ejo%c3%a9?q=[1], https://tarrin.example:8080/~jo%C3%A9?q=[1]",
        "/a|b, https://tarrin.example:8080/a%7Cb",
        "//user:pass@other.example, https://other.example/",
        "https://bücher.example/, https://xn--bcher-kva.example/",
        "/%2e%2e/x, https://tarrin.example:8080/x",
        "/50%, https://tarrin.example:8080/50%25",
        "http://tarrin.example:80, http://tarrin.example/",
    })
    void linksAreResolvedAsBrowsersDo(String link, String address) {
        assertThat(PageAddress.resolve(BASE, link)).contains(URI.create(address));
    }

    /** The examples of RFC 3986, section 5.4, but for the schemes we do not follow and for fragments. */
    @ParameterizedTest
    @CsvSource({
        "g, /b/c/g",
        "./g, /b/c/g",
        "g/, /b/c/g/",
        "/g, /g",
        "?y, /b/c/d;p?y",
        "g?y, /b/c/g?y",
        ";x, /b/c/;x",
        "g;x?y, /b/c/g;x?y",
        "'', /b/c/d;p?q",
        "., /b/c/",
        "./, /b/c/",
        ".., /b/",
        "../, /b/",
        "../g, /b/g",
        "../.., /",
        "../../g, /g",
        "../../../../g, /g",
        "/./g, /g",
        "/../g, /g",
        "g., /b/c/g.",
        "..g, /b/c/..g",
        "./../g, /b/g",
        "./g/., /b/c/g/",
        "g/./h, /b/c/g/h",
        "g/../h, /b/c/h",
        "g;x=1/../y, /b/c/y",
        "g?y/../x, /b/c/g?y/../x",
    })
    void referencesAreResolvedByTheStandard(String link, String path) {
        assertThat(PageAddress.resolve(URI.create("http://a/b/c/d;p?q"), link)).contains(URI.create("http://a" + path));
    }

    /** Slashes behind "http:" may be left out, or be too many; with the page's own scheme and none it is a path. */
    @ParameterizedTest
    @CsvSource({
        "http:///x/y, http://x/y",
        "https:/x, https://x/",
        "https:x/y?z, https://x/y?z",
        "http:x, http://a/b/c/x",
        "http:/x, http://a/x",
        "http:, http://a/b/c/d;p?q",
        "///x/y, http://x/y"
    })
    void linksOfTheWebAreReadAsBrowsersReadThem(String link, String address) {
        assertThat(PageAddress.resolve(URI.create("http://a/b/c/d;p?q"), link)).contains(URI.create(address));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "tel:+1555",
                "data:text/html,x",
                "ftp://tarrin.example/",
                "https://",
                "http://exa mple/",
                "JavaScript:alert(1)",
                "file:///etc/hosts",
                "about:blank"
            })
    void whatLeadsToNoPageIsNoAddress(String link) {
        assertThat(PageAddress.resolve(BASE, link)).isEmpty();
    }

    @Test
    void endlessAddressesAreLeftOut() {
        assertThat(PageAddress.of("https://tarrin.example/" + "a/".repeat(1_001)))
                .isEmpty();
        assertThat(PageAddress.of("https://tarrin.example/" + "a".repeat(1_900)))
                .isPresent();
        assertThat(PageAddress.of("https://tarrin.example/" + "é".repeat(1_000)))
                .isEmpty();
        URI far = URI.create("https://tarrin.example/" + "a".repeat(1_500) + "/");
        assertThat(PageAddress.resolve(far, "b".repeat(900))).isEmpty();
        assertThat(PageAddress.resolve(far, "/" + "é".repeat(900))).isEmpty();
    }

    private static String link(Random random) {
        StringBuilder link = new StringBuilder();
        for (int n = random.nextInt(7); n >= 0; n--) link.append(PIECES[random.nextInt(PIECES.length)]);
        return link.toString();
    }

    @Test
    void aPlainPathIsWhatItWouldBecomeAndNothingElseIsTakenForOne() {
        Random random = new Random(4);
        String signs = "/ab.?#%~\\é;";
        int plain = 0;
        for (int i = 0; i < 20_000; i++) {
            StringBuilder link = new StringBuilder("/");
            for (int n = random.nextInt(8); n > 0; n--) link.append(signs.charAt(random.nextInt(signs.length())));
            Reference whole = Reference.of(link.toString()).on(new Reference("https", "tarrin.example", "/", null));
            boolean same = whole.authority().equals("tarrin.example")
                    && whole.pathAndQuery().equals(link.toString());
            if (!Reference.isPlainPath(link.toString())) continue;
            plain++;
            assertThat(same).as(link.toString()).isTrue();
        }
        assertThat(plain).isGreaterThan(500);
    }

    @Test
    void whatIsTakenForNormalAtAGlanceIsWhatItWouldBecome() {
        Random random = new Random(5);
        String[] pieces = {
            "a", "B", "1", "-", ".", "/", "?", "#", "%41", "\\", "é", ":80", "@", "..", "uk", "bay.", "=", " "
        };
        int glanced = 0;
        for (int i = 0; i < 100_000; i++) {
            StringBuilder address = new StringBuilder(random.nextBoolean() ? "https://" : "http://");
            if (random.nextInt(3) > 0) address.append("bay.uk/");
            for (int n = random.nextInt(6); n > 0; n--) address.append(pieces[random.nextInt(pieces.length)]);
            if (!NormalAddress.is(address.toString())) continue;
            glanced++;
            // A space before it has it taken apart.
            assertThat(PageAddress.text(" " + address)).as(address.toString()).contains(address.toString());
        }
        assertThat(glanced).isGreaterThan(5_000);
    }
}
