package lucidsweep.server.startup;

import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFilePermissions;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** What clients entrusted to us is for the eyes of the person who runs the application, not for other users of the machine. */
@Component
final class OwnerOnly {

    private final Path folder;

    OwnerOnly(@Value("${lucid.data}") Path folder) {
        this.folder = folder;
    }

    /** The database makes its own files; they are restricted once it has. What is gone by then needs no more. */
    @EventListener(ApplicationReadyEvent.class)
    void restrictAll() throws IOException {
        Files.walkFileTree(folder, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path each, BasicFileAttributes attributes) throws IOException {
                return visitFile(each, attributes);
            }

            @Override
            public FileVisitResult visitFile(Path each, BasicFileAttributes attributes) throws IOException {
                try {
                    if (!each.equals(folder)) restrict(each);
                    return FileVisitResult.CONTINUE;
                } catch (NoSuchFileException e) {
                    return visitFileFailed(each, e);
                }
            }

            @Override
            public FileVisitResult visitFileFailed(Path each, IOException problem) throws IOException {
                if (problem instanceof NoSuchFileException) return FileVisitResult.CONTINUE;
                throw problem;
            }
        });
    }

    /** Takes a file or folder from everybody but its owner; does nothing where the file system knows no owners. */
    static void restrict(Path path) throws IOException {
        if (!Files.getFileStore(path).supportsFileAttributeView("posix")) return;
        String rights = Files.isDirectory(path) ? "rwx------" : "rw-------";
        Files.setPosixFilePermissions(path, PosixFilePermissions.fromString(rights));
    }
}
