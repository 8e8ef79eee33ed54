package lucidsweep.server.release;

import java.util.function.Consumer;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** One object an item, a line each (jsonlines.org). */
@Component
@Order(4)
final class JsonLinesFormat extends LineFormat {

    private final JsonMapper json;

    JsonLinesFormat(JsonMapper json) {
        super("jsonl", "jsonl");
        this.json = json;
    }

    @Override
    void write(HandoverLines lines, Consumer<String> line) {
        lines.forEachItem(item -> line.accept(json.writeValueAsString(JsonItems.of(item))));
    }
}
