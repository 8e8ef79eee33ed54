package lucidsweep.server.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/**
 * The copy of the database that is made before an upgrade. While the upgrade is under way a mark says so: whoever finds it at
 * the next start, since the upgrade failed or was killed, puts the copy back and begins anew.
 */
public final class UpgradeCopy {

    private final Path folder;

    public UpgradeCopy(Path folder) {
        this.folder = folder;
    }

    /** Where the database writes the copy. */
    Path unfinished() {
        return folder.resolve("before-upgrade.part");
    }

    private Path copy() {
        return folder.resolve("before-upgrade.zip");
    }

    private Path mark() {
        return folder.resolve("upgrade-under-way");
    }

    /** Says that the copy is whole and that the upgrade begins. */
    void begin() throws IOException {
        Files.move(unfinished(), copy(), StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        Files.createFile(mark());
    }

    /** Says that the upgrade has ended well; the copy stays until the next one. */
    void end() throws IOException {
        Files.deleteIfExists(mark());
    }

    /** Deletes the copy of an upgrade that has ended: of what had nothing in it nobody needs one. */
    void delete() throws IOException {
        Files.deleteIfExists(copy());
    }

    /** Puts the copy back where an upgrade was begun and did not end. */
    public void putBackWhereCutShort() throws IOException {
        if (!Files.exists(mark())) return;
        DatabaseFile.putBack(copy(), folder);
        end();
    }
}
