package lucidsweep.server;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/** Holds what the server answers against its own description: every part is known there, of the type it says, and null only where it says so. */
final class DescribedAnswers {

    private record Answer(String method, Pattern path, JsonNode shape) {}

    private final JsonNode description;
    private final List<Answer> answers = new ArrayList<>();

    /** The description is that of {@code /api/openapi.json}. */
    DescribedAnswers(JsonNode description) {
        this.description = description;
        for (Map.Entry<String, JsonNode> path : description.path("paths").properties()) {
            Pattern pattern = Pattern.compile(path.getKey().replaceAll("\\{\\w+}", "[^/]+"));
            for (Map.Entry<String, JsonNode> operation : path.getValue().properties()) {
                JsonNode shape = operation.getValue().at("/responses/200/content/application~1json/schema");
                if (!shape.isMissingNode()) answers.add(new Answer(operation.getKey(), pattern, shape));
            }
        }
    }

    /** What differs; empty where all is as described. */
    List<String> differences(String method, String path, JsonNode answer) {
        List<String> differences = new ArrayList<>();
        answers.stream()
                .filter(each -> each.method.equalsIgnoreCase(method)
                        && each.path.matcher(path).matches())
                .findFirst()
                .ifPresentOrElse(
                        each -> compare(answer, each.shape, path, differences),
                        () -> differences.add("nothing is described"));
        return differences;
    }

    private void compare(JsonNode value, JsonNode shape, String where, List<String> differences) {
        JsonNode ref = shape.path("$ref");
        if (ref.isString()) {
            String pointer = ref.asString();
            String name = pointer.substring(pointer.lastIndexOf('/') + 1);
            compare(value, description.at(pointer.substring(1)), name, differences);
            return;
        }
        if (!shape.path("anyOf").isMissingNode()) {
            for (JsonNode one : shape.path("anyOf")) {
                // What differs is put in words, which takes long and is not read where another fits.
                if (value.isNull() != one.path("type").asString("").equals("null")) continue;
                List<String> tried = new ArrayList<>();
                compare(value, one, where, tried);
                if (tried.isEmpty()) return;
            }
            differences.add(where + " is " + clipped(value) + ", none of " + shape);
            return;
        }
        if (!isOf(value, shape.path("type"))) {
            differences.add(where + " is " + clipped(value) + ", not of " + shape);
        } else if (value.isArray()) {
            for (JsonNode part : value) compare(part, shape.path("items"), where + "[]", differences);
        } else if (value.isObject()) {
            compareParts(value, shape, where, differences);
        } else if (shape.path("enum").isArray() && !value.isNull() && !holds(shape.path("enum"), value)) {
            differences.add(where + " is " + value + ", none of " + shape.path("enum"));
        }
    }

    private void compareParts(JsonNode value, JsonNode shape, String where, List<String> differences) {
        JsonNode others = shape.path("additionalProperties");
        for (Map.Entry<String, JsonNode> part : value.properties()) {
            JsonNode known = shape.path("properties").path(part.getKey());
            JsonNode expected = known.isMissingNode() ? others : known;
            if (expected.isMissingNode()) differences.add(where + "." + part.getKey() + " is not described");
            else compare(part.getValue(), expected, where + "." + part.getKey(), differences);
        }
    }

    private static boolean isOf(JsonNode value, JsonNode types) {
        if (types.isMissingNode()) return true;
        if (types.isArray()) {
            for (JsonNode type : types) if (isOf(value, type)) return true;
            return false;
        }
        return switch (types.asString()) {
            case "null" -> value.isNull();
            case "string" -> value.isString();
            case "boolean" -> value.isBoolean();
            case "integer" -> value.isIntegralNumber();
            case "number" -> value.isNumber();
            case "array" -> value.isArray();
            default -> value.isObject();
        };
    }

    private static boolean holds(JsonNode constants, JsonNode value) {
        for (JsonNode each : constants) if (each.equals(value)) return true;
        return false;
    }

    private static String clipped(JsonNode value) {
        String text = value.toString();
        return text.length() <= 60 ? text : text.substring(0, 60) + "…";
    }
}
