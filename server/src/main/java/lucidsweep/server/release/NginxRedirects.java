package lucidsweep.server.release;

import java.util.regex.Pattern;
import lucidsweep.core.page.Redirects;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** A map for nginx, by the address as it was asked for, whatever its query. */
@Component
@Order(7)
final class NginxRedirects extends ServerRules {

    /** Browsers may ask for %c3 where the address has %C3. */
    private static final Pattern ENCODED = Pattern.compile("%\\p{XDigit}{2}");

    NginxRedirects() {
        super("nginx");
    }

    @Override
    String above() {
        return """
                # Include this file within http { ... }, and put into server { ... }:
                #     if ($moved_to) { return 301 $moved_to; }
                map $request_uri $moved_to {
                    default "";""";
    }

    @Override
    String line(Redirects.Redirect redirect) {
        String from = ENCODED.matcher(literal(path(redirect.from()))).replaceAll("(?i:$0)");
        String end = redirect.from().contains("?") ? "(&|$)" : "(\\?|$)";
        return "    \"~^" + from + end + "\" \"" + target(redirect.to()) + "\";";
    }

    /** An address in which no character means anything to the server. */
    private static String target(String address) {
        return address.replace("$", "%24").replace("\"", "%22").replace("\\", "%5C");
    }

    @Override
    String below() {
        return "}";
    }
}
