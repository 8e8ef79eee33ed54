package lucidsweep.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.regex.Pattern;
import lucidsweep.core.page.PageAddress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;

/**
 * Links lead where Chromium says that they lead (WHATWG URL Standard), on thousands of odd ones, and ask for the very same
 * letters. What differs is only how an address is kept: ours has no name of a user, encodes what RFC 3986 does not allow, and
 * nothing else.
 */
@ExtendWith(Started.class)
@Execution(ExecutionMode.SAME_THREAD)
class LinkTest {

    private static final String BASE = "https://tarrin.example/tours/sea/day.html?tide=high";
    private static final int LINKS = 6_000;
    private static final String[] PIECES = {
        "a",
        "B",
        "kayak",
        "otter point",
        "é",
        "日本",
        "/",
        "/",
        "//",
        "\\",
        ".",
        "..",
        "./",
        "../",
        "?",
        "?x=1",
        "&y=2",
        "#",
        "#top",
        "%20",
        "%41",
        "%zz",
        "%",
        "%2f",
        "%C3%A9",
        "|",
        "^",
        "[",
        "]",
        "{",
        "}",
        "`",
        "\"",
        "<",
        ">",
        "'",
        "(",
        ")",
        "*",
        "!",
        "~",
        "+",
        ",",
        ";",
        "=",
        "@",
        ":",
        "$",
        " ",
        "\t",
        "\n",
        "http:",
        "https:",
        "HTTPS://",
        "http://",
        "//cove.example",
        "cove.example",
        ":443",
        ":80",
        ":8080",
        "mailto:",
        "javascript:",
        "tel:",
        "user:pw@",
        "%2e",
        "%2E%2e",
        "\u00AD",
        "😀",
        "&amp;",
        "index.html"
    };
    private static final Pattern KNOWABLE =
            Pattern.compile("^https?://[a-z0-9]([a-z0-9-]*[a-z0-9])?(\\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*[.]?(:\\d+)?/");
    private static final Pattern ESCAPE = Pattern.compile("%([0-9A-Fa-f]{2})");
    private static final Pattern LONE_PERCENT = Pattern.compile("%(?![0-9A-Fa-f]{2})");

    @Test
    void leadWhereChromiumSays(Started.Stage stage) {
        List<String> links = links();
        List<String> wrong = new ArrayList<>();
        try (Page page = stage.browser().newPage()) {
            @SuppressWarnings("unchecked")
            List<List<String>> theirs = (List<List<String>>) page.evaluate(
                    "([links, base]) => links.map(l => { try { const u = new URL(l, base); u.hash = ''; u.username = '';"
                            + " u.password = ''; return /^https?:$/.test(u.protocol) ? [u.href, u.href.slice(u.origin.length)] : ['', '']; } catch { return ['', '']; } })",
                    List.of(links, BASE));
            for (int i = 0; i < links.size(); i++) {
                PageAddress.Destination ours = PageAddress.destination(URI.create(BASE), links.get(i))
                        .orElse(new PageAddress.Destination("", ""));
                String address = asOurs(theirs.get(i).get(0));
                String asked = address.isEmpty() ? "" : theirs.get(i).get(1);
                if (!ours.address().equals(address) || !asked(ours).equals(asked)) {
                    wrong.add("“" + links.get(i) + "” " + ours + " but " + address + " " + asked);
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    /** The path and query that we ask for. */
    private static String asked(PageAddress.Destination to) {
        if (to.asked() != null) return to.asked();
        URI address = URI.create(to.address());
        return address.getRawPath() + (address.getRawQuery() == null ? "" : "?" + address.getRawQuery());
    }

    /** The same address as we write it; none where its host is one that no name server can know. */
    private static String asOurs(String href) {
        if (!KNOWABLE.matcher(href).find()) return "";
        String whole = LONE_PERCENT.matcher(href).replaceAll("%25");
        String escaped = ESCAPE.matcher(whole).replaceAll(found -> {
            char c = (char) Integer.parseInt(found.group(1), 16);
            boolean plain = c < 0x80 && (Character.isLetterOrDigit(c) || "-._~'".indexOf(c) >= 0);
            return plain ? String.valueOf(c) : found.group().toUpperCase(Locale.ROOT);
        });
        int query = escaped.indexOf('?');
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < escaped.length(); i++) {
            char c = escaped.charAt(i);
            boolean inQuery = query >= 0 && i > query;
            boolean encode = "|^`{}\"<>\\".indexOf(c) >= 0 || !inQuery && "[]".indexOf(c) >= 0;
            out.append(encode ? "%%%02X".formatted((int) c) : String.valueOf(c));
        }
        return out.toString();
    }

    private static List<String> links() {
        Random random = new Random(16);
        List<String> links = new ArrayList<>();
        while (links.size() < LINKS) {
            StringBuilder link = new StringBuilder();
            for (int n = 1 + random.nextInt(6); n > 0; n--) link.append(PIECES[random.nextInt(PIECES.length)]);
            links.add(link.toString());
        }
        return links;
    }
}
