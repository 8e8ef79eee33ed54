package lucidsweep.server.gather.crawl;

import java.io.IOException;
import java.io.InputStream;
import java.io.PushbackInputStream;
import java.net.ConnectException;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.GZIPInputStream;
import java.util.zip.Inflater;
import java.util.zip.InflaterInputStream;
import javax.net.ssl.SSLException;
import org.apache.hc.client5.http.ConnectTimeoutException;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.ManagedHttpClientConnectionFactory;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.client5.http.routing.RoutingSupport;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.Header;
import org.apache.hc.core5.http.HttpEntity;
import org.apache.hc.core5.http.HttpException;
import org.apache.hc.core5.http.HttpResponse;
import org.apache.hc.core5.http.config.Http1Config;
import org.apache.hc.core5.util.Timeout;
import org.brotli.dec.BrotliInputStream;

/** Asks a server for one address; follows nothing, reads so much and waits so long, no more. */
public final class Fetcher implements AutoCloseable {

    private static final int MAX_BYTES = 5_000_000;
    private static final int MAX_HEADERS = 200;
    private static final int LONGEST_HEADER = 64_000;
    private static final int BUFFER = 32_768;
    private static final int MAX_CONNECTIONS = 32;
    private static final Pattern NEXT = Pattern.compile("<([^<>]{1,2000})>[^<>,]{0,200};\\s*rel\\s*=\\s*\"?next\"?");
    private static final Pattern FOR_AN_AGENT = Pattern.compile("[A-Za-z0-9_*-]+\\s*:.*");

    private final CloseableHttpClient http;
    private final ScheduledThreadPoolExecutor watch = new ScheduledThreadPoolExecutor(1, task -> {
        Thread thread = new Thread(task, "fetch-watch");
        thread.setDaemon(true);
        return thread;
    });

    private final Login login;
    private final URI home;
    private final Patience patience;
    private final Agent agent;

    /** How long a fetcher waits, in seconds: for a connection, between two signs of life, and for an answer in all. */
    public record Patience(int connect, int silence, int all) {
        public static final Patience USUAL = new Patience(10, 20, 40);
    }

    /** A fetcher without a login. */
    public Fetcher(AddressGuard guard) {
        this(guard, Login.NONE, null, Patience.USUAL, Agent.USUAL);
    }

    /**
     * A fetcher that logs in at one host.
     *
     * @param home the address of the property whose login it is
     */
    public Fetcher(AddressGuard guard, Login login, URI home, Patience patience, Agent agent) {
        this.login = login;
        this.home = home;
        this.patience = patience;
        this.agent = agent;
        watch.setRemoveOnCancelPolicy(true);
        http = client(guard, patience);
    }

    /**
     * A client that does what it is told and nothing of its own: no redirects, tries, cookies or logins. The guard is asked for
     * every connection, so that a name cannot lead elsewhere than it did when it was checked.
     */
    private static CloseableHttpClient client(AddressGuard guard, Patience patience) {
        return HttpClients.createMinimal(PoolingHttpClientConnectionManagerBuilder.create()
                .setDnsResolver(guard)
                .setMaxConnTotal(MAX_CONNECTIONS)
                .setMaxConnPerRoute(MAX_CONNECTIONS)
                .setDefaultConnectionConfig(ConnectionConfig.custom()
                        .setConnectTimeout(Timeout.ofSeconds(patience.connect))
                        .setSocketTimeout(Timeout.ofSeconds(patience.silence))
                        .build())
                .setConnectionFactory(ManagedHttpClientConnectionFactory.builder()
                        .http1Config(Http1Config.custom()
                                .setMaxHeaderCount(MAX_HEADERS)
                                .setMaxLineLength(LONGEST_HEADER)
                                .setBufferSize(BUFFER)
                                .build())
                        .build())
                .build());
    }

    /** Nobody answered, or not in time; the message says which. */
    public static final class Unreachable extends Exception {
        private static final long serialVersionUID = 1L;

        Unreachable(String message, Throwable cause) {
            super(message, cause);
        }
    }

    public Fetched get(URI address) throws Unreachable {
        return get(address, null);
    }

    /** The same for a path and query that need not be those of the address, as a browser would ask; null for those. */
    Fetched get(URI address, String asked) throws Unreachable {
        HttpGet request = new HttpGet(address);
        if (asked != null) request.setPath(asked);
        request.setHeader("User-Agent", agent.header());
        request.setHeader("Accept", "text/html,application/xhtml+xml;q=0.9,*/*;q=0.1");
        request.setHeader("Accept-Encoding", "gzip, deflate, br");
        if (!login.isNone() && Login.mayGo(address, home)) {
            if (!login.user().isEmpty()) request.setHeader("Authorization", login.basic());
            if (!login.header().isEmpty()) request.setHeader(login.header(), login.value());
        }
        long start = System.nanoTime();
        ScheduledFuture<?> tooSlow = watch.schedule(request::abort, patience.all, TimeUnit.SECONDS);
        try (ClassicHttpResponse response = http.executeOpen(RoutingSupport.determineHost(request), request, null)) {
            return read(response, start);
        } catch (ConnectTimeoutException e) {
            throw new Unreachable("no connection within " + patience.connect + " s", e);
        } catch (SocketTimeoutException e) {
            throw new Unreachable("no answer within " + patience.silence + " s", e);
        } catch (ConnectException e) {
            throw new Unreachable("nobody answers at " + address.getAuthority(), e);
        } catch (UnknownHostException e) {
            throw new Unreachable(e.getMessage(), e);
        } catch (SSLException e) {
            throw new Unreachable("no secure connection to " + address.getAuthority() + ": " + e.getMessage(), e);
        } catch (IOException | HttpException | IllegalArgumentException e) {
            if (request.isAborted()) throw new Unreachable("the answer was not whole within " + patience.all + " s", e);
            throw new Unreachable("the answer broke off: " + e.getMessage(), e);
        } finally {
            tooSlow.cancel(false);
        }
    }

    /** A body that is longer than the limit is left where it is; closing the answer then closes the connection. */
    private Fetched read(ClassicHttpResponse response, long start) throws IOException {
        HttpEntity entity = response.getEntity();
        InputStream in = entity == null ? InputStream.nullInputStream() : unpacked(entity);
        byte[] body = in.readNBytes(MAX_BYTES);
        boolean cutOff = body.length == MAX_BYTES && in.read() >= 0;
        String type = header(response, "content-type");
        return new Fetched(
                response.getCode(),
                type.split(";")[0].strip().toLowerCase(Locale.ROOT),
                charset(type),
                header(response, "location"),
                robots(response),
                header(response, "retry-after").strip(),
                next(response),
                body,
                cutOff,
                (int) TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - start));
    }

    private static InputStream unpacked(HttpEntity entity) throws IOException {
        InputStream body = entity.getContent();
        String encoding = entity.getContentEncoding() == null
                ? ""
                : entity.getContentEncoding().toLowerCase(Locale.ROOT);
        if (encoding.equals("br")) return new BrotliInputStream(body);
        if (encoding.equals("gzip") || encoding.equals("x-gzip")) return new GZIPInputStream(body, 8192);
        if (!encoding.equals("deflate")) return body;
        // Servers send either the zlib format that the name stands for, or bare deflate.
        PushbackInputStream start = new PushbackInputStream(body, 1);
        int first = start.read();
        if (first < 0) return start;
        start.unread(first);
        return new InflaterInputStream(start, new Inflater((first & 0x0F) != 8));
    }

    private static String header(HttpResponse response, String name) {
        Header header = response.getFirstHeader(name);
        return header == null || header.getValue() == null ? "" : header.getValue();
    }

    /** A tag for another agent ("otherbot: noindex") does not concern us. */
    private String robots(HttpResponse response) {
        List<String> ours = new ArrayList<>(1);
        for (Header header : response.getHeaders("x-robots-tag")) {
            String tag = header.getValue() == null ? "" : header.getValue().strip();
            if (tag.toLowerCase(Locale.ROOT).startsWith(agent.token() + ":")) {
                tag = tag.substring(agent.token().length() + 1).strip();
            }
            boolean others = FOR_AN_AGENT.matcher(tag).matches() && !tag.startsWith("unavailable_after");
            if (!others) ours.add(tag);
        }
        return String.join(", ", ours);
    }

    private static String next(HttpResponse response) {
        for (Header header : response.getHeaders("link")) {
            Matcher link = NEXT.matcher(header.getValue() == null ? "" : header.getValue());
            if (link.find()) return link.group(1).strip();
        }
        return "";
    }

    private static String charset(String contentType) {
        for (String part : contentType.split(";")) {
            String[] pair = part.strip().split("=", 2);
            if (pair.length == 2 && pair[0].strip().equalsIgnoreCase("charset")) {
                return WebEncoding.of(pair[1].strip().replace("\"", "").replace("'", ""));
            }
        }
        return null;
    }

    Agent agent() {
        return agent;
    }

    @Override
    public void close() {
        watch.shutdownNow();
        try {
            http.close();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
