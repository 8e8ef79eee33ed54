package lucidsweep.server.rewrite.writer;

import java.net.URI;
import java.net.http.HttpRequest;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import lucidsweep.core.writer.Message;
import lucidsweep.server.gather.crawl.AddressGuard;
import lucidsweep.server.outside.PatientClient;
import lucidsweep.server.web.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Asks a text-generation service over HTTP: a list of messages goes in, a text and counts of tokens come out. */
final class TextServiceClient {

    private static final Duration PATIENCE = Duration.ofSeconds(60);

    /** What a service says of one request that it does not like; others may fare better. */
    private static final Set<Integer> OF_ONE = Set.of(400, 413, 422);

    /** More is no text that anybody asked for, in UTF-16 units. */
    private static final int LONGEST = 90_000;

    private final ServiceSettings settings;
    private final JsonMapper json;
    private final PatientClient http;

    TextServiceClient(ServiceSettings settings, AddressGuard guard, JsonMapper json) {
        this.settings = settings;
        this.json = json;
        http = new PatientClient(guard, PATIENCE);
    }

    /**
     * What was answered.
     *
     * @param retried how often it had to be asked again
     */
    record Answered(String text, int tokensIn, int tokensOut, int retried) {}

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
    Answered ask(String body, String mark, BooleanSupplier stopped)
            throws PatientClient.NoAnswer, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(settings.address()))
                .header("Content-Type", "application/json")
                .header("Idempotency-Key", mark)
                .POST(HttpRequest.BodyPublishers.ofString(body));
        if (settings.key() != null) request.header("Authorization", "Bearer " + settings.key());
        PatientClient.Answer<Said> answer =
                http.ask(request, (status, text) -> status == 200 ? said(text) : new Said(status, text, 0, 0), stopped);
        Said said = answer.content();
        if (said.status == 200) return new Answered(said.text, said.tokensIn, said.tokensOut, answer.retried());
        if (said.status == 401 || said.status == 403) {
            throw Refusal.badInput("the text-generation service refuses the key (" + said.status + ")");
        }
        String says = "answers " + said.status + ": " + PatientClient.shown(said.text);
        if (OF_ONE.contains(said.status)) throw new PatientClient.NoAnswer("the service " + says);
        throw Refusal.badInput("the text-generation service " + says);
    }

    private record Said(int status, String text, int tokensIn, int tokensOut) {}

    private Said said(String text) throws PatientClient.NoSense {
        try {
            JsonNode body = json.readTree(text);
            JsonNode content = body.path("choices").path(0).path("message").path("content");
            if (!content.isString()) throw new PatientClient.NoSense("answers without a text");
            JsonNode used = body.path("usage");
            String said = content.asString();
            return new Said(
                    200,
                    said.length() <= LONGEST ? said : said.substring(0, LONGEST),
                    used.path("prompt_tokens").asInt(0),
                    used.path("completion_tokens").asInt(0));
        } catch (JacksonException e) {
            throw new PatientClient.NoSense("answers something that is no JSON");
        }
    }
}
