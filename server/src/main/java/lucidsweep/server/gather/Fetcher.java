package lucidsweep.server.gather;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpConnectTimeoutException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpTimeoutException;
import java.time.Duration;
import java.util.Locale;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.zip.GZIPInputStream;
import javax.net.ssl.SSLException;

/** Asks a server for one address; follows nothing, reads so much and waits so long, no more. */
final class Fetcher implements AutoCloseable {

    static final String AGENT = "lucidsweep";
    private static final String USER_AGENT = "LucidSweep/1 (an SEO consultant's crawler)";
    private static final int MOST_BYTES = 5_000_000;
    private static final Duration CONNECT = Duration.ofSeconds(10);
    private static final Duration ANSWER = Duration.ofSeconds(20);
    private static final int BODY_SECONDS = 40;

    private final HttpClient http = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .followRedirects(HttpClient.Redirect.NEVER)
            .connectTimeout(CONNECT)
            .build();
    private final ScheduledThreadPoolExecutor watch = new ScheduledThreadPoolExecutor(1, task -> {
        Thread thread = new Thread(task, "fetch-watch");
        thread.setDaemon(true);
        return thread;
    });

    Fetcher() {
        watch.setRemoveOnCancelPolicy(true);
    }

    /** Nobody answered, or not in time; the message says which. */
    static final class Unreachable extends Exception {
        private static final long serialVersionUID = 1L;

        Unreachable(String message, Throwable cause) {
            super(message, cause);
        }
    }

    Fetched get(URI address) throws Unreachable, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(address)
                .timeout(ANSWER)
                .header("User-Agent", USER_AGENT)
                .header("Accept", "text/html,application/xhtml+xml;q=0.9,*/*;q=0.1")
                .header("Accept-Encoding", "gzip")
                .build();
        long start = System.nanoTime();
        try {
            HttpResponse<InputStream> response = http.send(request, HttpResponse.BodyHandlers.ofInputStream());
            try (InputStream body = response.body()) {
                return read(response, body, start);
            }
        } catch (HttpConnectTimeoutException e) {
            throw new Unreachable("no connection within " + CONNECT.toSeconds() + " s", e);
        } catch (HttpTimeoutException e) {
            throw new Unreachable("no answer within " + ANSWER.toSeconds() + " s", e);
        } catch (ConnectException e) {
            throw new Unreachable("nobody answers at " + address.getAuthority(), e);
        } catch (SSLException e) {
            throw new Unreachable("no secure connection to " + address.getAuthority() + ": " + e.getMessage(), e);
        } catch (IOException | IllegalArgumentException e) {
            throw new Unreachable("the answer broke off: " + e.getMessage(), e);
        }
    }

    private Fetched read(HttpResponse<InputStream> response, InputStream body, long start) throws IOException {
        ScheduledFuture<?> tooSlow = watch.schedule(() -> closeQuietly(body), BODY_SECONDS, TimeUnit.SECONDS);
        try {
            boolean gzip =
                    response.headers().firstValue("content-encoding").orElse("").equalsIgnoreCase("gzip");
            ByteArrayOutputStream out = new ByteArrayOutputStream(32_768);
            boolean cutOff = copy(gzip ? new GZIPInputStream(body, 8192) : body, out);
            String type = response.headers().firstValue("content-type").orElse("");
            return new Fetched(
                    response.statusCode(),
                    type.split(";")[0].strip().toLowerCase(Locale.ROOT),
                    charset(type),
                    response.headers().firstValue("location").orElse(""),
                    robots(response),
                    out.toByteArray(),
                    cutOff,
                    (int) TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - start));
        } finally {
            tooSlow.cancel(false);
        }
    }

    private static boolean copy(InputStream in, ByteArrayOutputStream out) throws IOException {
        byte[] chunk = new byte[16_384];
        for (int count; (count = in.read(chunk)) >= 0; ) {
            int room = MOST_BYTES - out.size();
            out.write(chunk, 0, Math.min(room, count));
            if (count > room) return true;
        }
        return false;
    }

    /** A tag for another agent ("otherbot: noindex") does not concern us. */
    private static String robots(HttpResponse<?> response) {
        return String.join(
                ", ",
                response.headers().allValues("x-robots-tag").stream()
                        .map(String::strip)
                        .map(tag -> tag.toLowerCase(Locale.ROOT).startsWith(AGENT + ":")
                                ? tag.substring(AGENT.length() + 1).strip()
                                : tag)
                        .filter(tag -> !tag.matches("[A-Za-z0-9_*-]+\\s*:.*") || tag.startsWith("unavailable_after"))
                        .toList());
    }

    private static String charset(String contentType) {
        for (String part : contentType.split(";")) {
            String[] pair = part.strip().split("=", 2);
            if (pair.length == 2 && pair[0].strip().equalsIgnoreCase("charset")) {
                String name = pair[1].strip().replace("\"", "").replace("'", "");
                try {
                    return java.nio.charset.Charset.isSupported(name) ? name : null;
                } catch (IllegalArgumentException e) {
                    return null;
                }
            }
        }
        return null;
    }

    private static void closeQuietly(InputStream body) {
        try {
            body.close();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        watch.shutdownNow();
    }
}
