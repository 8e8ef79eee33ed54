package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What open pages are told while things happen elsewhere. */
@ExtendWith(RunningApplication.class)
@Timeout(60)
class EventsTest {

    @Test
    void editsAndJobsAreToldToEveryOpenPage(Api api) throws Exception {
        Shop shop = new Shop(api, "id,title\nA1,Ash paddle\n");
        try (Events one = new Events(api);
                Events two = new Events(api)) {
            shop.type("A1", "title", "Ash paddle, oiled");
            for (Events events : new Events[] {one, two}) {
                long revision = api.get("/api/properties/" + shop.property())
                        .json()
                        .path("revision")
                        .asLong();
                // The text first, its findings after it.
                JsonNode changed = events.next("changed", "propertyId", shop.property());
                while (changed.path("revision").asLong() < revision) {
                    changed = events.next("changed", "propertyId", shop.property());
                }
                assertThat(changed.path("revision").asLong()).isEqualTo(revision);
            }
            shop.importFile("id,title\nA1,Ash paddle\nA2,Oak paddle\n");
            JsonNode job = one.next("job", "propertyId", shop.property());
            while (!job.path("state").asString().equals("done")) job = one.next("job", "propertyId", shop.property());
            assertThat(job.path("note").asString()).isEqualTo("2 listings read.");
            assertThat(job.path("done").asInt()).isEqualTo(2);
        }
    }

    @Test
    void jobsOfAPropertyAreListedNewestFirst(Api api) {
        Shop shop = new Shop(api, "id,title\nA1,Ash paddle\n");
        shop.importFile("id,title\nA1,Ash paddle\nA2,Oak paddle\n");
        JsonNode jobs = shop.get("/jobs").json();
        assertThat(jobs.findValuesAsString("note")).containsExactly("2 listings read.", "1 listing read.");
        assertThat(api.get("/api/jobs/999999").problem()).isEqualTo("there is no job 999999");
        assertThat(api.post("/api/jobs/999999/stop", "").status()).isEqualTo(404);
    }

    /** The events of the server as one open page hears them. */
    private static final class Events implements AutoCloseable {
        private final InputStream body;
        private final BufferedReader lines;

        private Events(Api api) throws IOException, InterruptedException {
            body = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(api.base() + "/api/events"))
                                    .build(),
                            HttpResponse.BodyHandlers.ofInputStream())
                    .body();
            lines = new BufferedReader(new InputStreamReader(body, StandardCharsets.UTF_8));
            assertThat(lines.readLine()).isEqualTo("event:heartbeat");
        }

        /** The next event of a name whose data has a certain value. */
        private JsonNode next(String name, String key, long value) throws IOException {
            String line;
            while ((line = lines.readLine()) != null) {
                if (!line.equals("event:" + name)) continue;
                JsonNode data = new JsonMapper().readTree(lines.readLine().substring("data:".length()));
                if (data.path(key).asLong() == value) return data;
            }
            throw new AssertionError("the stream ended before there was " + name);
        }

        @Override
        public void close() throws IOException {
            body.close();
        }
    }
}
