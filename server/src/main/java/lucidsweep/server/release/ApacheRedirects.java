package lucidsweep.server.release;

import lucidsweep.core.page.Redirects;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Rules for the Apache HTTP Server (mod_alias), which go by the path alone. */
@Component
@Order(8)
final class ApacheRedirects extends RedirectFormat {

    ApacheRedirects() {
        super("apache", "conf");
    }

    @Override
    String above() {
        return "# For the Apache HTTP Server, in its configuration or in .htaccess";
    }

    @Override
    String line(Redirects.Redirect redirect) {
        if (redirect.from().contains("?")) {
            return "# Not by path alone, so set this up by hand: " + redirect.from() + " to " + redirect.to();
        }
        return "RedirectMatch 301 \"^" + literalPath(redirect.from()) + "$\" \"" + target(redirect.to()) + "\"";
    }
}
