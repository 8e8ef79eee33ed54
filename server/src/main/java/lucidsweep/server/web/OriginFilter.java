package lucidsweep.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets in only what was meant for this application: other sites' pages cannot reach it, neither by a name of their own
 * that leads to loopback nor by a form of theirs.
 */
@Component
final class OriginFilter extends OncePerRequestFilter {

    private static final Set<String> OWN_NAMES = Set.of("127.0.0.1", "localhost", "[::1]", "::1", "0:0:0:0:0:0:0:1");
    private static final String POLICY =
            "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; base-uri 'none'; form-action 'self';"
                    + " frame-ancestors 'none'";

    /** Answers that tell of an error are for our own pages, too. */
    @Override
    protected boolean shouldNotFilterErrorDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader("Content-Security-Policy", POLICY);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "no-referrer");
        String origin = request.getHeader("Origin");
        boolean own = OWN_NAMES.contains(request.getServerName()) && (origin == null || isOwn(origin, request));
        if (own) chain.doFilter(request, response);
        else {
            response.setStatus(HttpServletResponse.SC_FORBIDDEN);
            response.setContentType("application/problem+json");
            response.getWriter()
                    .write(
                            "{\"title\":\"Forbidden\",\"status\":403,\"detail\":\"Lucid Sweep answers only to its own pages on this machine.\"}");
        }
    }

    private static boolean isOwn(String origin, HttpServletRequest request) {
        try {
            URI from = URI.create(origin);
            return from.getHost() != null
                    && OWN_NAMES.contains(from.getHost())
                    && from.getPort() == request.getServerPort();
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
