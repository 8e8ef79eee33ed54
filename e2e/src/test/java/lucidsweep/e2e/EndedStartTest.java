package lucidsweep.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Isolated;

/** Ctrl+C ends what the README's first command started, and the next start has what was there: after all who use the first. */
@Isolated
@Order(2)
class EndedStartTest {

    @Test
    void nothingIsLeftRunningAndNothingIsLost(@TempDir Path folder) throws Exception {
        RunningCommand first = RunningCommand.first();
        assertThat(first.get("/api/portfolio")).contains("Otter Point Boats");
        first.interrupt();

        RunningCommand second = RunningCommand.start(Path.of(".."), folder.resolve("said.txt"), "./start");
        try {
            second.awaitLine(RunningCommand.READY);
            assertThat(second.address()).isEqualTo(first.address());
            assertThat(second.said()).as("nothing is built twice").doesNotContain("Building");
            assertThat(second.get("/api/portfolio")).contains("Otter Point Boats");
        } finally {
            second.interrupt();
        }
    }
}
