package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.server.backup.DatabaseFile;
import lucidsweep.server.command.LucidCommand;
import lucidsweep.standins.TextService;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class BackupTest {

    @TempDir
    private Path folder;

    private TextServer texts;

    @BeforeEach
    void startTexts() throws IOException {
        texts = new TextServer();
    }

    @AfterEach
    void stopTexts() {
        texts.close();
    }

    private String said = "";

    private int lucid(String... words) {
        PrintStream out = System.out;
        PrintStream err = System.err;
        ByteArrayOutputStream both = new ByteArrayOutputStream();
        System.setOut(new PrintStream(both, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(both, true, StandardCharsets.UTF_8));
        try {
            return LucidCommand.run(LucidSweep.class, words);
        } finally {
            System.setOut(out);
            System.setErr(err);
            said = both.toString(StandardCharsets.UTF_8);
        }
    }

    @Test
    void whatIsCopiedWhileItRunsIsRestoredElsewhereAsItWas() throws IOException {
        Path here = Files.createDirectory(folder.resolve("here"));
        Path there = folder.resolve("another machine");
        Path file = folder.resolve("all.zip");
        JsonNode rows;
        String handover;
        try (OwnApplication application = OwnApplication.on(here)) {
            Shop shop = new Shop(application.api(), "id,title,description\nA,Ash paddle,Of ash\nB,Oak paddle,Of oak\n");
            shop.type("A", "title", "Ash paddle, oiled");
            shop.type("B", "title", "Oak paddle, oiled");
            shop.post("/decisions", "{\"selection\":{\"ids\":[" + shop.itemId("A") + "]},\"state\":\"approved\"}");
            shop.post("/handovers", "{\"format\":\"listings\"}");
            rows = shop.get("/items").json().path("rows");
            handover = application.api().get("/api/handovers/1/file").body();
            assertThat(lucid("backup", file.toString(), "--data", here.toString()))
                    .as(said)
                    .isZero();
            assertThat(lucid("restore", file.toString(), "--data", here.toString()))
                    .isEqualTo(2);
            assertThat(said).contains("is running on").contains("end it first");
            shop.type("B", "title", "Written after the copy");
        }
        assertThat(lucid("restore", file.toString(), "--data", there.toString()))
                .as(said)
                .isZero();
        try (OwnApplication application = OwnApplication.on(there)) {
            Shop shop = new Shop(application.api(), 1);
            assertThat(shop.get("/items").json().path("rows")).isEqualTo(rows);
            assertThat(application.api().get("/api/handovers/1/file").body()).isEqualTo(handover);
        }
        Files.writeString(here.resolve("lucid-sweep.key"), "the key of what was written after the copy");
        Files.writeString(here.resolve("upgrade-under-way"), "");
        assertThat(lucid("restore", file.toString(), "--data", here.toString()))
                .as(said)
                .isZero();
        try (Stream<Path> files = Files.list(here)) {
            Path kept = files.filter(each -> each.getFileName().toString().startsWith("replaced-"))
                    .findFirst()
                    .orElseThrow();
            assertThat(kept.resolve("lucid-sweep.mv.db")).exists();
            assertThat(kept.resolve("lucid-sweep.key")).hasContent("the key of what was written after the copy");
        }
        try (OwnApplication application = OwnApplication.on(here)) {
            assertThat(new Shop(application.api(), 1).get("/items").json().path("rows"))
                    .as("an upgrade that was cut short before is not put back over it")
                    .isEqualTo(rows);
        }
    }

    @Test
    void whatCannotBeCopiedOrRestoredIsSaidInASentence() throws IOException {
        assertThat(lucid("backup", folder.resolve("x.zip").toString(), "--data", folder.toString()))
                .isEqualTo(2);
        assertThat(said).startsWith("lucid: no Lucid Sweep is running on").hasLineCount(1);
        Path other = Files.writeString(folder.resolve("other.zip"), "no copy");
        assertThat(lucid("restore", other.toString(), "--data", folder.toString()))
                .isEqualTo(2);
        assertThat(said).contains("is no copy that ./lucid backup wrote").hasLineCount(1);
    }

    private static final String SHOP = "id,title,description\nA,Ash paddle,Of ash\nB,Oak paddle,Of oak\n";

    private static JsonNode everythingOf(Shop shop) {
        return JsonMapper.shared()
                .createArrayNode()
                .add(shop.get("/items").json().path("rows"))
                .add(shop.get("/keywords").json())
                .add(shop.get("/demand/rows?side=queries").json())
                .add(shop.get("/sweeps").json())
                .add(shop.get("/batches").json())
                .add(shop.get("/edits").json())
                .add(shop.get("/writer/columns").json())
                .add(shop.get("/writer/cells?ids=" + shop.itemId("A") + "," + shop.itemId("B"))
                        .json())
                .add(shop.api().get("/api/items/" + shop.itemId("B") + "/notes").json());
    }

    private Shop worked(OwnApplication application) {
        Shop shop = new Shop(application.api(), SHOP);
        texts.setUp(application.api(), "steady", TextService.KEY);
        shop.post(
                "/writer/columns",
                "{\"id\":0,\"name\":\"Title\",\"makes\":\"title\",\"words\":\"Write a title.\","
                        + "\"inputs\":[\"DESCRIPTION\"],\"after\":[],\"maxChars\":0}");
        long column = shop.get("/writer/columns").json().get(0).path("id").asLong();
        JsonNode run = shop.post("/writer/runs", "{\"selection\":{},\"columnIds\":[" + column + "]}")
                .json();
        application.api().ended(run.path("jobId").asLong());
        shop.post("/edits", "{\"name\":\"Spaces\",\"spec\":{\"tool\":\"spaces\",\"field\":\"title\"}}");
        shop.post("/edits/" + shop.get("/edits").json().get(0).path("id").asLong() + "/ran", "");
        shop.importDemand("query,address,impressions,clicks\nash paddle,A,40,4\n");
        shop.post("/keywords", "{\"text\":\"ash paddle\\t90\\noak paddle\\t40\"}");
        shop.type("A", "title", "Ash paddle, oiled");
        shop.post("/decisions", "{\"selection\":{\"ids\":[" + shop.itemId("A") + "]},\"state\":\"approved\"}");
        shop.post("/handovers", "{\"format\":\"listings\"}");
        shop.type("B", "title", "Oak paddle, oiled");
        shop.post(
                "/decisions",
                "{\"selection\":{\"ids\":[" + shop.itemId("B")
                        + "]},\"state\":\"sent-back\",\"note\":\"Say how long it is.\"}");
        shop.importFile(SHOP.replace("Of oak", "Of old oak"));
        return shop;
    }

    /** @param amongMuch whether there is as much of another client, or less */
    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void aClientMovesToAnotherMachineAloneAndAsItWas(boolean amongMuch) throws IOException {
        Path here = Files.createDirectory(folder.resolve("here"));
        Path there = folder.resolve("there");
        Path file = folder.resolve("one.zip");
        JsonNode everything;
        long property;
        try (OwnApplication application = OwnApplication.on(here)) {
            if (amongMuch) worked(application);
            else new Shop(application.api(), SHOP);
            Shop moved = worked(application);
            property = moved.property();
            everything = everythingOf(moved);
            Api api = application.api();
            JsonNode clients = api.get("/api/clients").json();
            String shared = clients.get(0).path("name").asString();
            assertThat(lucid("backup", file.toString(), "--client", shared, "--data", here.toString()))
                    .isEqualTo(2);
            assertThat(said).contains("2 clients are called");
            String renamed = "{\"name\":\"Skerry Ropeworks\",\"brand\":\"\",\"places\":\"\"}";
            api.method("PUT", "/api/clients/" + clients.get(1).path("id"), renamed);
            assertThat(lucid("backup", file.toString(), "--client", "skerry ropeworks", "--data", here.toString()))
                    .as(said)
                    .isZero();
            assertThat(lucid("backup", file.toString(), "--client", "nobody", "--data", here.toString()))
                    .isEqualTo(2);
            assertThat(said).contains("there is no client \"nobody\"");
        }
        assertThat(lucid("restore", file.toString(), "--data", there.toString()))
                .as(said)
                .isZero();
        try (OwnApplication application = OwnApplication.on(there)) {
            assertThat(application.api().get("/api/clients").json()).hasSize(1);
            assertThat(everythingOf(new Shop(application.api(), property))).isEqualTo(everything);
            JdbcTemplate database = application.context().getBean(JdbcTemplate.class);
            assertThat(List.of("item", "handover_line", "writer_cell", "draft_state"))
                    .map(table -> database.queryForObject("select count(*) from " + table, Integer.class))
                    .as("nothing of the others is left")
                    .containsExactly(2, 1, 2, 2);
        }
    }

    /** The same but for the numbers that rows have in their database. */
    private static String withoutIds(JsonNode node) {
        return node.toString().replaceAll("\"(id|\\w+Id|captureId|handover)\":\\d+", "\"$1\":0");
    }

    @Test
    void aClientIsAddedToThoseThatAreHereUnderNewNumbers() throws IOException {
        Path here = Files.createDirectory(folder.resolve("here"));
        Path there = Files.createDirectory(folder.resolve("there"));
        Path file = folder.resolve("all.zip");
        String everything;
        try (OwnApplication application = OwnApplication.on(here)) {
            Shop shop = worked(application);
            everything = withoutIds(everythingOf(shop));
            assertThat(lucid("backup", file.toString(), "--data", here.toString()))
                    .as(said)
                    .isZero();
        }
        try (OwnApplication application = OwnApplication.on(there)) {
            Shop own = worked(application);
            String ownBefore = everythingOf(own).toString();
            assertThat(lucid("restore", file.toString(), "--add", "--data", there.toString()))
                    .as(said)
                    .isZero();
            assertThat(said).startsWith("Added: Tarrin Bay Kayaks (added ").endsWith("Logins are asked for again.\n");
            JsonNode added = application.api().get("/api/portfolio").json();
            assertThat(added).hasSize(2);
            Shop shop = new Shop(application.api(), own.property() + 1);
            for (JsonNode job : shop.get("/jobs").json()) {
                application.api().ended(job.path("id").asLong());
            }
            assertThat(withoutIds(everythingOf(shop))).isEqualTo(everything);
            assertThat(everythingOf(own)).hasToString(ownBefore);
            shop.importFile(SHOP.replace("Of oak", "Of older oak"));
            shop.type("A", "title", "Written after it moved");
            assertThat(shop.row("A").path("title").path("draft").asString()).isEqualTo("Written after it moved");
            assertThat(everythingOf(own)).hasToString(ownBefore);
            Path later = ofALaterVersion(file);
            assertThat(lucid("restore", later.toString(), "--add", "--data", there.toString()))
                    .isEqualTo(2);
            assertThat(said).contains("later version").hasLineCount(1);
            assertThat(application
                            .api()
                            .upload("/api/backups/restore", "later.zip", Files.readAllBytes(later))
                            .problem())
                    .contains("later version");
            assertThat(application.api().get("/api/clients").json()).hasSize(2);
        }
        Path later = folder.resolve("later.zip");
        assertThat(lucid("restore", later.toString(), "--data", there.toString()))
                .isEqualTo(2);
        assertThat(said).contains("later version").hasLineCount(1);
        assertThatThrownBy(() -> OwnApplication.on(folder.resolve("later")))
                .rootCause()
                .hasMessageContaining("last used by a later version");
        // As a kill in between would have left it.
        Path unpacked = Files.createDirectories(there.resolve("backups/client-1"));
        Files.writeString(unpacked.resolve("given.zip"), "half a copy");
        Path delivering = Files.createDirectories(there.resolve("temporary")).resolve("handover-1.gz");
        assertThat(Files.writeString(delivering, "half a delivery").toFile().setLastModified(1_000))
                .isTrue();
        execute(there, "update client set arriving = true, removed = now() where id = (select max(id) from client)");
        try (OwnApplication application = OwnApplication.on(there)) {
            assertThat(application.api().get("/api/clients").json()).hasSize(1);
            assertThat(application.api().get("/api/removed").body()).isEqualTo("[]");
            assertThat(unpacked).doesNotExist();
            assertThat(delivering).doesNotExist();
        }
    }

    private static void execute(Path place, String sql) throws IOException {
        String address = "jdbc:h2:file:" + place.resolve("lucid-sweep");
        try (Connection database = DriverManager.getConnection(address, "lucid", "");
                Statement statement = database.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new IOException(e);
        }
    }

    private Path ofALaterVersion(Path copy) throws IOException {
        Path place = folder.resolve("later");
        DatabaseFile.putBack(copy, place);
        execute(
                place,
                "insert into \"flyway_schema_history\" select \"installed_rank\" + 1, '999', 'later',"
                        + " \"type\", 'V999__later.sql', \"checksum\", \"installed_by\", \"installed_on\", 1, true"
                        + " from \"flyway_schema_history\" order by \"installed_rank\" desc limit 1");
        Path zip = folder.resolve("later.zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
            out.putNextEntry(new ZipEntry(DatabaseFile.NAME));
            Files.copy(place.resolve(DatabaseFile.NAME), out);
        }
        return zip;
    }

    @Test
    void aCopyGivenInTheInterfaceIsPutBackAtTheNextStartAndWhatIsRemovedForGoodLeavesNothing() throws Exception {
        Path here = Files.createDirectory(folder.resolve("here"));
        JsonNode everything;
        long property;
        try (OwnApplication application = OwnApplication.on(here)) {
            Api api = application.api();
            Shop shop = worked(application);
            property = shop.property();
            everything = everythingOf(shop);
            byte[] copy = api.bytes("/api/backup.zip");
            assertThat(api.upload("/api/backups/restore", "x.zip", "no copy".getBytes(StandardCharsets.UTF_8))
                            .problem())
                    .contains("this file is none");
            shop.type("B", "title", "Written after the copy");
            assertThat(api.upload("/api/backups/restore", "all.zip", copy)
                            .json()
                            .path("restoreWaiting")
                            .asBoolean())
                    .isTrue();
            assertThatThrownBy(() -> OwnApplication.on(here))
                    .as("a second start, which must not put it back under the first")
                    .hasMessageContaining("Another Lucid Sweep is using this data folder");
            assertThat(api.get("/api/backups").json().path("restoreWaiting").asBoolean())
                    .isTrue();
        }
        try (OwnApplication application = OwnApplication.on(here)) {
            Api api = application.api();
            assertThat(everythingOf(new Shop(api, property))).isEqualTo(everything);
            assertThat(api.get("/api/backups").json().path("restoreWaiting").asBoolean())
                    .isFalse();
            assertThat(api.method("DELETE", "/api/removed/property/" + property, "")
                            .problem())
                    .contains("remove the property first");
            long client = api.get("/api/clients").json().get(0).path("id").asLong();
            api.upload(
                    "/api/properties/" + property + "/imports",
                    "never-read.csv",
                    SHOP.getBytes(StandardCharsets.UTF_8));
            assertThat(here.resolve("uploads").toFile().list()).hasSize(1);
            api.method("DELETE", "/api/clients/" + client, "");
            Reply removal = api.method("DELETE", "/api/removed/client/" + client, "");
            assertThat(api.get("/api/removed").body()).isEqualTo("[]");
            assertThat(api.post("/api/clients/" + client + "/restore", "").problem())
                    .as("while it is being removed, or right after that")
                    .containsAnyOf("It is being removed for good", "there is no client " + client);
            JsonNode ended = api.ended(removal.json().path("id").asLong());
            assertThat(ended.path("note").asString()).isEqualTo("Removed for good.");
            assertThat(ended.path("done").asLong())
                    .isEqualTo(ended.path("total").asLong())
                    .isPositive();
            assertThat(here.resolve("uploads").toFile().list()).isEmpty();
            Path zip = Files.write(folder.resolve("after.zip"), api.bytes("/api/backup.zip"));
            DatabaseFile.putBack(zip, folder.resolve("after"));
        }
        String address = "jdbc:h2:file:" + folder.resolve("after/lucid-sweep");
        try (Connection database = DriverManager.getConnection(address, "lucid", "");
                Statement statement = database.createStatement()) {
            List<String> tables = new ArrayList<>();
            ResultSet names = statement.executeQuery("select table_name from information_schema.tables"
                    + " where table_schema = 'PUBLIC' and table_name <> 'flyway_schema_history'");
            while (names.next()) tables.add(names.getString(1));
            assertThat(tables).hasSizeGreaterThan(40);
            // How the text-generation service is reached belongs to no client.
            tables.remove("WRITER_SERVICE");
            tables.remove("JOB");
            for (String table : tables) {
                ResultSet rows = statement.executeQuery("select count(*) from " + table);
                rows.next();
                assertThat(rows.getInt(1)).as(table).isZero();
            }
            ResultSet jobs = statement.executeQuery("select title, note from job");
            assertThat(jobs.next()).isTrue();
            assertThat(jobs.getString(1) + jobs.getString(2))
                    .as("of the job that removed it, no name is left")
                    .isEqualTo("Removing a client for goodRemoved for good.");
            assertThat(jobs.next()).isFalse();
        }
    }
}
