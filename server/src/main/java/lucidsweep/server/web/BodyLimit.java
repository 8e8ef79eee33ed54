package lucidsweep.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Limits the bodies of requests that are read into memory; files are uploaded as forms, whose parts go to disk. */
@Component
final class BodyLimit extends OncePerRequestFilter {

    static final long MAX_BYTES = 64_000_000;

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String type = request.getContentType();
        return type != null && type.startsWith("multipart/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getContentLengthLong() <= MAX_BYTES) {
            chain.doFilter(new Limited(request), response);
            return;
        }
        response.setStatus(HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE);
        response.setContentType("application/problem+json");
        response.getWriter()
                .write(
                        "{\"title\":\"Content Too Large\",\"status\":413,\"detail\":\"a request may have 64 MB at most\"}");
    }

    /** A request that did not say how long it is ends where it grows too long. */
    private static final class Limited extends HttpServletRequestWrapper {

        private Limited(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new LimitedStream(super.getInputStream());
        }
    }

    private static final class LimitedStream extends ServletInputStream {
        private final ServletInputStream in;
        private long read;

        private LimitedStream(ServletInputStream in) {
            this.in = in;
        }

        @Override
        public int read() throws IOException {
            int value = in.read();
            if (value >= 0) count(1);
            return value;
        }

        @Override
        public int read(byte[] bytes, int from, int length) throws IOException {
            int got = in.read(bytes, from, length);
            if (got > 0) count(got);
            return got;
        }

        private void count(int bytes) {
            read += bytes;
            if (read > MAX_BYTES) throw Refusal.badInput("a request may have 64 MB at most");
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
