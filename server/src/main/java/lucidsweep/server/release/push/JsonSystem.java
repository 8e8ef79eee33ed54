package lucidsweep.server.release.push;

import java.net.http.HttpRequest;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import lucidsweep.core.item.Field;
import lucidsweep.server.outside.PatientClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Any content system that gives and takes items as JSON, spoken to as a template says. */
final class JsonSystem implements ContentSystem {

    private final ContentSettings settings;
    private final JsonTemplate template;
    private final SystemRequests requests;
    private final JsonMapper json;

    JsonSystem(ContentSettings settings, JsonMapper json) {
        this.settings = settings;
        this.json = json;
        template = settings.template();
        requests = new SystemRequests(settings, json);
    }

    @Override
    public Set<Field> fields() {
        return template.fields().keySet();
    }

    @Override
    public Present read(String address, BooleanSupplier stopped)
            throws Denied, PatientClient.NoAnswer, InterruptedException {
        SystemRequests.Reply reply =
                requests.ask(request(JsonTemplate.filled(template.read(), address, null)), stopped);
        if (reply.status() == 404) throw new Denied("the content system has no item of this address");
        if (reply.status() != 200) throw new Denied(reply.says());
        // Systems that look for an item by its address answer with a list of one.
        JsonNode item = reply.body().isArray() && reply.body().size() == 1
                ? reply.body().path(0)
                : reply.body();
        Map<Field, String> texts = new EnumMap<>(Field.class);
        template.fields().forEach((field, place) -> {
            JsonNode text = at(item, place);
            if (text.isString()) texts.put(field, text.asString());
            else if (text.isNull()) texts.put(field, "");
        });
        if (texts.isEmpty()) throw new Denied("the answer has none of the fields where the template says");
        String key = template.id().isEmpty() ? address : at(item, template.id()).asString("");
        if (key.isEmpty()) throw new Denied("the answer does not say what the item is called");
        String version =
                template.version().isEmpty() ? "" : at(item, template.version()).toString();
        return new Present(JsonTemplate.filled(template.write(), address, key), version, texts);
    }

    @Override
    public Map<Field, String> store(Present present, Map<Field, String> texts, BooleanSupplier stopped)
            throws Denied, ChangedMeanwhile, PatientClient.NoAnswer, InterruptedException {
        ObjectNode body = json.createObjectNode();
        texts.forEach((field, text) -> put(body, template.fields().get(field), json.valueToTree(text)));
        if (!present.version().isEmpty()) put(body, template.version(), json.readTree(present.version()));
        HttpRequest.Builder request = request(present.key())
                .header("Content-Type", "application/json")
                .method(template.method(), HttpRequest.BodyPublishers.ofString(json.writeValueAsString(body)));
        SystemRequests.Reply reply = requests.askOnce(request, stopped);
        if (reply.status() == 409 || reply.status() == 412) throw new ChangedMeanwhile();
        if (reply.status() >= 300) throw new Denied(reply.says());
        return Map.of();
    }

    private HttpRequest.Builder request(String address) {
        HttpRequest.Builder request = SystemRequests.to(address);
        template.headers()
                .forEach((name, value) -> SystemRequests.header(
                        request, name, value.replace("{secret}", settings.secret() == null ? "" : settings.secret())));
        return request;
    }

    private static JsonNode at(JsonNode item, String place) {
        JsonNode found = item;
        for (String name : place.split("\\.")) {
            found = found.path(name);
        }
        return found;
    }

    private static void put(ObjectNode body, String place, JsonNode value) {
        String[] names = place.split("\\.");
        ObjectNode into = body;
        for (int i = 0; i < names.length - 1; i++) {
            into = into.path(names[i]) instanceof ObjectNode inner ? inner : into.putObject(names[i]);
        }
        into.set(names[names.length - 1], value);
    }
}
