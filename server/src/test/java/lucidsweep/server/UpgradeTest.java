package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;

/**
 * A database of the application before items were numbered by property, opened by this one. It holds a website swept twice,
 * and a shop imported twice, with drafts, a batch, a keep, keywords, demand and a handover.
 */
class UpgradeTest {

    private static final long WEBSITE = 1;
    private static final long SHOP = 2;

    @TempDir
    private Path data;

    private ConfigurableApplicationContext application;
    private Api api;
    private Shop shop;

    @BeforeEach
    void open() throws Exception {
        OldDatabase.in(data);
        application = new SpringApplicationBuilder(LucidSweep.class)
                .logStartupInfo(false)
                .run("--server.port=0", "--lucid.data=" + data, "--lucid.web=" + data);
        api = new Api(Integer.parseInt(application.getEnvironment().getProperty("local.server.port")));
        shop = new Shop(api, SHOP);
    }

    @AfterEach
    void close() {
        application.close();
    }

    @Test
    void whatWasWrittenStands() {
        assertThat(shop.total("")).isEqualTo(4);
        assertThat(shop.itemId("A")).isGreaterThan(SHOP << 31);
        JsonNode oak = shop.row("B").path("title");
        assertThat(oak.path("captured").asString()).isEqualTo("Oak paddle for two");
        assertThat(oak.path("draft").asString()).isEqualTo("Oak paddle, carved by hand");
        assertThat(shop.row("A").path("description").path("state").asString()).isEqualTo("delivered");
        assertThat(shop.row("A").path("aim").path("keyword").asString()).isEqualTo("ash paddle");
        assertThat(shop.row("E").path("tags").path("kept").asString()).isEqualTo("agreed with the maker");
        assertThat(shop.getItem("B", "/history").findValuesAsString("afterText"))
                .containsExactly("Of oak from the coast", "Oak paddle, carved by hand");
        long handover = shop.get("/handovers")
                .json()
                .path(0)
                .path("handover")
                .path("id")
                .asLong();
        assertThat(api.get("/api/handovers/" + handover + "/file").body())
                .contains("A,Ash paddle,Of ash from the coast,\"ash, gift\",45.00,red");
        assertThat(shop.get("/demand/rows?side=items").body())
                .contains("\"text\":\"A\"", String.valueOf(shop.itemId("A")));
        assertThat(shop.getItem("A", "/captured").path("cells").toString()).contains("45.00", "red");
        assertThat(shop.getItem("B", "/phrases").toString()).contains("\"text\":\"Oak\"");

        long batch = shop.get("/batches").json().path(0).path("id").asLong();
        assertThat(api.post("/api/batches/" + batch + "/undo", "").status()).isEqualTo(200);
        assertThat(shop.text("B", "description")).isEqualTo("Of oak");
        List<Double> widths = new ArrayList<>();
        for (JsonNode row : shop.get("/items?sort=title-px").json().path("rows"))
            widths.add(row.path("title").path("fit").path("px").asDouble());
        assertThat(widths).as("narrowest first").isSorted().doesNotHaveDuplicates();
    }

    @Test
    void earlierImportsAreComparedTakenBackAndFollowedByOthers() {
        JsonNode sweeps = shop.get("/sweeps").json();
        JsonNode compared = shop.get("/comparison?before=" + sweeps.path(2).path("id") + "&after="
                        + sweeps.path(0).path("id") + "&from=0")
                .json();
        assertThat(compared.path("counts").toString())
                .isEqualTo("{\"new\":1,\"gone\":1,\"moved\":0,\"changed\":1,\"unchanged\":2}");
        long last = sweeps.path(0).path("id").asLong();
        assertThat(api.get("/api/sweeps/" + last + "/visits").json().findValuesAsString("detail"))
                .containsExactly("unchanged", "changed", "new", "unchanged", "there is no id, no address and no title");

        assertThat(api.post("/api/sweeps/" + last + "/take-back", "").status()).isEqualTo(200);
        assertThat(shop.row("B").path("title").path("captured").asString()).isEqualTo("Oak paddle");
        assertThat(shop.row("C").path("tags").path("captured").asString()).isEqualTo("elm");
        assertThat(shop.total("")).isEqualTo(4);

        shop.importFile("id,title,description,tags,price,colour\nA,Ash paddle,Of ash,\"ash, gift\",45.00,red\n"
                + "F,Fig paddle,Of fig,fig,19.00,\n");
        assertThat(shop.total("")).isEqualTo(2);
        assertThat(shop.itemId("F")).isEqualTo(shop.itemId("A") + 5);
    }

    @Test
    void aWebsiteKeepsItsLinksAndTwins() {
        JsonNode pages = api.get("/api/properties/" + WEBSITE + "/items?sort=address")
                .json()
                .path("rows");
        assertThat(pages.findValuesAsString("linksIn")).containsExactly("0", "3", "3", "3");
        long tours = pages.path(2).path("id").asLong();
        assertThat(api.get("/api/items/" + tours + "/captured")
                        .json()
                        .path("alsoAt")
                        .path(0)
                        .asString())
                .endsWith("/tours?from=hire");
        assertThat(api.get("/api/items/" + tours + "/phrases").status()).isEqualTo(200);
    }
}
