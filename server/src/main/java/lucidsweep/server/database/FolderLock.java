package lucidsweep.server.database;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/**
 * Keeps a data folder for one application, from before the database is opened until after it is closed: copies are put back in
 * that time, and the database has no lock of its own yet. The system lets go of it however the process ends.
 */
public final class FolderLock implements AutoCloseable {

    private static final String NAME = "in-use";

    private final FileChannel file;

    private FolderLock(FileChannel file) {
        this.file = file;
    }

    /** @return empty where another application has it */
    public static Optional<FolderLock> take(Path folder) throws IOException {
        FileChannel file = FileChannel.open(folder.resolve(NAME), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        if (isTaken(file)) {
            file.close();
            return Optional.empty();
        }
        return Optional.of(new FolderLock(file));
    }

    private static boolean isTaken(FileChannel file) throws IOException {
        try {
            FileLock lock = file.tryLock();
            return lock == null;
        } catch (OverlappingFileLockException byThisProcess) {
            return true;
        }
    }

    @Override
    public void close() throws IOException {
        file.close();
    }
}
