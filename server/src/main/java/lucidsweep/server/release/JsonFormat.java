package lucidsweep.server.release;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** A list with one object an item. */
@Component
@Order(3)
final class JsonFormat implements HandoverFormat {

    private final JsonMapper json;

    JsonFormat(JsonMapper json) {
        this.json = json;
    }

    @Override
    public String code() {
        return "json";
    }

    @Override
    public String ending() {
        return "json";
    }

    @Override
    public String mediaType() {
        return "application/json";
    }

    @Override
    public void write(HandoverLines lines, OutputStream out) throws IOException {
        out.write('[');
        String[] before = {"\n"};
        lines.forEachItem(item -> {
            String object = before[0] + json.writeValueAsString(JsonItems.of(item));
            try {
                out.write(object.getBytes(StandardCharsets.UTF_8));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            before[0] = ",\n";
        });
        out.write("\n]\n".getBytes(StandardCharsets.UTF_8));
    }
}
