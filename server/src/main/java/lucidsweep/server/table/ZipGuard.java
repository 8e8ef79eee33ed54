package lucidsweep.server.table;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import lucidsweep.server.web.Refusal;

/** Refuses archives that unpack to far more than they are: their real sizes are counted, whatever they say themselves. */
final class ZipGuard {

    private static final long MAX_BYTES = 4_000_000_000L;
    private static final long FREE_BYTES = 50_000_000L;
    private static final int MAX_TIMES = 200;
    private static final int MAX_ENTRIES = 500_000;

    private ZipGuard() {}

    static void check(Path file) {
        long bytes = 0;
        byte[] chunk = new byte[65_536];
        try (ZipFile zip = new ZipFile(file.toFile())) {
            long packed = Files.size(file);
            if (zip.size() > MAX_ENTRIES) throw refused("it holds more than 500,000 files");
            if (zip.size() == 0)
                throw Refusal.badInput("this archive is empty; a spreadsheet or saved pages were expected");
            for (ZipEntry entry : Collections.list(zip.entries())) {
                try (InputStream in = zip.getInputStream(entry)) {
                    for (int count; (count = in.read(chunk)) >= 0; ) {
                        bytes += count;
                        if (bytes > MAX_BYTES || bytes > FREE_BYTES && bytes > packed * MAX_TIMES) {
                            throw refused("it unpacks to more than " + bytes / 1_000_000 + " MB");
                        }
                    }
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            throw Refusal.badInput("this archive is damaged: " + e.getMessage());
        }
    }

    private static Refusal refused(String why) {
        return Refusal.badInput("this archive was not opened: " + why);
    }
}
