package lucidsweep.server.release;

import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import lucidsweep.core.page.Redirects;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriUtils;

/** Rules for the Apache HTTP Server (mod_alias), which go by the path alone. */
@Component
@Order(8)
final class ApacheRedirects extends ServerRules {

    private static final Pattern MEANT_ENCODED = Pattern.compile("(?i)%2f");
    private static final Pattern ODD = Pattern.compile("[\\p{Cntrl}?#\"\\\\\uFFFD]");

    ApacheRedirects() {
        super("apache");
    }

    @Override
    String above() {
        return "# For the Apache HTTP Server, in its configuration or in .htaccess";
    }

    @Override
    String line(Redirects.Redirect redirect) {
        try {
            String from = literal(decoded(path(redirect.from())));
            String to = decoded(redirect.to()).replace("$", "\\$");
            return "RedirectMatch 301 \"^" + from + "$\" \"" + to + "\"";
        } catch (IllegalArgumentException e) {
            return "# " + e.getMessage() + ", so set this up by hand: " + redirect.from() + " to " + redirect.to();
        }
    }

    /** The server compares with the decoded path, and encodes where it sends to: an encoded one it would encode twice. */
    private static String decoded(String address) {
        if (address.contains("?")) throw new IllegalArgumentException("Not by path alone");
        String decoded = UriUtils.decode(address, StandardCharsets.UTF_8);
        if (MEANT_ENCODED.matcher(address).find() || ODD.matcher(decoded).find()) {
            throw new IllegalArgumentException("Characters that a rule cannot say");
        }
        return decoded;
    }
}
