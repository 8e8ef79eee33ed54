package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Durability;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Jobs;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** What was answered is on disk: a copy of the database taken at that moment, as after a kill, holds it. */
class DurabilityTest {

    @TempDir
    private Path data;

    @TempDir
    private Path copies;

    @Test
    void whatWasAnsweredIsNotLost() throws Exception {
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                .logStartupInfo(false)
                .run("--server.port=0", "--lucid.data=" + data, "--lucid.web=" + data)) {
            Api api = new Api(Integer.parseInt(application.getEnvironment().getProperty("local.server.port")));
            long property = api.property("listings", "", false);
            List<Property> known =
                    afterAKill(again -> again.getBean(Clients.class).properties());
            assertThat(known).extracting(Property::id).containsExactly(property);

            Shop shop = new Shop(api, "id,title\nA1,Ash paddle\n");
            long item = shop.itemId("A1");
            shop.type("A1", "title", "Ash paddle, oiled");
            String draft = afterAKill(
                    again -> again.getBean(Items.class).row(item).title().draft());
            assertThat(draft).isEqualTo("Ash paddle, oiled");

            JsonNode plan = api.upload(
                            "/api/properties/" + property + "/imports", "x.csv", "id,title\nA2,Oar\n".getBytes())
                    .json();
            api.post("/api/imports/" + plan.path("token").asString() + "/apply", Api.choice(plan));
            Long imports = afterAKill(again ->
                    again.getBean(JdbcTemplate.class).queryForObject("select count(*) from sweep", Long.class));
            assertThat(imports).as("with the one that was begun").isEqualTo(2);

            application
                    .getBean(JdbcTemplate.class)
                    .update("update property set removed = now(), leaving = true where id = ?", property);
            application.getBean(Durability.class).await();
            List<Long> left = afterAKill(DurabilityTest::leftOfARemoval);
            assertThat(left)
                    .as("what was being removed for good is gone, and the shop is not")
                    .containsOnly(shop.property());
        }
    }

    /** The properties that something is left of. */
    private static List<Long> leftOfARemoval(ConfigurableApplicationContext again) {
        JdbcTemplate database = again.getBean(JdbcTemplate.class);
        again.getBean(Jobs.class)
                .awaitEnd(database.queryForObject("select max(id) from job where kind = 'removal'", Long.class));
        return Stream.of("select id from property", "select property_id from item", "select property_id from sweep")
                .flatMap(owners -> database.queryForList(owners, Long.class).stream())
                .toList();
    }

    /** What an application sees that starts with the files as they are now. */
    private <T> T afterAKill(Function<ConfigurableApplicationContext, T> look) throws Exception {
        Path file = data.resolve("lucid-sweep.mv.db");
        Path copy = Files.createTempDirectory(copies, "killed-");
        Files.copy(file, copy.resolve(file.getFileName()));
        try (ConfigurableApplicationContext application = KilledApplication.start(copy.toString())) {
            return look.apply(application);
        }
    }
}
