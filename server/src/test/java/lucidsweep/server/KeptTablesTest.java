package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.stream.Stream;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.item.table.Items;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/** Tables lie on the disk while the application is stopped, and are never older than the database. */
@ExtendWith(RunningApplication.class)
class KeptTablesTest {

    private static final String LISTINGS =
            "id,title,description\nA,Ash paddle,Carved\nB,Cedar canoe,Built\nC,Oar,Bent\n";

    @TempDir
    private Path data;

    private Shop shop;
    private long oar;
    private JdbcTemplate database;

    @Test
    void aStartHasTheTableAsTheStopLeftIt() throws IOException {
        run(first -> {
            shop = new Shop(first.api(), LISTINGS);
            assertThat(having("paddle")).isEqualTo(1);
            oar = shop.itemId("C");
            behindItsBack("Birch paddle");
        });
        assertThat(files()).hasSize(1);
        run(second -> {
            assertThat(having("ash")).as("what the table was like").isEqualTo(1);
            assertThat(having("birch")).isZero();
            assertThat(tokens()).as("those that a kill would leave").isZero();
        });
        run(third -> {
            shop.post("/cells", "[{\"itemId\":" + oar + ",\"field\":\"title\",\"text\":\"Sweep\"}]");
            assertThat(having("sweep"))
                    .as("typed before anybody looked at the table")
                    .isEqualTo(1);
            assertThat(having("ash")).as("what nobody changed").isEqualTo(1);
            shop.batch(edit("after", "description", "\"with\":\" of cedar\""));
            assertThat(files()).as("what is no longer so").isEmpty();
        });
        run(fourth -> {
            assertThat(having("of cedar")).isEqualTo(3);
            assertThat(having("ash")).as("what nobody changed").isEqualTo(1);
        });
        run(fifth -> {
            shop.importFile(LISTINGS + "D,Yew bow,Bent\n");
            assertThat(having("yew"))
                    .as("what changed before the table was asked for")
                    .isEqualTo(1);
        });
    }

    @Test
    void aDamagedFileOrOneOfAnotherStopOrOfSomebodyAtWorkIsPassedOver() throws IOException {
        run(first -> {
            shop = new Shop(first.api(), LISTINGS);
            having("paddle");
            behindItsBack("Birch paddle");
        });
        Path file = files().get(0);
        byte[] good = Files.readAllBytes(file);
        byte[] bytes = good.clone();
        bytes[good.length / 2] ^= 1;
        Files.write(file, bytes);
        run(again -> {
            assertThat(having("birch")).as("with one bit turned").isEqualTo(1);
        });
        Files.write(file, good);
        run(again -> {
            assertThat(having("birch")).as("of another stop").isEqualTo(1);
            database.update(
                    "insert into writer (property_id, work, since) values (?, 'a batch', now())", shop.property());
        });
        assertThat(files()).isEmpty();
    }

    @Test
    void whatIsTypedWhileATableIsSetAsideIsInIt(Api api, ApplicationContext application) {
        StringBuilder csv = new StringBuilder("id,title,description\n");
        for (int i = 0; i < 40; i++) csv.append("L%d,Paddle %d,Carved by hand%n".formatted(i, i));
        shop = new Shop(api, csv.toString());
        Items items = application.getBean(Items.class);
        AtomicBoolean typing = new AtomicBoolean(true);
        CompletableFuture<Integer> aside = CompletableFuture.supplyAsync(() -> {
            int times = 0;
            for (; typing.get(); times++) {
                items.prepare(shop.property());
                assertThat(items.setAside(shop.property()) || times == 0).isTrue();
            }
            return times;
        });
        for (int i = 0; i < 120; i++)
            shop.post(
                    "/cells",
                    "[{\"itemId\":%d,\"field\":\"title\",\"text\":\"Oar %d\"}]"
                            .formatted(shop.itemId("L" + i % 40), i * 7 % 120));
        typing.set(false);
        assertThat(aside.join()).isGreaterThan(20);
        String sorted = shop.get("/items/ids?count=40&sort=title").body();
        items.changed(shop.property());
        assertThat(shop.get("/items/ids?count=40&sort=title").body()).isEqualTo(sorted);
    }

    @Test
    void roomIsMadeOfTheTablesOfOthersAndOnlyWhereItIsNeeded(Api api, ApplicationContext application) {
        Items items = application.getBean(Items.class);
        long own = new Shop(api, "id,title\nL1,Paddle\n").property();
        long other = new Shop(api, "id,title\nL1,Oar\n").property();
        items.prepare(own);
        items.prepare(other);
        items.makeRoom(own, 1_000);
        assertThat(items.setAside(other)).as("was still in use").isTrue();
        items.prepare(other);
        items.makeRoom(own, Runtime.getRuntime().maxMemory());
        assertThat(items.setAside(other)).isFalse();
        assertThat(items.setAside(own)).isTrue();
    }

    private void run(Consumer<OwnApplication> work) {
        try (OwnApplication application = OwnApplication.on(data)) {
            database = application.context().getBean(JdbcTemplate.class);
            if (shop != null) shop = new Shop(application.api(), shop.property());
            work.accept(application);
        }
    }

    /** Nothing does so; it tells what was read from the database. */
    private void behindItsBack(String title) {
        assertThat(database.update("update item set title = ? where title = 'Ash paddle'", title))
                .isEqualTo(1);
    }

    private int having(String text) {
        return shop.api()
                .get("/api/properties/" + shop.property() + "/items?q=" + text.replace(" ", "%20"))
                .json()
                .path("total")
                .asInt();
    }

    private int tokens() {
        return database.queryForObject("select count(*) from kept_table", Integer.class);
    }

    private List<Path> files() {
        try (Stream<Path> files = Files.list(data.resolve("tables"))) {
            return files.toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
