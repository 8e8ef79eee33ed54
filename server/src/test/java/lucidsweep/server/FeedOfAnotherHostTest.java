package lucidsweep.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningApplication.class)
class FeedOfAnotherHostTest {

    @Test
    void demandComesFromAnyHostAndTheSecretsOfItsAddressStayThere(Api api) throws IOException {
        HttpServer reports = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 10);
        byte[] rows = ("[{\"page\":\"http://127.0.0.1:9/\",\"query\":\"kayak hire\",\"from\":\"2026-10-05\","
                        + "\"to\":\"2026-10-11\",\"clicks\":4,\"impressions\":90,\"position\":5.5}]")
                .getBytes(UTF_8);
        reports.createContext("/", exchange -> {
            exchange.getResponseHeaders().set("Content-Type", "application/json");
            exchange.sendResponseHeaders(200, rows.length);
            exchange.getResponseBody().write(rows);
            exchange.close();
        });
        reports.start();
        try {
            long property = api.property("website", "http://127.0.0.1:9/", true);
            String from = "http://127.0.0.1:" + reports.getAddress().getPort() + "/demand?key=s3cr3t";
            Reply begun = api.post("/api/properties/" + property + "/demand/fetch", "{\"address\":\"" + from + "\"}");
            JsonNode job = api.ended(begun.json().path("jobId").asLong());
            assertThat(job.path("note").asString()).isEqualTo("1 row fetched.");
            JsonNode sweep =
                    api.get("/api/properties/" + property + "/sweeps").json().path(0);
            assertThat(api.ended(sweep.path("jobId").asLong()).path("state").asString())
                    .isEqualTo("done");
            assertThat(api.get("/api/properties/" + property + "/jobs").body() + sweep)
                    .contains("/demand?…")
                    .doesNotContain("s3cr3t");
            assertThat(api.get("/api/properties/" + property + "/demand/rows?side=queries")
                            .body())
                    .contains("kayak hire");
        } finally {
            reports.stop(0);
        }
    }
}
