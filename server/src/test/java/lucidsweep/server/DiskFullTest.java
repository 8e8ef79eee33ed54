package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** On a disk that fills up, what was begun is undone, what is refused is said in words, and all goes on once there is room. */
class DiskFullTest {

    private static final int DISK_MB = 600;
    private static final int RESERVE_MB = 200;
    private static final int LISTINGS = 12_000;
    private static final int PAGES = 400;
    private static final int PAGE_LETTERS = 30_000;

    @TempDir
    private Path folder;

    private Path disk;

    @BeforeEach
    void aSmallDisk() throws Exception {
        disk = Files.createDirectory(folder.resolve("disk"));
        assumeTrue(ran("mount", "-t", "tmpfs", "-o", "size=" + DISK_MB + "m", "tmpfs", disk.toString()), "needs root");
    }

    @AfterEach
    void unmount() throws Exception {
        ran("umount", "--lazy", disk.toString());
    }

    private static boolean ran(String... command) throws IOException, InterruptedException {
        return new ProcessBuilder(command).redirectErrorStream(true).start().waitFor() == 0;
    }

    private void fill(int leaveMb) throws IOException {
        try (RandomAccessFile filler =
                new RandomAccessFile(disk.resolve("filler").toFile(), "rw")) {
            byte[] megabyte = new byte[1_000_000];
            while (Files.getFileStore(disk).getUsableSpace() > (leaveMb + 1) * 1_000_000L) filler.write(megabyte);
        }
    }

    private static byte[] listings() {
        StringBuilder csv = new StringBuilder("id,title,description,tags\n");
        for (int i = 0; i < LISTINGS; i++) {
            csv.append("L").append(i).append(",Paddle of ash number ").append(i);
            csv.append(",Carved by hand in the shed at Gull Cove and oiled three times ")
                    .append(i);
            csv.append(",\"ash, paddle, gift ").append(i).append("\"\n");
        }
        return csv.toString().getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void whatDoesNotFitIsUndoneAndSaidAndGoesInOnceThereIsRoom() throws IOException {
        Path data = Files.createDirectory(disk.resolve("data"));
        try (OwnApplication application = OwnApplication.on(data, "--lucid.reserve-mb=" + RESERVE_MB)) {
            Api api = application.api();
            long property = api.property("listings", "", false);
            byte[] file = listings();
            JsonNode plan = api.upload("/api/properties/" + property + "/imports", "a.csv", file)
                    .json();
            fill(RESERVE_MB + 1);
            Reply applied = api.post("/api/imports/" + plan.path("token").asString() + "/apply", Api.choice(plan));
            JsonNode job = api.ended(applied.json().path("jobId").asLong());
            assertThat(job.path("state").asString()).isEqualTo("failed");
            assertThat(job.path("note").asString()).contains("The disk that holds the data is nearly full");
            assertThat(api.get("/api/properties/" + property + "/items")
                            .json()
                            .path("total")
                            .asInt())
                    .isZero();

            fill(RESERVE_MB - 5);
            Reply refused = api.upload("/api/properties/" + property + "/imports", "a.csv", file);
            assertThat(refused.status()).isEqualTo(507);
            assertThat(refused.problem()).contains("MB are kept as a reserve. Free some space and try again.");

            Files.delete(disk.resolve("filler"));
            assertThat(api.importListings(property, new String(file, StandardCharsets.UTF_8))
                            .path("state")
                            .asString())
                    .isEqualTo("done");
            assertThat(api.get("/api/properties/" + property + "/items")
                            .json()
                            .path("total")
                            .asInt())
                    .isEqualTo(LISTINGS);
        }
    }

    @Test
    void aSweepEndsInTimeAndGoesOnWhereItWasOnceThereIsRoom() throws IOException {
        Path data = Files.createDirectory(disk.resolve("data"));
        try (Site site = pages();
                OwnApplication application = OwnApplication.on(data, "--lucid.reserve-mb=" + RESERVE_MB)) {
            Api api = application.api();
            long property = api.property("website", site.address(), true);
            fill(RESERVE_MB + 3);
            JsonNode job = api.sweep(property);
            assertThat(job.path("state").asString()).isEqualTo("failed");
            assertThat(job.path("note").asString()).contains("The disk that holds the data is nearly full");
            int seen = titles(api, property);
            assertThat(seen).isBetween(1, PAGES - 1);

            Files.delete(disk.resolve("filler"));
            long sweep = api.get("/api/properties/" + property + "/sweeps")
                    .json()
                    .get(0)
                    .path("id")
                    .asLong();
            Reply resumed = api.post("/api/sweeps/" + sweep + "/resume", "");
            assertThat(api.ended(resumed.json().path("jobId").asLong())
                            .path("state")
                            .asString())
                    .isEqualTo("done");
            assertThat(titles(api, property)).isEqualTo(PAGES + 1);
            assertThat(site.requests().stream().map(Site.Request::path).distinct())
                    .as("what was stored is not asked again, but for what was under way")
                    .hasSizeGreaterThan(site.requests().size() - 60);
        }
    }

    private static int titles(Api api, long property) {
        return api.get("/api/properties/" + property + "/items")
                .json()
                .path("total")
                .asInt();
    }

    /** A site of pages that cannot be packed much. */
    private static Site pages() {
        Random random = new Random(14);
        Site site = new Site();
        String[] links = new String[PAGES];
        for (int i = 0; i < PAGES; i++) {
            links[i] = "/paddle-" + i;
            StringBuilder words = new StringBuilder("<title>Paddle " + i + "</title><p>");
            while (words.length() < PAGE_LETTERS)
                words.append(Long.toString(random.nextLong(), 36)).append(' ');
            site.html(links[i], words.toString());
        }
        return site.page("/", "Paddles", links);
    }
}
