package lucidsweep.server.release;

import lucidsweep.core.page.Redirects;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** A map for nginx, by the address as it was asked for, whatever its query. */
@Component
@Order(7)
final class NginxRedirects extends RedirectFormat {

    NginxRedirects() {
        super("nginx", "conf");
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
        String end = redirect.from().contains("?") ? "(&|$)" : "(\\?|$)";
        return "    \"~^" + literalPath(redirect.from()) + end + "\" \"" + target(redirect.to()) + "\";";
    }

    @Override
    String below() {
        return "}";
    }
}
