package lucidsweep.server.outside;

import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.function.BooleanSupplier;
import lucidsweep.server.gather.crawl.AddressGuard;
import lucidsweep.server.web.Refusal;

/**
 * Asks a service of somebody else over HTTP. A rest that it asks for is kept by all that ask, a fault of its own is asked
 * again after growing rests. Safe for use by many threads.
 */
public final class PatientClient {

    private static final int TRIES = 5;
    private static final int RESTS_KEPT = 20;
    private static final int MAX_BYTES = 1_000_000;
    private static final long FIRST_REST_MS = 500;
    private static final long LONGEST_REST_MS = 60_000;
    private static final int SHOWN = 120;

    private final AddressGuard guard;
    private final Duration patience;
    private final HttpClient http = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(Duration.ofSeconds(10))
            .followRedirects(HttpClient.Redirect.NEVER)
            .build();
    private volatile long restUntil;

    /** @param patience how long an answer is waited for */
    public PatientClient(AddressGuard guard, Duration patience) {
        this.guard = guard;
        this.patience = patience;
    }

    /**
     * What was answered.
     *
     * @param retried how often it had to be asked again
     */
    public record Answer<T>(T content, int retried) {}

    /** Makes sense of an answer; one that makes none is an {@link IOException}, and is asked for again. */
    @FunctionalInterface
    public interface Reader<T> {
        T read(int status, String text) throws IOException;
    }

    /** The service gave no answer to one request, whatever was tried; others may fare better. */
    public static final class NoAnswer extends Exception {

        private static final long serialVersionUID = 1L;

        public NoAnswer(String why) {
            super(why);
        }
    }

    /**
     * Asks until there is an answer.
     *
     * @param reader gets any answer but rests (429) and faults of the service (5xx)
     * @param stopped whether nobody waits for the answer any more
     * @throws Refusal where the address may not be asked
     */
    public <T> Answer<T> ask(HttpRequest.Builder request, Reader<T> reader, BooleanSupplier stopped)
            throws NoAnswer, InterruptedException {
        return ask(request, reader, stopped, TRIES);
    }

    /**
     * Asks once: where no answer comes, nobody knows what was done. A rest that is asked for is kept, and is no answer.
     *
     * @throws Refusal where the address may not be asked
     */
    public <T> T askOnce(HttpRequest.Builder request, Reader<T> reader, BooleanSupplier stopped)
            throws NoAnswer, InterruptedException {
        return ask(request, reader, stopped, 1).content;
    }

    private <T> Answer<T> ask(HttpRequest.Builder builder, Reader<T> reader, BooleanSupplier stopped, int tries)
            throws NoAnswer, InterruptedException {
        HttpRequest request = builder.timeout(patience).build();
        guard.objection(request.uri()).ifPresent(why -> {
            throw Refusal.badInput(why.replace("for this property", "for the service"));
        });
        String problem = "";
        int rests = 0;
        for (int tried = 0; tried < tries && !stopped.getAsBoolean(); tried++) {
            if (tried > 0) rest(FIRST_REST_MS << tried - 1, stopped);
            rest(restUntil - System.currentTimeMillis(), stopped);
            try {
                HttpResponse<InputStream> answer = http.send(request, HttpResponse.BodyHandlers.ofInputStream());
                String text = text(answer);
                int status = answer.statusCode();
                if (status == 429) {
                    askedToRest(answer);
                    if (rests++ < RESTS_KEPT) tried--;
                } else if (status < 500) return new Answer<>(reader.read(status, text), tried);
                problem = "answers " + status;
            } catch (NoSense e) {
                problem = e.getMessage();
            } catch (IOException e) {
                problem = "cannot be reached or does not answer";
            }
        }
        throw new NoAnswer(
                stopped.getAsBoolean()
                        ? "stopped"
                        : "the service " + problem + (tries == 1 ? "" : ", tried " + tries + " times"));
    }

    /** An answer that makes no sense; the message goes on with "the service …". */
    public static final class NoSense extends IOException {

        private static final long serialVersionUID = 1L;

        public NoSense(String problem) {
            super(problem);
        }
    }

    /** The start of an answer, on one line. */
    public static String shown(String text) {
        String line = text.replaceAll("\\s+", " ").strip();
        return line.length() <= SHOWN ? line : line.substring(0, SHOWN) + "…";
    }

    private static String text(HttpResponse<InputStream> answer) throws IOException {
        try (InputStream body = answer.body()) {
            return new String(body.readNBytes(MAX_BYTES), StandardCharsets.UTF_8);
        }
    }

    private void askedToRest(HttpResponse<?> answer) {
        long seconds = answer.headers()
                .firstValue("Retry-After")
                .filter(value -> value.matches("\\d{1,4}"))
                .map(Long::valueOf)
                .orElse(1L);
        restUntil = System.currentTimeMillis() + Math.min(LONGEST_REST_MS, seconds * 1_000);
    }

    /** Rests, shorter where nobody waits any more. */
    public static void rest(long ms, BooleanSupplier stopped) throws InterruptedException {
        long end = System.currentTimeMillis() + ms;
        while (System.currentTimeMillis() < end && !stopped.getAsBoolean()) {
            Thread.sleep(Math.max(1, Math.min(200, end - System.currentTimeMillis())));
        }
    }
}
