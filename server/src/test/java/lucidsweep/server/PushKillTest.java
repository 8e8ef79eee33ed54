package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.locks.LockSupport;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.standins.ContentSystem;
import lucidsweep.standins.DemoSite;
import lucidsweep.standins.ShopListings;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * A push, and its way back, whose process is killed again and again: nothing is stored twice, nothing is lost. {@code ./bench}
 * kills it 50 times.
 */
class PushKillTest {

    private static final int KILLS = Integer.getInteger("kills", 1);
    private static final int ITEMS = 180;

    private final Random random = new Random(KILLS);

    @TempDir
    private Path data;

    @Test
    void everyTextIsStoredOnceAndTakenBackOnce() throws IOException {
        try (Website website = Website.ofDemo(DemoSite.ofSeed(7), 0)) {
            ContentSystem content = website.content();
            long release;
            try (KilledApplication application = KilledApplication.on(data)) {
                release = released(application.api(), website);
                begin(application.api(), release, "/runs");
                killAt(content, ITEMS / (KILLS + 1));
            }
            int stored = goOn(content, 0, "pushed");
            assertThat(stored).as("each once").isEqualTo(ITEMS);
            try (KilledApplication application = KilledApplication.on(data)) {
                begin(application.api(), release, "/return");
                killAt(content, ITEMS + ITEMS / (KILLS + 1));
            }
            assertThat(goOn(content, ITEMS, "returned")).isEqualTo(2 * ITEMS);
        }
    }

    /** Kills it again and again while it goes on, then lets it end; returns how often anything was stored. */
    private int goOn(ContentSystem content, int before, String state) throws IOException {
        for (int kill = 1; kill < KILLS; kill++) {
            try (KilledApplication application = KilledApplication.on(data)) {
                assertThat(application.api()).isNotNull();
                killAt(content, before + (kill + 1) * ITEMS / (KILLS + 1) + random.nextInt(3) - 1);
            }
        }
        try (OwnApplication application = OwnApplication.on(data)) {
            JsonNode texts;
            do {
                LockSupport.parkNanos(20_000_000);
                texts = application.api().get("/api/properties/1/pushes").json().path(0);
            } while (texts.path("underWay").asBoolean());
            assertThat(texts.path("texts").path(state).asInt())
                    .as(texts.toString())
                    .isEqualTo(ITEMS);
            assertThat(new Shop(application.api(), 1).total("state=" + (before == 0 ? "delivered" : "sent-back")))
                    .isEqualTo(ITEMS);
        }
        return content.stored();
    }

    private static void killAt(ContentSystem content, int stored) {
        while (content.stored() < stored) LockSupport.parkNanos(200_000);
    }

    private static void begin(Api api, long release, String path) {
        assertThat(api.post("/api/pushes/" + release + path, "{}").status()).isEqualTo(200);
    }

    private static long released(Api api, Website website) {
        Shop shop = new Shop(api, new ShopListings(7).csv());
        assertThat(shop.property()).isEqualTo(1);
        shop.batch(edit("after", "title", "\"with\":\" – signed\""));
        shop.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        String settings = PushTest.settings(website.address() + "content", ContentSystem.USER, ContentSystem.PASSWORD);
        assertThat(shop.put("/content-system", settings.replace("\"pauseMs\":0", "\"pauseMs\":4"))
                        .status())
                .isEqualTo(200);
        return shop.post("/pushes", "{}").json().path("release").path("id").asLong();
    }
}
