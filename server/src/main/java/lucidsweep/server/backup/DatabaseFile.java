package lucidsweep.server.backup;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Enumeration;
import java.util.List;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import lucidsweep.server.web.Refusal;
import org.springframework.util.FileSystemUtils;

/** The file of the database in a data folder, and copies of it in ZIP files as the database makes them. */
public final class DatabaseFile {

    /** The name of the file, in the folder and in a copy. */
    public static final String NAME = "lucid-sweep.mv.db";

    /** The name of the key that logins are sealed with; a database is of use only with its own. */
    public static final String KEY = "lucid-sweep.key";

    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss");

    private DatabaseFile() {}

    /** The command that has the database write a copy of itself to a ZIP file. */
    static String copyTo(Path zip) {
        return "backup to '" + zip.toString().replace("'", "''") + "'";
    }

    /** Whether a file is a copy of a database. */
    public static boolean isCopy(Path zip) {
        try (ZipFile copy = new ZipFile(zip.toFile())) {
            return copy.getEntry(NAME) != null;
        } catch (IOException e) {
            return false;
        }
    }

    /** @throws Refusal where a file is no copy of a database */
    static void requireCopy(Path zip) {
        if (!isCopy(zip)) throw Refusal.badInput("expected a ZIP file that a backup wrote; this file is none");
    }

    /** How many bytes the database of a copy has once it is unpacked. */
    static long unpackedSize(Path zip) throws IOException {
        try (ZipFile copy = new ZipFile(zip.toFile())) {
            return copy.getEntry(NAME).getSize();
        }
    }

    /** The address of the database in a folder. */
    static String url(Path folder) {
        return "jdbc:h2:file:" + folder.resolve("lucid-sweep") + ";DB_CLOSE_ON_EXIT=FALSE;TRACE_LEVEL_FILE=0";
    }

    /** Writes a ZIP file of the closed database in a folder and its key, as {@link #putBack} reads it. */
    static void copy(Path folder, OutputStream out) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (String name : List.of(NAME, KEY)) {
                if (!Files.exists(folder.resolve(name))) continue;
                zip.putNextEntry(new ZipEntry(name));
                Files.copy(folder.resolve(name), zip);
                zip.closeEntry();
            }
        }
    }

    /**
     * Puts a database that has nothing in it yet into a folder that has none: making one anew takes a tenth of a first start.
     *
     * @param empty such a database of this version or an earlier one; where it is missing, nothing is done
     */
    public static void begin(Path folder, Path empty) throws IOException {
        if (Files.exists(folder.resolve(NAME)) || !Files.exists(empty)) return;
        Path whole = folder.resolve(NAME + ".part");
        Files.copy(empty, whole, StandardCopyOption.REPLACE_EXISTING);
        Files.move(whole, folder.resolve(NAME), StandardCopyOption.ATOMIC_MOVE);
    }

    /** Where a copy waits to be put back at the next start. */
    static Path waiting(Path folder) {
        return folder.resolve("restore-at-next-start.zip");
    }

    /** Puts a copy back that waits for it. */
    public static void putBackWhatWaits(Path folder) throws IOException {
        if (!Files.exists(waiting(folder))) return;
        replace(waiting(folder), folder);
        Files.delete(waiting(folder));
    }

    /**
     * Puts a copy in the place of what a folder holds, which is kept beside it; the database must not be open.
     *
     * @return where that is kept; empty where nothing was there
     * @throws Refusal where the copy is damaged or of a later version; then the folder stays as it was
     */
    public static Optional<Path> replace(Path zip, Path folder) throws IOException {
        Path unpacked = folder.resolve("restoring");
        try {
            putBack(zip, unpacked);
            DatabaseVersion.check(unpacked);
            Optional<Path> kept = replaceWith(unpacked, folder);
            // Nothing is left of an upgrade that was cut short before.
            new UpgradeCopy(folder).end();
            return kept;
        } finally {
            FileSystemUtils.deleteRecursively(unpacked);
        }
    }

    private static Optional<Path> replaceWith(Path unpacked, Path folder) throws IOException {
        Path kept = folder.resolve("replaced-" + STAMP.format(LocalDateTime.now()));
        for (String name : List.of(NAME, KEY)) {
            if (Files.exists(folder.resolve(name))) {
                Files.move(folder.resolve(name), Files.createDirectories(kept).resolve(name));
            }
        }
        for (String name : List.of(KEY, NAME)) {
            if (Files.exists(unpacked.resolve(name))) {
                Files.move(unpacked.resolve(name), folder.resolve(name), StandardCopyOption.ATOMIC_MOVE);
            }
        }
        return Files.exists(kept) ? Optional.of(kept) : Optional.empty();
    }

    /** Puts the files of a copy into a data folder, in the place of those that are there; the database must not be open. */
    public static void putBack(Path zip, Path folder) throws IOException {
        Files.createDirectories(folder);
        try (ZipFile copy = new ZipFile(zip.toFile())) {
            Enumeration<? extends ZipEntry> entries = copy.entries();
            while (entries.hasMoreElements()) {
                ZipEntry entry = entries.nextElement();
                Path name = Path.of(entry.getName()).getFileName();
                if (entry.isDirectory() || name == null || !name.toString().startsWith("lucid-sweep.")) continue;
                Path whole = folder.resolve(name + ".part");
                unpack(copy, entry, whole);
                Files.move(
                        whole,
                        folder.resolve(name),
                        StandardCopyOption.REPLACE_EXISTING,
                        StandardCopyOption.ATOMIC_MOVE);
            }
        }
    }

    /** Writes as many bytes as the entry says that it has; room was looked for by that number. */
    private static void unpack(ZipFile zip, ZipEntry entry, Path to) throws IOException {
        byte[] some = new byte[1 << 16];
        long left = entry.getSize();
        try (InputStream in = zip.getInputStream(entry);
                OutputStream out = Files.newOutputStream(to)) {
            for (int count = in.read(some); count >= 0; count = in.read(some)) {
                left -= count;
                if (left < 0) throw new ZipException("“" + entry.getName() + "” is longer than the ZIP file says");
                out.write(some, 0, count);
            }
        }
    }
}
