package lucidsweep.server.release.push;

import java.net.URI;
import java.net.http.HttpRequest;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.outside.PatientClient;
import lucidsweep.server.web.Refusal;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A content system that speaks as docs/content-api.md says: a login, items with fields and a version, told page by page. */
final class ContentApi implements ContentSystem {

    private static final Set<Field> OF_PAGES = EnumSet.of(Field.TITLE, Field.DESCRIPTION, Field.H1, Field.INDEXING);
    private static final Set<Field> OF_OTHERS = EnumSet.of(Field.TITLE, Field.DESCRIPTION, Field.TAGS);
    private static final int MOST_LISTS = 20_000;

    private final ContentSettings settings;
    private final PropertyKind kind;
    private final URI start;
    private final SystemRequests requests;
    private final JsonMapper json;
    private volatile String token;
    private Map<String, String> keys;

    /** @param home where a website starts, against which addresses in lists are read */
    ContentApi(ContentSettings settings, PropertyKind kind, String home, JsonMapper json) {
        this.settings = settings;
        this.kind = kind;
        this.json = json;
        start = PageAddress.of(home).orElse(URI.create("http://127.0.0.1/"));
        requests = new SystemRequests(settings, json);
    }

    @Override
    public Set<Field> fields() {
        return kind == PropertyKind.WEBSITE ? OF_PAGES : OF_OTHERS;
    }

    @Override
    public Present read(String address, BooleanSupplier stopped)
            throws Denied, PatientClient.NoAnswer, InterruptedException {
        String key = keys(stopped).get(normal(address));
        if (key == null) throw new Denied("the content system has no item of this address");
        SystemRequests.Reply reply = asked(path(key), null, stopped);
        if (reply.status() == 404) throw new Denied("the content system has this item no longer");
        if (reply.status() != 200) throw new Denied(reply.says());
        JsonNode item = reply.body();
        if (!key.equals(item.path("id").asString(""))) {
            throw new PatientClient.NoAnswer("the content system answers with another item than was asked for");
        }
        Map<Field, String> texts = new EnumMap<>(Field.class);
        for (Field field : fields()) {
            JsonNode text = item.path("fields").path(field.code());
            if (text.isString()) texts.put(field, text.asString());
        }
        JsonNode version = item.path("version");
        return new Present(key, version.isMissingNode() ? "null" : version.toString(), texts);
    }

    @Override
    public Map<Field, String> store(Present present, Map<Field, String> texts, BooleanSupplier stopped)
            throws Denied, ChangedMeanwhile, PatientClient.NoAnswer, InterruptedException {
        Map<String, String> fields = new LinkedHashMap<>();
        texts.forEach((field, text) -> fields.put(field.code(), text));
        String body = "{\"version\":" + present.version() + ",\"fields\":" + json.writeValueAsString(fields) + "}";
        SystemRequests.Reply reply = asked(path(present.key()), body, stopped);
        switch (reply.status()) {
            case 200 -> {
                return Map.of();
            }
            case 409, 412 -> throw new ChangedMeanwhile();
            case 422 -> {
                Map<Field, String> why = new EnumMap<>(Field.class);
                for (Field field : texts.keySet()) {
                    String said =
                            reply.body().path("rejected").path(field.code()).asString("");
                    if (!said.isEmpty()) why.put(field, PatientClient.shown(said));
                }
                if (why.isEmpty()) throw new Denied(reply.says());
                return why;
            }
            default -> throw new Denied(reply.says());
        }
    }

    private String path(String key) {
        return "/" + items() + "/" + JsonTemplate.encoded(key);
    }

    private String items() {
        return switch (kind) {
            case WEBSITE -> "pages";
            case LISTINGS -> "listings";
            case VIDEOS -> "videos";
        };
    }

    /** The keys of all items by their addresses, told once. */
    private synchronized Map<String, String> keys(BooleanSupplier stopped)
            throws Denied, PatientClient.NoAnswer, InterruptedException {
        if (keys != null) return keys;
        Map<String, String> found = new HashMap<>();
        String after = "";
        for (int list = 0; list < MOST_LISTS; list++) {
            SystemRequests.Reply reply = asked(
                    "/" + items() + (after.isEmpty() ? "" : "?after=" + JsonTemplate.encoded(after)), null, stopped);
            if (reply.status() != 200) throw Refusal.badInput(reply.says());
            String last = after;
            for (JsonNode item : reply.body().path("items")) {
                last = item.path("id").asString("");
                found.put(normal(item.path("address").asString("")), last);
            }
            if (!reply.body().path("more").asBoolean(false)) break;
            if (last.equals(after)) throw Refusal.badInput("the content system tells the same items over and over");
            after = last;
        }
        keys = found;
        return found;
    }

    private String normal(String address) {
        if (kind != PropertyKind.WEBSITE) return address;
        return PageAddress.resolve(start, address).map(URI::toString).orElse(address);
    }

    /** Asks with the login, which is renewed once where it has run out. @param body null to read */
    private SystemRequests.Reply asked(String path, String body, BooleanSupplier stopped)
            throws PatientClient.NoAnswer, InterruptedException {
        String used = token == null ? login(null, stopped) : token;
        SystemRequests.Reply reply = send(path, body, used, stopped);
        if (reply.status() != 401) return reply;
        reply = send(path, body, login(used, stopped), stopped);
        if (reply.status() == 401) throw Refusal.badInput("the content system refuses the login");
        return reply;
    }

    private SystemRequests.Reply send(String path, String body, String token, BooleanSupplier stopped)
            throws PatientClient.NoAnswer, InterruptedException {
        HttpRequest.Builder request = SystemRequests.to(base() + path);
        SystemRequests.header(request, "Authorization", "Bearer " + token);
        if (body == null) return requests.ask(request, stopped);
        request.header("Content-Type", "application/json").PUT(HttpRequest.BodyPublishers.ofString(body));
        return requests.askOnce(request, stopped);
    }

    /** Asks for what nothing can be done without. */
    private SystemRequests.Reply needed(HttpRequest.Builder request, BooleanSupplier stopped)
            throws PatientClient.NoAnswer, InterruptedException {
        try {
            return requests.ask(request, stopped);
        } catch (PatientClient.NoAnswer e) {
            if (stopped.getAsBoolean()) throw e;
            throw Refusal.badInput("nobody can log in to the content system: " + e.getMessage());
        }
    }

    private String base() {
        return settings.address().replaceFirst("/+$", "");
    }

    /** Logs in, unless somebody else has since a token ran out. */
    private synchronized String login(String worn, BooleanSupplier stopped)
            throws PatientClient.NoAnswer, InterruptedException {
        if (token != null && !token.equals(worn)) return token;
        String who = json.writeValueAsString(
                Map.of("user", settings.user(), "password", settings.secret() == null ? "" : settings.secret()));
        SystemRequests.Reply reply = needed(
                SystemRequests.to(base() + "/login")
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(who)),
                stopped);
        String given = reply.body().path("token").asString("");
        if (reply.status() != 200 || given.isEmpty()) {
            throw Refusal.badInput("the content system refuses the login (" + reply.status() + ")");
        }
        token = given;
        return given;
    }
}
