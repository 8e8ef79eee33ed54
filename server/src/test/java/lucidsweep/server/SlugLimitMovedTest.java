package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lucidsweep.core.standard.StandardForm;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.configuration.FluentConfiguration;
import org.h2.jdbcx.JdbcConnectionPool;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Limits of slugs that were set before they were moved, wherever they stood in the JSON. */
class SlugLimitMovedTest {

    private static final List<String> BEFORE = List.of(
            "{\"title\":{\"maxChars\":60},\"wording\":{\"maxEmoji\":null,\"maxSlugChars\":41,\"openingChars\":40},\"off\":[]}",
            "{\"wording\":{\"maxSlugChars\":42,\"openingChars\":40},\"title\":{\"maxChars\":60}}",
            "{\"title\":{\"maxChars\":60},\"wording\":{\"openingChars\":40,\"maxSlugChars\":43}}",
            "{\"title\":{\"maxChars\":60},\"wording\":{\"maxSlugChars\":44}}",
            "{\"title\":{\"maxChars\":60},\"wording\":{\"maxSlugChars\":null,\"openingChars\":40}}");

    @Test
    void theyStayWithAllElseThatWasSet() {
        JdbcConnectionPool pool = JdbcConnectionPool.create("jdbc:h2:mem:slugs;db_close_delay=-1", "sa", "");
        FluentConfiguration flyway = Flyway.configure().dataSource(pool);
        flyway.target("24").load().migrate();
        JdbcTemplate database = new JdbcTemplate(pool);
        database.update("insert into client (name, brand, places) values ('Tarrin Bay Kayaks', '', '')");
        for (int i = 0; i < BEFORE.size(); i++) {
            database.update("""
                    insert into property (client_id, kind, name, address, language, private_allowed, own_standard)
                    values (1, 'website', ?, 'https://tarrin.example/', 'en', false, ?)""", "Site " + i, BEFORE.get(i));
        }
        flyway.target("25").load().migrate();
        List<StandardForm> after =
                database.queryForList("select own_standard from property order by id", String.class).stream()
                        .map(json -> JsonMapper.builder().build().readValue(json, StandardForm.class))
                        .toList();
        assertThat(after)
                .map(form -> form.pages() == null ? null : form.pages().maxSlugChars())
                .containsExactly(41, 42, 43, 44, null);
        assertThat(after).allSatisfy(form -> assertThat(form.title().maxChars()).isEqualTo(60));
        assertThat(after).map(form -> form.wording().openingChars()).containsExactly(40, 40, 40, null, 40);
        pool.dispose();
    }
}
