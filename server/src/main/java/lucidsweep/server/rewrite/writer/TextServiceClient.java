package lucidsweep.server.rewrite.writer;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import lucidsweep.core.writer.Message;
import lucidsweep.server.gather.crawl.AddressGuard;
import lucidsweep.server.web.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Asks a text-generation service over HTTP: a list of messages goes in, a text and counts of tokens come out. A rest that it
 * asks for is kept by all that ask, a fault of its own is asked again after growing rests. Safe for use by many threads.
 */
final class TextServiceClient {

    private static final int TRIES = 5;
    private static final int MAX_BYTES = 1_000_000;
    private static final Duration PATIENCE = Duration.ofSeconds(60);
    private static final long FIRST_REST_MS = 500;
    private static final long LONGEST_REST_MS = 60_000;
    private static final int SHOWN = 120;

    /** What a service says of one request that it does not like; others may fare better. */
    private static final Set<Integer> OF_ONE = Set.of(400, 413, 422);

    /** More is no text that anybody asked for, in UTF-16 units. */
    private static final int LONGEST = 90_000;

    private final ServiceSettings settings;
    private final AddressGuard guard;
    private final JsonMapper json;
    private final HttpClient http = HttpClient.newBuilder()
            .connectTimeout(Duration.ofSeconds(10))
            .followRedirects(HttpClient.Redirect.NEVER)
            .build();
    private volatile long restUntil;

    TextServiceClient(ServiceSettings settings, AddressGuard guard, JsonMapper json) {
        this.settings = settings;
        this.guard = guard;
        this.json = json;
    }

    /**
     * What was answered.
     *
     * @param retried how often it had to be asked again
     */
    record Answered(String text, int tokensIn, int tokensOut, int retried) {}

    /** The service gave no answer to one request, whatever was tried; others may fare better. */
    static final class NoAnswer extends Exception {

        private static final long serialVersionUID = 1L;

        NoAnswer(String why) {
            super(why);
        }
    }

    /** What is asked, as the service reads it. */
    String body(List<Message> messages, int maxTokens) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("model", settings.model());
        body.put(
                "messages",
                messages.stream()
                        .map(message -> Map.of("role", message.role().code(), "content", message.text()))
                        .toList());
        body.put("max_tokens", maxTokens);
        return json.writeValueAsString(body);
    }

    /**
     * Asks.
     *
     * @param mark the same for the same request, so that a service which knows such marks charges it once
     * @param stopped whether nobody waits for the answer any more
     * @throws Refusal where no request at all will be answered: a wrong address or key
     */
    Answered ask(String body, String mark, BooleanSupplier stopped) throws NoAnswer, InterruptedException {
        URI address = URI.create(settings.address());
        guard.objection(address).ifPresent(why -> {
            throw Refusal.badInput(why.replace("for this property", "for the service"));
        });
        HttpRequest.Builder request = HttpRequest.newBuilder(address)
                .timeout(PATIENCE)
                .header("Content-Type", "application/json")
                .header("Idempotency-Key", mark)
                .POST(HttpRequest.BodyPublishers.ofString(body));
        if (settings.key() != null) request.header("Authorization", "Bearer " + settings.key());
        String problem = "";
        for (int tried = 0; tried < TRIES && !stopped.getAsBoolean(); tried++) {
            if (tried > 0) rest(FIRST_REST_MS << tried - 1, stopped);
            rest(restUntil - System.currentTimeMillis(), stopped);
            try {
                HttpResponse<InputStream> answer =
                        http.send(request.build(), HttpResponse.BodyHandlers.ofInputStream());
                int status = answer.statusCode();
                String text = text(answer);
                if (status == 200) return answered(text, tried);
                if (status == 401 || status == 403) {
                    throw Refusal.badInput("the text-generation service refuses the key (" + status + ")");
                }
                if (status == 429) askedToRest(answer);
                else if (OF_ONE.contains(status))
                    throw new NoAnswer("the service answers " + status + ": " + shown(text));
                else if (status < 500) {
                    throw Refusal.badInput("the text-generation service answers " + status + ": " + shown(text));
                }
                problem = "answers " + status;
            } catch (IOException e) {
                problem = "cannot be reached or does not answer";
            }
        }
        throw new NoAnswer(
                stopped.getAsBoolean() ? "stopped" : "the service " + problem + ", tried " + TRIES + " times");
    }

    private Answered answered(String text, int retried) throws IOException {
        try {
            JsonNode body = json.readTree(text);
            JsonNode content = body.path("choices").path(0).path("message").path("content");
            if (!content.isString()) throw new IOException("no text");
            JsonNode used = body.path("usage");
            String said = content.asString();
            return new Answered(
                    said.length() <= LONGEST ? said : said.substring(0, LONGEST),
                    used.path("prompt_tokens").asInt(0),
                    used.path("completion_tokens").asInt(0),
                    retried);
        } catch (JacksonException e) {
            throw new IOException("no JSON", e);
        }
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

    private static void rest(long ms, BooleanSupplier stopped) throws InterruptedException {
        long end = System.currentTimeMillis() + ms;
        while (System.currentTimeMillis() < end && !stopped.getAsBoolean()) {
            Thread.sleep(Math.max(1, Math.min(200, end - System.currentTimeMillis())));
        }
    }

    private static String shown(String text) {
        String line = text.replaceAll("\\s+", " ").strip();
        return line.length() <= SHOWN ? line : line.substring(0, SHOWN) + "…";
    }
}
