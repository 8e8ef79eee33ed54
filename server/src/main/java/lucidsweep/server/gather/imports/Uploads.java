package lucidsweep.server.gather.imports;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.table.TableFile;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Files that were taken in, kept beside the database until they are read or were left alone for a day. Tokens name them. */
@Component
public final class Uploads {

    private static final Duration KEPT = Duration.ofDays(1);

    private static final int OPENED = 4;

    private final Path folder;

    /** A file of JSON is read to its end to know its columns: whoever looks at a file again need not wait for that again. */
    private final RecentlyUsed<Sheet, TableFile> opened = new RecentlyUsed<>(OPENED);

    /** Those of files that came through the interface, known from their coming: large ones need not be read once more for it. */
    private final Map<String, String> hashes = new ConcurrentHashMap<>();

    /** @param name null for the one that looks most like a table */
    private record Sheet(String token, String name) {}

    Uploads(@Value("${lucid.data}") Path data) {
        folder = data.resolve("uploads");
    }

    /** Makes a new, empty file; returns its token. */
    public String add() throws IOException {
        Files.createDirectories(folder);
        for (Path each : all()) {
            if (Files.getLastModifiedTime(each)
                    .toInstant()
                    .isBefore(Instant.now().minus(KEPT)))
                remove(each.getFileName().toString());
        }
        String token = UUID.randomUUID().toString();
        Files.createFile(file(token));
        return token;
    }

    public String add(InputStream content) throws IOException {
        String token = add();
        try (FileChannel file = FileChannel.open(file(token), StandardOpenOption.WRITE);
                OutputStream out = Channels.newOutputStream(file)) {
            DigestInputStream hashed = new DigestInputStream(content, sha256());
            hashed.transferTo(out);
            file.force(true);
            hashes.put(token, hash(hashed));
        } catch (IOException e) {
            remove(token);
            throw e;
        }
        return token;
    }

    public Path file(String token) {
        return folder.resolve(token);
    }

    /** The table in a file; of a spreadsheet that of a sheet, where null of the one that looks most like a table. */
    TableFile table(String token, String sheet) {
        return opened.get(new Sheet(token, sheet), each -> TableFile.of(file(each.token), each.name));
    }

    /** Of a file, in bytes. */
    long size(String token) {
        return file(token).toFile().length();
    }

    /** The SHA-256 of a file, in hex: an import that is begun anew after a kill reads the file that it began with. */
    String hash(String token) {
        return hashes.computeIfAbsent(token, this::readHash);
    }

    private String readHash(String token) {
        try (DigestInputStream in = new DigestInputStream(Files.newInputStream(file(token)), sha256())) {
            in.transferTo(OutputStream.nullOutputStream());
            return hash(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String hash(DigestInputStream read) {
        return HexFormat.of().formatHex(read.getMessageDigest().digest());
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    public void remove(String token) {
        opened.all().keySet().stream()
                .filter(sheet -> sheet.token.equals(token))
                .forEach(opened::remove);
        hashes.remove(token);
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
