package lucidsweep.server.release;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.page.Redirects.Redirect;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Redirects of addresses with odd characters, as they were seen to work in nginx 1.22 and Apache 2.4. */
class ServerRulesTest {

    private static final String SITE = "https://tarrin.example";

    private static Redirect redirect(String from, String to) {
        return new Redirect(SITE + from, SITE + to);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "/oars|/oars-of-ash|^/oars$|/oars-of-ash",
                "/oars.html|/ash.html|^/oars\\.html$|/ash.html",
                "/caf%C3%A9|/caf%C3%A9-am-kai|^/café$|/café-am-kai",
                "/two%20seats|/two-seats|^/two seats$|/two-seats",
                "/a+b(1)|/a$1|^/a\\+b\\(1\\)$|/a\\$1",
                "/50%25|/half%25|^/50%$|/half%",
            })
    void apacheComparesDecodedPathsAndEncodesWhereItSendsTo(String from, String to, String rule, String target) {
        assertThat(new ApacheRedirects().line(redirect(from, to)))
                .isEqualTo("RedirectMatch 301 \"" + rule + "\" \"" + SITE + target + "\"");
    }

    @ParameterizedTest
    @ValueSource(strings = {"/oars?a=1", "/a%2Fb", "/a%0Ab", "/a%22b", "/a%5Cb", "/a%23b", "/a%3Fb", "/a%FF", "/a%zz"})
    void whatARuleOfApacheCannotSayIsLeftToPeople(String address) {
        assertThat(new ApacheRedirects().line(redirect(address, "/new")))
                .startsWith("# ")
                .endsWith("by hand: " + SITE + address + " to " + SITE + "/new")
                .doesNotContain("\n");
        assertThat(new ApacheRedirects().line(redirect("/old", address))).startsWith("# ");
    }

    /** What nginx compares is the address as it was asked for, so a rule takes that one, with any query, and no other. */
    @ParameterizedTest
    @CsvSource(
            quoteCharacter = '`',
            value = {
                "/oars,/oars?x=1,/oars-2",
                "/oars.html,/oars.html?x=1,/oarsxhtml",
                "/caf%C3%A9,/caf%c3%a9,/caf%C3%A8",
                "/a+b(1),/a+b(1)?,/aab1",
                "/q?a=1,/q?a=1&b=2,/q?a=12",
                "/a|b[c]{2}^$,/a|b[c]{2}^$?x,/a",
                "/,/?x=1,/x",
            })
    void nginxTakesTheAddressAndNoOther(String from, String same, String other) {
        String line = new NginxRedirects().line(redirect(from, "/new$1\"\\"));
        Matcher parts = Pattern.compile("    \"~(.+)\" \"([^\"$\\\\]+)\";").matcher(line);
        assertThat(parts.matches()).as(line).isTrue();
        Pattern rule = Pattern.compile(parts.group(1));
        assertThat(rule.matcher(from).find()).as(line).isTrue();
        assertThat(rule.matcher(same).find()).as(line).isTrue();
        assertThat(rule.matcher(other).find()).as(line).isFalse();
        assertThat(parts.group(2)).isEqualTo(SITE + "/new%241%22%5C");
    }
}
