package lucidsweep.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import lucidsweep.server.database.DiskSpace;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/** Takes no more texts and files in once the disk is nearly full; looking, downloading, stopping and deleting go on. */
@Component
final class DiskSpaceFilter extends OncePerRequestFilter {

    private static final Set<String> WRITING = Set.of("POST", "PUT", "PATCH");
    private static final int INSUFFICIENT_STORAGE = 507;

    private final DiskSpace disk;
    private final JsonMapper json;

    DiskSpaceFilter(DiskSpace disk, JsonMapper json) {
        this.disk = disk;
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean stops = request.getRequestURI().endsWith("/stop");
        String shortage = WRITING.contains(request.getMethod()) && !stops ? disk.shortage() : null;
        if (shortage == null) {
            chain.doFilter(request, response);
            return;
        }
        response.setStatus(INSUFFICIENT_STORAGE);
        response.setContentType("application/problem+json");
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getWriter()
                .write(json.writeValueAsString(
                        Map.of("title", "Insufficient Storage", "status", INSUFFICIENT_STORAGE, "detail", shortage)));
    }
}
