package lucidsweep.server.database;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Keeps a reserve on the disk that holds the data: work that writes much ends before the disk is full, and what it did is
 * undone in the reserve.
 */
@Component
public final class DiskSpace {

    private static final int MEGABYTE = 1_000_000;

    /** The status that the process ends with where the database could not be written. */
    private static final int DISK_FULL = 4;

    private final Path folder;
    private final int reserve;

    DiskSpace(@Value("${lucid.data}") Path folder, @Value("${lucid.reserve-mb:200}") int reserve) {
        this.folder = folder;
        this.reserve = reserve;
    }

    /** Says why nothing more may be written; null where there is room. */
    public String shortage() {
        return shortage(0);
    }

    /** The same of so many bytes besides the reserve. */
    public String shortage(long bytes) {
        try {
            long free = Files.getFileStore(folder).getUsableSpace() / MEGABYTE;
            long needed = bytes / MEGABYTE;
            if (free >= reserve + needed) return null;
            String wanted = needed == 0 ? "" : "this needs " + needed + " MB, ";
            return "The disk that holds the data is nearly full: " + wanted + free + " MB are free, " + reserve
                    + " MB are kept as a reserve. Free some space and try again.";
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Ends the process where the database could not be written because the disk is full: it does not come back to life by
     * itself, and the next start goes on from what was stored last.
     */
    public static void endIfFull(Throwable problem) {
        if (isFull(problem) && causes(problem).anyMatch(DiskSpace::isOfDatabase)) {
            Runtime.getRuntime().halt(DISK_FULL);
        }
    }

    /** Whether something could not be written because the disk is full. */
    public static boolean isFull(Throwable problem) {
        return causes(problem)
                .anyMatch(each -> each instanceof IOException
                        && String.valueOf(each.getMessage()).contains("space"));
    }

    private static boolean isOfDatabase(Throwable problem) {
        return problem.getClass().getName().startsWith("org.h2.");
    }

    private static Stream<Throwable> causes(Throwable problem) {
        return Stream.iterate(problem, Objects::nonNull, Throwable::getCause);
    }
}
