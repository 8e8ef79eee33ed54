package lucidsweep.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static java.util.Locale.ROOT;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import tools.jackson.databind.JsonNode;

/** A property filled from a file of listings, and what tests do with it. */
final class Shop {

    private final Api api;
    private final long property;

    Shop(Api api, String csv) {
        this(api, api.property("listings", "", false));
        importFile(csv);
    }

    /** A property that is there. */
    Shop(Api api, long property) {
        this.api = api;
        this.property = property;
    }

    long property() {
        return property;
    }

    Api api() {
        return api;
    }

    /** The id of the client that it belongs to. */
    long client() {
        for (JsonNode each : api.get("/api/portfolio").json())
            if (each.path("property").path("id").asLong() == property)
                return each.path("property").path("clientId").asLong();
        throw new AssertionError("no client has the property " + property);
    }

    void importFile(String csv) {
        assertThat(api.importListings(property, csv).path("state").asString()).isEqualTo("done");
    }

    /** The same of a file that was written on a day. */
    void importFile(String csv, LocalDate takenOn) {
        JsonNode plan = api.upload("/api/properties/" + property + "/imports", "listings.csv", csv.getBytes(UTF_8))
                .json();
        String choice = Api.choice(plan).replaceFirst("\\}$", ",\"takenOn\":\"" + takenOn + "\"}");
        Reply applied = api.post("/api/imports/" + plan.path("token").asString() + "/apply", choice);
        assertThat(api.ended(applied.json().path("jobId").asLong())
                        .path("state")
                        .asString())
                .isEqualTo("done");
    }

    void importDemand(String csv) {
        importReports("demand", csv);
    }

    void importResults(String csv) {
        importReports("results", csv);
    }

    private void importReports(String kind, String csv) {
        JsonNode upload = api.upload("/api/properties/" + property + "/imports", kind + ".csv", csv.getBytes(UTF_8))
                .json();
        JsonNode plan = api.get("/api/imports/" + upload.path("token").asString() + "?kind=" + kind.toUpperCase(ROOT))
                .json();
        Reply applied = api.post("/api/imports/" + plan.path("token").asString() + "/apply", Api.choice(plan));
        assertThat(api.ended(applied.json().path("jobId").asLong())
                        .path("state")
                        .asString())
                .isEqualTo("done");
    }

    /** Asks for something of an item, such as "/phrases". */
    JsonNode getItem(String id, String path) {
        return api.get("/api/items/" + itemId(id) + path).json();
    }

    /** Asks for something of the property, such as "/items?q=oar". */
    Reply get(String path) {
        return api.get("/api/properties/" + property + path);
    }

    Reply post(String path, String json) {
        return api.post("/api/properties/" + property + path, json);
    }

    Reply put(String path, String json) {
        return api.method("PUT", "/api/properties/" + property + path, json);
    }

    /** An edit of all items, or of those with the ids. */
    static String edit(String tool, String field, String rest, long... ids) {
        String more = rest.isEmpty() ? "" : "," + rest;
        return "{\"selection\":" + selection(ids) + ",\"spec\":{\"tool\":\"" + tool + "\",\"field\":\"" + field + "\""
                + more + "}}";
    }

    static String selection(long... ids) {
        return ids.length == 0 ? "{}" : "{\"ids\":" + java.util.Arrays.toString(ids) + "}";
    }

    /** Applies an edit and returns the batch. */
    JsonNode batch(String edit) {
        Reply applied = post("/batches", edit);
        assertThat(applied.status()).as(applied.body()).isEqualTo(200);
        return applied.json().path("batch");
    }

    /** A preview, waited for. */
    JsonNode preview(String edit) {
        Reply begun = post("/previews", edit);
        assertThat(begun.status()).as(begun.body()).isEqualTo(200);
        JsonNode preview = begun.json();
        while (!preview.path("complete").asBoolean())
            preview =
                    api.get("/api/previews/" + preview.path("token").asString()).json();
        return preview;
    }

    /** What a preview would make of some items. */
    JsonNode getPreviewRows(JsonNode preview, long... ids) {
        String list = java.util.Arrays.stream(ids)
                .mapToObj(String::valueOf)
                .collect(java.util.stream.Collectors.joining(","));
        return api.get("/api/previews/" + preview.path("token").asString() + "/rows?ids=" + list)
                .json();
    }

    void type(String id, String field, String text) {
        String cell = "[{\"itemId\":" + itemId(id) + ",\"field\":\"" + field + "\",\"text\":\""
                + text.replace("\"", "\\\"") + "\"}]";
        assertThat(post("/cells", cell).status()).isEqualTo(200);
    }

    JsonNode row(String id) {
        for (JsonNode row : get("/items?q=" + Api.encoded(id)).json().path("rows"))
            if (row.path("address").asString().equals(id)) return row;
        throw new AssertionError("there is no listing " + id);
    }

    long itemId(String id) {
        return row(id).path("id").asLong();
    }

    /** The text of a field in force. */
    String text(String id, String field) {
        JsonNode cell = row(id).path(field);
        return cell.path("draft").isNull()
                ? cell.path("captured").asString()
                : cell.path("draft").asString();
    }

    List<String> checks(String id) {
        List<String> checks = new ArrayList<>();
        for (JsonNode finding : row(id).path("findings"))
            checks.add(finding.path("field").asString() + " "
                    + finding.path("check").asString());
        return checks;
    }

    int total(String filter) {
        return get("/items?" + filter).json().path("total").asInt();
    }
}
