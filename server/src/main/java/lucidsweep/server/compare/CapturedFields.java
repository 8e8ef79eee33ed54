package lucidsweep.server.compare;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.server.gather.imports.ImportShape;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads the texts of an item from what a sweep captured of it. */
final class CapturedFields {

    /** Every field that is compared, in the order in which they are shown. */
    static final List<String> NAMES = List.of("title", "description", "tags", "h1", "canonical", "robots");

    private final JsonMapper json;

    CapturedFields(JsonMapper json) {
        this.json = json;
    }

    /**
     * The texts by field, of the fields that were looked at: a file says nothing of those it has no column for.
     *
     * @param shape of the file that it came from; null where a crawl saw it
     */
    Map<String, String> of(String facts, ImportShape shape) {
        return shape == null ? crawled(json.readTree(facts)) : imported(facts, shape);
    }

    private static Map<String, String> crawled(JsonNode facts) {
        Map<String, String> texts = new LinkedHashMap<>();
        texts.put("title", facts.path("titles").path(0).asString(""));
        texts.put("description", facts.path("descriptions").path(0).asString(""));
        texts.put("h1", facts.path("h1s").path(0).asString(""));
        texts.put("canonical", facts.path("canonical").asString(""));
        texts.put("robots", facts.path("robots").asString(""));
        return texts;
    }

    private Map<String, String> imported(String facts, ImportShape shape) {
        List<String> cells = json.readValue(facts, ImportShape.Row.class).cells();
        Map<String, String> texts = new LinkedHashMap<>();
        for (String field : List.of("title", "description", "tags")) {
            int at = shape.of(field);
            if (at >= 0) texts.put(field, at < cells.size() ? cells.get(at).strip() : "");
        }
        return texts;
    }
}
