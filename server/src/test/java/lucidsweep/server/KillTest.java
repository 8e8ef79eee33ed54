package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.server.command.LucidCommand;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/**
 * Sweeps and imports whose process is killed again and again: nothing is lost, nothing is there twice. {@code ./bench} kills
 * it 50 times.
 */
class KillTest {

    private static final int KILLS = Integer.getInteger("kills", 1);
    private static final int PAGES = 200 * KILLS;
    private static final int LISTINGS = KILLS > 1 ? 4_000 : 1_500;
    private static final int DEMAND = KILLS > 1 ? 10_000 : 4_000;
    private static final int KEYWORDS = 3_000;

    /** Whoever asks a busy machine all the time keeps it busy. */
    private static final long EVERY_NANOS = 10_000_000;

    private final Random random = new Random(KILLS);

    @TempDir
    private Path data;

    @Test
    void sweepsGoOnWhereTheyWereAndImportsBeginAnewAndLeaveNothingTwice() throws IOException {
        long sweeping = 0;
        long done = 0;
        long shop = 0;
        int listings = 0;
        int demand = 0;
        try (Website website = Website.ofSize(PAGES, 0)) {
            for (int kill = 0; kill < KILLS; kill++) {
                try (KilledApplication application = KilledApplication.on(data)) {
                    Api api = application.api();
                    if (kill == 0) sweeping = begin(api, website, 100);
                    if (kill == 0) shop = api.property("listings", "", false);
                    for (int asked = random.nextInt(120); asked >= 0; asked--) {
                        LockSupport.parkNanos(EVERY_NANOS);
                        if (isRunning(api, shop)) continue;
                        boolean ofItems = listings <= demand;
                        apply(api, shop, ofItems ? listings(++listings) : demand(++demand));
                    }
                    done = reached(api, sweeping, done + 1 + random.nextInt(100));
                }
                assertThat(done).as("done when it was killed").isBetween(1L, PAGES - 1L);
            }
            try (OwnApplication application = OwnApplication.on(data)) {
                Api api = application.api();
                api.ended(sweeping);
                awaitJobs(api, shop);
                if (demand == 0) apply(api, shop, demand(++demand));
                awaitJobs(api, shop);
                JdbcTemplate database = application.context().getBean(JdbcTemplate.class);
                assertThat(count(database, "sweep where state = 'done'"))
                        .as("the crawl and every import ended")
                        .isEqualTo(count(database, "sweep"))
                        .isEqualTo(1 + listings + demand);
                assertThat(count(database, "property where judged_changes < text_changes"))
                        .isZero();
                checkPages(database, shop);
                checkListings(database, shop, listings, demand);
            }
        }
        try (var files = Files.list(data.resolve("uploads"))) {
            assertThat(files).as("files that are still kept").isEmpty();
        }
    }

    private static void awaitJobs(Api api, long property) {
        for (JsonNode job : api.get("/api/properties/" + property + "/jobs").json())
            api.ended(job.path("id").asLong());
    }

    private static void checkPages(JdbcTemplate database, long shop) {
        assertThat(count(database, "visit where outcome = 'captured'")).isEqualTo(PAGES);
        assertThat(count(database, "visit where outcome <> 'captured'")).isZero();
        assertThat(count(database, "(select distinct address from visit)")).isEqualTo(PAGES);
        assertThat(count(database, "item where property_id <> " + shop)).isEqualTo(PAGES);
        assertThat(count(database, "item i join capture c on c.id = i.capture_id join body b on b.capture_id = c.id"))
                .isEqualTo(PAGES);
        assertThat(count(database, "capture")).isEqualTo(PAGES);
    }

    private static void checkListings(JdbcTemplate database, long shop, int listings, int demand) {
        assertThat(count(database, "item where not gone and property_id = " + shop))
                .isEqualTo(LISTINGS);
        assertThat(count(
                        database,
                        "item where title = 'Paddle ' || substring(address, 2) || ' of year " + listings + "'"))
                .as("titles of the last file")
                .isEqualTo(LISTINGS);
        assertThat(database.queryForObject("select sum(size) from imported_rows", Long.class))
                .as("the rows of every file")
                .isEqualTo((long) listings * LISTINGS);
        assertThat(count(database, "demand where clicks = " + demand)).isEqualTo(DEMAND);
        assertThat(count(database, "demand")).isEqualTo(DEMAND);
        assertThat(count(database, "import_source")).isZero();
    }

    @Test
    void whatFitsWhatIsWorkedOutAfterAKill() throws Exception {
        StringBuilder list = new StringBuilder("keyword,volume");
        for (int i = 0; i < KEYWORDS; i++)
            list.append("\\nboat ").append(i % 700).append(" place ").append(i).append(",10");
        long shop;
        try (KilledApplication application = KilledApplication.on(data)) {
            Api api = application.api();
            shop = api.property("listings", "", false);
            api.importListings(shop, "id,title\nA1,Boat 1 place 1\n");
            AtomicReference<Object> answer = new AtomicReference<>("none yet");
            String keywords = "/api/properties/" + shop + "/keywords";
            Thread adding = new Thread(() -> answer.set(api.post(keywords, "{\"text\":\"" + list + "\"}")));
            adding.setUncaughtExceptionHandler((thread, cutOff) -> answer.set(cutOff));
            adding.start();
            String standing = "/api/properties/" + shop + "/standing";
            while (api.get(standing).json().path("keywords").asInt() == 0) {
                assertThat(adding.isAlive()).as(String.valueOf(answer.get())).isTrue();
                LockSupport.parkNanos(1_000_000);
            }
            application.close();
            adding.join();
        }
        try (OwnApplication application = OwnApplication.on(data)) {
            Api api = application.api();
            awaitJobs(api, shop);
            JsonNode standing = api.get("/api/properties/" + shop + "/standing").json();
            if (standing.path("keywords").asInt() > 0) {
                assertThat(standing.path("keywords").asInt()).isEqualTo(KEYWORDS);
                assertThat(standing.path("aimed").asInt())
                        .as(standing.toString())
                        .isEqualTo(1);
            }
        }
    }

    @Test
    void theCommandGoesOnWhereItWasCutShort() throws IOException {
        Path out = data.resolve("out");
        ByteArrayOutputStream errors = new ByteArrayOutputStream();
        PrintStream before = System.err;
        try (Website website = Website.ofSize(PAGES, 0)) {
            try (KilledApplication application = KilledApplication.on(data)) {
                reached(application.api(), begin(application.api(), website, 20), 50);
                // Answered once everything before it is on the disk.
                application.api().post("/api/clients", "{\"name\":\"Other\",\"brand\":\"\",\"places\":\"\"}");
            }
            System.setErr(new PrintStream(errors, true, StandardCharsets.UTF_8));
            int status = LucidCommand.run(LucidSweep.class, new String[] {
                "sweep", website.address().toString(), "--out", out.toString(), "--data", data.toString()
            });
            assertThat(status).isZero();
            assertThat(errors.toString(StandardCharsets.UTF_8))
                    .matches("going on: [1-9][\\d,]* of [\\d,]+ known pages done\n");
            assertThat(Files.readAllLines(out.resolve("items.csv"))).hasSize(PAGES + 1);
        } finally {
            System.setErr(before);
        }
    }

    /** Begins to sweep a website, slowly enough to be killed on the way; returns the job. */
    private static long begin(Api api, Website website, int delayMs) {
        long property = api.property("website", website.address().toString(), true);
        Reply begun = api.post(
                "/api/properties/" + property + "/sweeps",
                "{\"maxPages\":100000,\"maxDepth\":50,\"connections\":3,\"delayMs\":" + delayMs + "}");
        return begun.json().path("jobId").asLong();
    }

    /** Waits until a job has done so much, or has ended; returns how much it has done. */
    private static long reached(Api api, long job, long target) {
        JsonNode state = api.get("/api/jobs/" + job).json();
        while (state.path("state").asString().equals("running")
                && state.path("done").asLong() < target) {
            LockSupport.parkNanos(EVERY_NANOS);
            state = api.get("/api/jobs/" + job).json();
        }
        return state.path("done").asLong();
    }

    private static boolean isRunning(Api api, long property) {
        return api.get("/api/properties/" + property + "/sweeps").body().contains("\"state\":\"running\"");
    }

    private static void apply(Api api, long property, String csv) {
        JsonNode plan = api.upload(
                        "/api/properties/" + property + "/imports", "file.csv", csv.getBytes(StandardCharsets.UTF_8))
                .json();
        Reply applied = api.post("/api/imports/" + plan.path("token").asString() + "/apply", Api.choice(plan));
        assertThat(applied.status()).as(applied.body()).isEqualTo(200);
    }

    private static String listings(int year) {
        return IntStream.range(0, LISTINGS)
                .mapToObj(i -> "L" + i + ",Paddle " + i + " of year " + year)
                .collect(Collectors.joining("\n", "id,title\n", "\n"));
    }

    private static String demand(int clicks) {
        return IntStream.range(0, DEMAND)
                .mapToObj(i -> "L" + i % LISTINGS + ",paddle " + i + ",2026-10," + clicks + ",900")
                .collect(Collectors.joining("\n", "page,query,month,clicks,impressions\n", "\n"));
    }

    private static long count(JdbcTemplate database, String what) {
        return database.queryForObject("select count(*) from " + what, Long.class);
    }
}
