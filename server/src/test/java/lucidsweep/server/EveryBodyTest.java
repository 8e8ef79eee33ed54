package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Every request of the API that has a body, as its own description lists them, with bodies that lack what they need. */
@ExtendWith(RunningApplication.class)
class EveryBodyTest {

    private static final List<String> BODIES = List.of(
            "",
            "null",
            "{}",
            "[]",
            "[null]",
            "[{}]",
            "{\"selection\":{\"ids\":[null]}}",
            "{\"selection\":null,\"spec\":{},\"fields\":[null],\"state\":null,\"ids\":null,\"text\":null}",
            "{\"selection\":{},\"spec\":{\"tool\":\"recipe\",\"field\":\"title\",\"recipe\":{}},\"fields\":[\"tags\"]}",
            "{\"selection\":7}",
            "{\"text\":\"" + "a".repeat(300_000) + "\",\"name\":\"" + "b".repeat(300_000) + "\"}",
            "{not json");

    @Test
    void noBodyMakesAFaultOfOurs(Api api) {
        Shop shop = new Shop(api, "id,title\nA1,Ash paddle\n");
        long item = shop.itemId("A1");
        List<String> faults = new ArrayList<>();
        int asked = 0;
        JsonNode paths = api.get("/api/openapi.json").json().path("paths");
        for (String path : paths.propertyNames()) {
            for (String method : List.of("post", "put", "patch")) {
                JsonNode operation = paths.path(path).path(method);
                boolean json = operation.path("requestBody").path("content").has("application/json");
                if (!json) continue;
                String address = path.replace("{propertyId}", String.valueOf(shop.property()))
                        .replaceAll("\\{(id|itemId|keywordId)}", path.contains("/items/") ? String.valueOf(item) : "1")
                        .replaceAll("\\{\\w+}", "1");
                for (String body : BODIES) {
                    Reply reply = api.method(method.toUpperCase(), address, body);
                    asked++;
                    boolean namesAClass = reply.status() >= 400 && reply.body().contains("lucidsweep.");
                    if (reply.status() < 500 && !namesAClass) continue;
                    String shown = body.length() > 90 ? body.substring(0, 90) + "…" : body;
                    faults.add(method + " " + path + " " + shown + " → " + reply.status() + " " + reply.body());
                }
            }
        }
        assertThat(asked).isGreaterThan(300);
        assertThat(faults).isEmpty();
    }
}
