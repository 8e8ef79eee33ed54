package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import lucidsweep.core.finding.FindingLife;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.StandardForm;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.release.LineIds;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.configuration.FluentConfiguration;
import org.h2.jdbcx.JdbcConnectionPool;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.json.JsonMapper;

/** What stood elsewhere or otherwise before a version of the database. */
class MigrationTest {

    private final JdbcConnectionPool pool =
            JdbcConnectionPool.create("jdbc:h2:mem:" + UUID.randomUUID() + ";db_close_delay=-1", "sa", "");
    private final FluentConfiguration flyway = Flyway.configure().dataSource(pool);
    private final JdbcTemplate database = new JdbcTemplate(pool);

    private static final List<String> WITH_SLUGS = List.of(
            "{\"title\":{\"maxChars\":60},\"wording\":{\"maxEmoji\":null,\"maxSlugChars\":41,\"openingChars\":40},\"off\":[]}",
            "{\"wording\":{\"maxSlugChars\":42,\"openingChars\":40},\"title\":{\"maxChars\":60}}",
            "{\"title\":{\"maxChars\":60},\"wording\":{\"openingChars\":40,\"maxSlugChars\":43}}",
            "{\"title\":{\"maxChars\":60},\"wording\":{\"maxSlugChars\":44}}",
            "{\"title\":{\"maxChars\":60},\"wording\":{\"maxSlugChars\":null,\"openingChars\":40}}");

    @Test
    void limitsOfSlugsStayWithAllElseThatWasSetWhereverTheyStoodInTheJson() {
        flyway.target("24").load().migrate();
        addProperties(WITH_SLUGS);
        flyway.target("25").load().migrate();
        List<StandardForm> after = standards();
        assertThat(after)
                .map(form -> form.pages() == null ? null : form.pages().maxSlugChars())
                .containsExactly(41, 42, 43, 44, null);
        assertThat(after).allSatisfy(form -> assertThat(form.title().maxChars()).isEqualTo(60));
        assertThat(after).map(form -> form.wording().openingChars()).containsExactly(40, 40, 40, null, 40);
    }

    @Test
    void newOptionsAreOffWhereSomebodySaidWhichChecksAre() {
        flyway.target("32").load().migrate();
        addProperties(List.of("{\"off\":[]}", "{\"off\":[\"title generic\"]}", "{\"title\":{\"maxChars\":60}}"));
        flyway.target("33").load().migrate();
        assertThat(standards())
                .map(StandardForm::off)
                .containsExactly(
                        Set.of("description without-call", "title too-many-words", "description too-many-words"),
                        Set.of(
                                "title generic",
                                "description without-call",
                                "title too-many-words",
                                "description too-many-words"),
                        null);
    }

    @Test
    void whatHasEndedStandsInTheItemsOwnLine() {
        flyway.target("29").load().migrate();
        database.update("insert into finding_life values (1, 'title generic 1790000000'), (2, '*'), (4, '')");
        database.update("""
                insert into fixed_finding values (1, 'title', 'too-long', 1, 5, timestamp with time zone '2026-11-27 10:00:00+00', true),
                    (1, 'h1', 'missing', 1, 5, timestamp with time zone '2026-11-27 11:00:00.75+00', false),
                    (3, 'title', 'missing', 1, 5, timestamp with time zone '2026-11-27 10:00:00+00', false)""");
        flyway.target("30").load().migrate();
        List<FindingLife> lives =
                database.queryForList("select life from finding_life order by item_id", String.class).stream()
                        .map(FindingLife::read)
                        .toList();
        long ten = Instant.parse("2026-11-27T10:00:00Z").getEpochSecond();
        assertThat(lives.get(0).since("title generic").moment()).isEqualTo(1_790_000_000L);
        assertThat(lives)
                .map(FindingLife::ended)
                .containsExactly(
                        Map.of(
                                "title too-long", new FindingLife.End(ten, true),
                                "h1 missing", new FindingLife.End(ten + 3_600, false)),
                        Map.of(),
                        Map.of("title missing", new FindingLife.End(ten, false)),
                        Map.of());
    }

    @Test
    void linesOfHandoversLieInTheOrderOfTheirItemsAndFields() {
        flyway.target("48").load().migrate();
        addProperties(List.of("{}"));
        database.update(
                "insert into handover (property_id, format, items, texts, created) values (1, 'csv', 2, 11, now())");
        long first = IdRange.id(1, 0);
        addLine(first + 1, Field.TITLE);
        FieldId.FIELDS.forEach(field -> addLine(first, field));
        database.update("update handover_line set live = 'live', won = 2.5 where field = 'slug'");
        flyway.target("49").load().migrate();
        List<Map<String, Object>> lines = database.queryForList("select * from handover_line order by id");
        assertThat(lines).hasSize(FieldId.FIELDS.size() + 1).allSatisfy(line -> {
            long item = (Long) line.get("ITEM_ID");
            Field field = Field.of((String) line.get("FIELD"));
            long place = FieldId.of(item, field) - FieldId.first(first);
            assertThat(line).containsEntry("ID", LineIds.of(1).first() + place);
            assertThat(line).containsEntry("AFTER_TEXT", "new " + item + field.code());
        });
        assertThat(lines.get(FieldId.FIELDS.indexOf(Field.SLUG)))
                .containsEntry("LIVE", "live")
                .containsEntry("WON", 2.5);
        assertThat(lines.get(lines.size() - 1)).containsEntry("ITEM_ID", first + 1);
    }

    @Test
    void whatWasDecidedAboutDraftsIsKeptApartFromTheirTexts() {
        flyway.target("49").load().migrate();
        database.update("""
                insert into draft (id, text, state, handover_id, kept) values
                    (16, 'a', 'drafted', null, null), (17, 'b', 'sent-back', null, null), (18, 'c', 'delivered', 7, 'liked'),
                    (19, null, null, null, 'as it is')""");
        flyway.target("50").load().migrate();
        assertThat(database.queryForList("select * from draft_state order by field_id"))
                .map(row -> row.get("FIELD_ID") + " " + row.get("STATE") + " " + row.get("HANDOVER_ID"))
                .containsExactly("17 sent-back null", "18 delivered 7");
        assertThat(database.queryForList("select text || '/' || kept from draft order by id", String.class))
                .containsExactly(null, null, "c/liked", null);
    }

    private void addLine(long item, Field field) {
        database.update(
                "insert into handover_line (handover_id, item_id, field, before_text, after_text) values (1, ?, ?, 'old', ?)",
                item,
                field.code(),
                "new " + item + field.code());
    }

    @AfterEach
    void close() {
        pool.dispose();
    }

    private void addProperties(List<String> standards) {
        database.update("insert into client (name, brand, places) values ('Tarrin Bay Kayaks', '', '')");
        for (int i = 0; i < standards.size(); i++) {
            database.update("""
                    insert into property (client_id, kind, name, address, language, private_allowed, own_standard)
                    values (1, 'website', ?, 'https://tarrin.example/', 'en', false, ?)""", "Site " + i, standards.get(i));
        }
    }

    private List<StandardForm> standards() {
        return database.queryForList("select own_standard from property order by id", String.class).stream()
                .map(json -> JsonMapper.builder().build().readValue(json, StandardForm.class))
                .toList();
    }
}
