package lucidsweep.server.startup;

import java.io.File;
import java.lang.management.ManagementFactory;
import java.nio.file.Path;
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

    private final File folder;

    TemporaryFiles(@Value("${lucid.data}") Path data) {
        folder = data.resolve("temporary").toFile();
    }

    /** By now the database is open, so that nobody else works in the data folder. What cannot be removed keeps nobody from working. */
    @EventListener(ApplicationReadyEvent.class)
    void removeLeftovers() {
        File[] all = folder.listFiles();
        if (all == null) return;
        long began = ManagementFactory.getRuntimeMXBean().getStartTime();
        for (File each : all) if (each.lastModified() < began) FileSystemUtils.deleteRecursively(each);
    }
}
