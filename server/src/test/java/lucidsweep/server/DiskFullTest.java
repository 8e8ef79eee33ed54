package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
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
    private static final int LISTINGS = 30_000;

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
        try (KilledApplication application = KilledApplication.on(data, "--lucid.reserve-mb=" + RESERVE_MB)) {
            Api api = application.api();
            long property = api.property("listings", "", false);
            byte[] file = listings();
            JsonNode plan = api.upload("/api/properties/" + property + "/imports", "a.csv", file)
                    .json();
            fill(RESERVE_MB + 3);
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
}
