package lucidsweep.server.gather.crawl;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.locks.LockSupport;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.GZIPOutputStream;
import lucidsweep.core.page.PageAddress;
import org.apache.hc.client5.http.SystemDefaultDnsResolver;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Servers that mean harm or do not know better, byte by byte: each ends in an answer or a reason, within the limits. */
class FetcherTest {

    private static final int MAX = 5_000_000;

    private final Fetcher fetcher =
            new Fetcher(new AddressGuard(true), Login.NONE, null, new Fetcher.Patience(1, 1, 2), Agent.USUAL);
    private ServerSocket server;

    /** Writes an answer to whatever is asked. */
    @FunctionalInterface
    private interface Behaviour {
        void answer(OutputStream out) throws IOException;
    }

    @BeforeEach
    void open() throws IOException {
        server = new ServerSocket(0, 10, InetAddress.getLoopbackAddress());
    }

    @AfterEach
    void close() throws IOException {
        server.close();
        fetcher.close();
    }

    private Fetched fetch(Behaviour behaviour) throws Fetcher.Unreachable {
        Thread thread = new Thread(() -> {
            try (Socket socket = server.accept()) {
                socket.getInputStream().read(new byte[4_096]);
                behaviour.answer(socket.getOutputStream());
            } catch (IOException readerLeft) {
                return;
            }
        });
        thread.setDaemon(true);
        thread.start();
        return fetcher.get(URI.create("http://127.0.0.1:" + server.getLocalPort() + "/"));
    }

    private static void write(OutputStream out, String text) throws IOException {
        out.write(text.getBytes(StandardCharsets.ISO_8859_1));
        out.flush();
    }

    private static String head(String more) {
        return "HTTP/1.1 200 OK\r\nContent-Type: text/html\r\n" + more + "\r\n";
    }

    @Test
    void asksForWhatABrowserWouldAskFor() throws Exception {
        CompletableFuture<String> line = new CompletableFuture<>();
        Thread thread = new Thread(() -> {
            try (Socket socket = server.accept()) {
                byte[] request = new byte[4_096];
                int count = socket.getInputStream().read(request);
                line.complete(new String(request, 0, count, StandardCharsets.ISO_8859_1)
                        .lines()
                        .findFirst()
                        .orElse(""));
                write(socket.getOutputStream(), head("Content-Length: 0\r\n"));
            } catch (IOException e) {
                line.completeExceptionally(e);
            }
        });
        thread.start();
        URI page = URI.create("http://127.0.0.1:" + server.getLocalPort() + "/tours/");
        PageAddress.Destination to =
                PageAddress.destination(page, "a|b[1]%zz%c3?q={x}|^'").orElseThrow();
        fetcher.get(URI.create(to.address()), to.asked());
        assertThat(line.get()).isEqualTo("GET /tours/a%7Cb[1]%zz%c3?q={x}|^%27 HTTP/1.1");
        thread.join();
    }

    @Test
    void headersWithoutEndAreLeft() {
        assertThatThrownBy(() -> fetch(out -> {
                    write(out, "HTTP/1.1 200 OK\r\n");
                    while (true) write(out, "X-More: of the same\r\n");
                }))
                .isInstanceOf(Fetcher.Unreachable.class)
                .hasMessageContaining("broke off");
        assertThatThrownBy(() -> fetch(out -> {
                    write(out, "HTTP/1.1 200 OK\r\nX-Long: ");
                    while (true) write(out, "x".repeat(8_000));
                }))
                .isInstanceOf(Fetcher.Unreachable.class)
                .hasMessageContaining("broke off");
    }

    @Test
    void aBodyWithoutEndIsCutOff() throws Fetcher.Unreachable {
        Fetched fetched = fetch(out -> {
            write(out, head(""));
            while (true) write(out, "<p>more of the same</p>".repeat(400));
        });
        assertThat(fetched.cutOff()).isTrue();
        assertThat(fetched.body()).hasSize(MAX);
    }

    @Test
    void aServerThatDripsIsLeft() {
        assertThatThrownBy(() -> fetch(out -> {
                    write(out, head(""));
                    while (true) {
                        write(out, "x");
                        LockSupport.parkNanos(50_000_000);
                    }
                }))
                .hasMessage("the answer was not whole within 2 s");
        assertThatThrownBy(() -> fetch(out -> LockSupport.parkNanos(3_000_000_000L)))
                .hasMessage("no answer within 1 s");
    }

    @ParameterizedTest
    @CsvSource({"100, broke off", "-7, broke off", "many, broke off"})
    void lengthsThatAreNotTrue(String length, String says) {
        assertThatThrownBy(() -> fetch(out -> write(out, head("Content-Length: " + length + "\r\n") + "<title>x")))
                .isInstanceOf(Fetcher.Unreachable.class)
                .hasMessageContaining(says);
    }

    @Test
    void whatIsNoHttpAtAll() {
        assertThatThrownBy(() -> fetch(out -> write(out, "\0\1\2 220 mail.example ready\r\n\r\n")))
                .isInstanceOf(Fetcher.Unreachable.class);
        assertThatThrownBy(() -> fetch(out -> write(out, head("Transfer-Encoding: chunked\r\n") + "zz\r\nabc")))
                .isInstanceOf(Fetcher.Unreachable.class);
    }

    @Test
    void nullBytesAndHeadersOfAnyLetters() throws Fetcher.Unreachable {
        Fetched fetched = fetch(out -> write(
                out,
                head(
                                "Content-Length: 10\r\nX-Robots-Tag: no\0index\u00ff\r\nRetry-After: soon\r\nLink: <<>; rel=next\r\n")
                        + "<b>\0\0</b>x"));
        assertThat(fetched.body()).hasSize(10);
        assertThat(fetched.retryAfterMs()).isZero();
        assertThat(fetched.next()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"gzip, gzip", "x-gzip, gzip", "deflate, zlib", "deflate, raw"})
    void packedBodiesAreUnpackedUpToTheLimit(String encoding, String format) throws IOException, Fetcher.Unreachable {
        byte[] page = "<title>Packed</title>".getBytes(StandardCharsets.US_ASCII);
        assertThat(fetchPacked(encoding, packed(page, format)).body()).isEqualTo(page);
        byte[] zeros = new byte[50_000_000];
        Arrays.fill(zeros, (byte) ' ');
        Fetched bomb = fetchPacked(encoding, packed(zeros, format));
        assertThat(bomb.cutOff()).isTrue();
        assertThat(bomb.body()).hasSize(MAX);
        assertThatThrownBy(() -> fetchPacked(encoding, "this is not packed".getBytes(StandardCharsets.US_ASCII)))
                .isInstanceOf(Fetcher.Unreachable.class)
                .hasMessageContaining("broke off");
    }

    @Test
    void brotliIsUnpacked() throws Fetcher.Unreachable {
        byte[] packed = Base64.getDecoder().decode("GyYA+B2pVZ80GqpfhJaodBgIj9zMk1vrQkJhRRadwAYvfAQXaiTcJxkB");
        assertThat(fetchPacked("br", packed).body()).asString().isEqualTo("<title>Kayak hire in Tarrin Bay</title>");
        assertThatThrownBy(() -> fetchPacked("br", "this is not packed".getBytes(StandardCharsets.US_ASCII)))
                .isInstanceOf(Fetcher.Unreachable.class)
                .hasMessageContaining("broke off");
    }

    private Fetched fetchPacked(String encoding, byte[] body) throws Fetcher.Unreachable {
        return fetch(out -> {
            write(
                    out,
                    head("Connection: close\r\nContent-Encoding: " + encoding + "\r\nContent-Length: " + body.length
                            + "\r\n"));
            out.write(body);
        });
    }

    private static byte[] packed(byte[] body, String format) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (OutputStream out = format.equals("gzip")
                ? new GZIPOutputStream(bytes)
                : new DeflaterOutputStream(bytes, new Deflater(9, format.equals("raw")))) {
            out.write(body);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    @Test
    void theNextPageOfAList() throws Fetcher.Unreachable {
        String links = "Link: </style.css>; rel=preload, </videos?page=2>; title=\"more\"; rel=\"next\"\r\n";
        assertThat(fetch(out -> write(out, head(links + "Content-Length: 0\r\n")))
                        .next())
                .isEqualTo("/videos?page=2");
    }

    @Test
    void aNameThatLeadsElsewhereTheSecondTimeIsNotFollowedThere() throws Exception {
        byte[][] answers = {{(byte) 198, 51, 100, 7}, {127, 0, 0, 1}};
        int[] asked = {0};
        AddressGuard guard = new AddressGuard(false, new SystemDefaultDnsResolver() {
            @Override
            public InetAddress[] resolve(String host) throws UnknownHostException {
                return new InetAddress[] {InetAddress.getByAddress(host, answers[asked[0]++])};
            }
        });
        URI address = URI.create("http://turncoat.example:" + server.getLocalPort() + "/");
        assertThat(guard.objection(address)).isEmpty();
        try (Fetcher guarded = new Fetcher(guard, Login.NONE, null, new Fetcher.Patience(1, 1, 2), Agent.USUAL)) {
            assertThatThrownBy(() -> guarded.get(address))
                    .isInstanceOf(Fetcher.Unreachable.class)
                    .hasMessageContaining("turncoat.example leads to the private address 127.0.0.1");
        }
    }
}
