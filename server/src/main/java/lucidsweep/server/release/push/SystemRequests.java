package lucidsweep.server.release.push;

import java.net.URI;
import java.net.http.HttpRequest;
import java.time.Duration;
import java.util.function.BooleanSupplier;
import lucidsweep.server.gather.crawl.AddressGuard;
import lucidsweep.server.outside.PatientClient;
import lucidsweep.server.web.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Sends requests to a content system at its pace, and reads JSON. */
final class SystemRequests {

    private static final Duration PATIENCE = Duration.ofSeconds(30);

    private final PatientClient http;
    private final JsonMapper json;
    private final long pauseMs;
    private long next;

    SystemRequests(ContentSettings settings, JsonMapper json) {
        this.json = json;
        http = new PatientClient(new AddressGuard(settings.privateAllowed()), PATIENCE);
        pauseMs = settings.pauseMs();
    }

    /** An answer that is JSON. */
    record Reply(int status, JsonNode body) {

        /** What the system says of it. */
        String says() {
            String error = body.path("error").asString("");
            return "the content system answers " + status + (error.isEmpty() ? "" : ": " + PatientClient.shown(error));
        }
    }

    static HttpRequest.Builder to(String address) {
        try {
            return HttpRequest.newBuilder(URI.create(address));
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput("\"" + address + "\" is no address that can be asked");
        }
    }

    /** Sets a header; what stands in it is not said, since it may be a secret. */
    static void header(HttpRequest.Builder request, String name, String value) {
        try {
            request.header(name, value);
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput("the header \"" + name + "\" cannot be sent, or not with this value");
        }
    }

    /** Asks until there is an answer. */
    Reply ask(HttpRequest.Builder request, BooleanSupplier stopped)
            throws PatientClient.NoAnswer, InterruptedException {
        await(stopped);
        return http.ask(request, this::reply, stopped).content();
    }

    /** Asks once; where no answer comes, nobody knows what was stored. */
    Reply askOnce(HttpRequest.Builder request, BooleanSupplier stopped)
            throws PatientClient.NoAnswer, InterruptedException {
        await(stopped);
        return http.askOnce(request, this::reply, stopped);
    }

    private Reply reply(int status, String text) throws PatientClient.NoSense {
        try {
            JsonNode body = text.isBlank() && status != 200 ? json.createObjectNode() : json.readTree(text);
            if (body.isObject() || body.isArray()) return new Reply(status, body);
        } catch (JacksonException e) {
            // Said below, as for any other answer without sense.
        }
        if (status >= 400) return new Reply(status, json.createObjectNode());
        throw new PatientClient.NoSense(
                text.isBlank() ? "answers nothing" : "answers no JSON, but “" + PatientClient.shown(text) + "”");
    }

    private void await(BooleanSupplier stopped) throws InterruptedException {
        if (pauseMs == 0) return;
        long wait;
        synchronized (this) {
            long now = System.currentTimeMillis();
            wait = Math.max(0, next - now);
            next = Math.max(now, next) + pauseMs;
        }
        PatientClient.rest(wait, stopped);
    }
}
