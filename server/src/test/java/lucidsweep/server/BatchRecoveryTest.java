package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Batches that were cut short, as the database then holds them: no start finds one half applied. */
class BatchRecoveryTest {

    private static final int LISTINGS = 1_300;

    @TempDir
    private Path data;

    @Test
    void whatWasCutShortIsTakenBackOrBroughtToItsEnd() {
        long undone;
        long cut;
        Shop shop;
        try (OwnApplication application = OwnApplication.on(data)) {
            shop = new Shop(application.api(), listings());
            undone = shop.batch(edit("after", "title", "\"with\":\" of cedar, hand carved in our shed by the bay\""))
                    .path("id")
                    .asLong();
            cut = shop.batch(edit("before", "description", "\"with\":\"New: \""))
                    .path("id")
                    .asLong();
            JdbcTemplate database = application.context().getBean(JdbcTemplate.class);
            // The first had begun to be undone, the second had written half of its changes.
            database.update("update batch set under_way = true, state = 'undone' where id = ?", undone);
            forget(database, ids(database, "field_id", undone, 700));
            database.update("update batch set under_way = true, items = 0 where id = ?", cut);
            forget(database, ids(database, "field_id", cut, 600));
            database.update("delete from change where id = any(?)", (Object) ids(database, "id", cut, 600));
        }
        try (OwnApplication application = OwnApplication.on(data)) {
            JdbcTemplate database = application.context().getBean(JdbcTemplate.class);
            assertThat(count(database, "draft where text is not null or batch_id is not null"))
                    .isZero();
            assertThat(count(database, "change")).as("of the undone one").isEqualTo(LISTINGS);
            assertThat(count(database, "property where judged_changes < text_changes"))
                    .isZero();
            Api api = application.api();
            JsonNode batches =
                    api.get("/api/properties/" + shop.property() + "/batches").json();
            assertThat(batches).hasSize(1);
            assertThat(batches.get(0).path("state").asString()).isEqualTo("undone");

            assertThat(api.post("/api/batches/" + undone + "/redo", "").status())
                    .isEqualTo(200);
            assertThat(count(database, "draft where text like '% of cedar, hand%'"))
                    .isEqualTo(LISTINGS);
            assertThat(api.get("/api/properties/" + shop.property() + "/items?check=too-short&field=title")
                            .json()
                            .path("total")
                            .asInt())
                    .as("findings are those of the drafts")
                    .isZero();
        }
    }

    @Test
    void theBatchOfARemovedPropertyHindersNoStart() {
        try (OwnApplication application = OwnApplication.on(data)) {
            Shop shop = new Shop(application.api(), "id,title\nA,Ash paddle\n");
            shop.batch(edit("after", "title", "\"with\":\" of cedar\""));
            JdbcTemplate database = application.context().getBean(JdbcTemplate.class);
            database.update("update batch set under_way = true, items = 0");
            database.update("update property set removed = now(), text_changes = text_changes + 1");
        }
        try (OwnApplication application = OwnApplication.on(data)) {
            JdbcTemplate database = application.context().getBean(JdbcTemplate.class);
            assertThat(count(database, "batch")).isZero();
            assertThat(count(database, "draft where text is not null")).isZero();
        }
    }

    private static String listings() {
        StringBuilder csv = new StringBuilder("id,title,description\n");
        for (int i = 0; i < LISTINGS; i++) csv.append("L%d,Paddle %d,Carved in our shed %d\n".formatted(i, i, i));
        return csv.toString();
    }

    /** Of the last changes of a batch. */
    private static Long[] ids(JdbcTemplate database, String column, long batch, int count) {
        String changes = "select " + column + " from change where id / 2147483648 = ? order by id desc limit ?";
        return database.queryForList(changes, Long.class, batch, count).toArray(Long[]::new);
    }

    private static void forget(JdbcTemplate database, Long[] fields) {
        database.update("update draft set text = null, batch_id = null where id = any(?)", (Object) fields);
    }

    private static long count(JdbcTemplate database, String what) {
        return database.queryForObject("select count(*) from " + what, Long.class);
    }
}
