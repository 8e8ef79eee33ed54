package lucidsweep.server.gather.imports;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Files that were taken in, kept beside the database until they are read or were left alone for a day. Tokens name them. */
@Component
public final class Uploads {

    private static final Duration KEPT = Duration.ofDays(1);

    private final Path folder;

    Uploads(@Value("${lucid.data}") Path data) {
        folder = data.resolve("uploads");
    }

    /** Makes a new, empty file; returns its token. */
    public String add() throws IOException {
        Files.createDirectories(folder);
        for (Path each : all()) {
            if (Files.getLastModifiedTime(each)
                    .toInstant()
                    .isBefore(Instant.now().minus(KEPT))) Files.deleteIfExists(each);
        }
        String token = UUID.randomUUID().toString();
        Files.createFile(file(token));
        return token;
    }

    public String add(InputStream content) throws IOException {
        String token = add();
        Files.copy(content, file(token), StandardCopyOption.REPLACE_EXISTING);
        return token;
    }

    public Path file(String token) {
        return folder.resolve(token);
    }

    public void remove(String token) {
        try {
            Files.deleteIfExists(file(token));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Removes every file whose token is not among these. */
    void keepOnly(Collection<String> tokens) {
        for (Path each : all()) {
            if (!tokens.contains(each.getFileName().toString()))
                remove(each.getFileName().toString());
        }
    }

    private List<Path> all() {
        if (!Files.isDirectory(folder)) return List.of();
        try (Stream<Path> files = Files.list(folder)) {
            return files.toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
