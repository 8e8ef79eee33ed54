package lucidsweep.server.backup;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Enumeration;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/** The file of the database in a data folder, and copies of it in ZIP files as the database makes them. */
public final class DatabaseFile {

    /** The name of the file, in the folder and in a copy. */
    public static final String NAME = "lucid-sweep.mv.db";

    /** The name of the key that logins are sealed with; a database is of use only with its own. */
    public static final String KEY = "lucid-sweep.key";

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
                try (InputStream in = copy.getInputStream(entry)) {
                    Files.copy(in, whole, StandardCopyOption.REPLACE_EXISTING);
                }
                Files.move(
                        whole,
                        folder.resolve(name),
                        StandardCopyOption.REPLACE_EXISTING,
                        StandardCopyOption.ATOMIC_MOVE);
            }
        }
    }
}
