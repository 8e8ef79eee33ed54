package lucidsweep.server.startup;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/**
 * The folder that {@code ./start} has temporary files put into: uploads on their way in, deliveries on their way out. They are on
 * the disk whose room is watched, and what a kill left there of a client's texts goes at the next start.
 */
@Component
final class TemporaryFiles {

    private final Path folder;

    TemporaryFiles(@Value("${lucid.data}") Path data) {
        folder = data.resolve("temporary");
    }

    /** By now the database is open, so that nobody else works in the data folder. */
    @EventListener(ApplicationReadyEvent.class)
    void removeLeftovers() throws IOException {
        if (!Files.isDirectory(folder)) return;
        FileTime began =
                FileTime.fromMillis(ManagementFactory.getRuntimeMXBean().getStartTime());
        try (Stream<Path> all = Files.list(folder)) {
            for (Path each : all.toList()) {
                boolean ours = Files.getLastModifiedTime(each).compareTo(began) >= 0;
                if (!ours) FileSystemUtils.deleteRecursively(each);
            }
        }
    }
}
