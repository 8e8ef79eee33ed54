package lucidsweep.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import lucidsweep.server.database.Durability;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * What a request changed is on disk before it is answered: nothing that was confirmed is lost in a power cut. A request that
 * {@linkplain AwaitsDisk sees to that itself} is answered at once.
 */
@Component
final class DurableResponseFilter extends OncePerRequestFilter {

    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

    private final Durability durability;

    DurableResponseFilter(Durability durability) {
        this.durability = durability;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return READING.contains(request.getMethod());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        ContentCachingResponseWrapper answer = new ContentCachingResponseWrapper(response);
        chain.doFilter(request, answer);
        if (!awaitsDiskItself(request)) durability.await();
        answer.copyBodyToResponse();
    }

    private static boolean awaitsDiskItself(HttpServletRequest request) {
        return request.getAttribute(HandlerMapping.BEST_MATCHING_HANDLER_ATTRIBUTE) instanceof HandlerMethod handler
                && handler.hasMethodAnnotation(AwaitsDisk.class);
    }
}
