package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import lucidsweep.server.command.LucidCommand;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

class BackupTest {

    @TempDir
    private Path folder;

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
        try (KilledApplication application = KilledApplication.on(here)) {
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
        try (KilledApplication application = KilledApplication.on(there)) {
            Shop shop = new Shop(application.api(), 1);
            assertThat(shop.get("/items").json().path("rows")).isEqualTo(rows);
            assertThat(application.api().get("/api/handovers/1/file").body()).isEqualTo(handover);
        }
        Files.writeString(here.resolve("lucid-sweep.key"), "the key of what was written after the copy");
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
}
