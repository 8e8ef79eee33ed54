package lucidsweep.server.command;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.CsvText;

/** The files that commands read and write; what cannot be done ends as one line. */
final class CommandFiles {

    private CommandFiles() {}

    static TableFile table(String name) {
        Path file = Path.of(name);
        if (!Files.isReadable(file) || Files.isDirectory(file)) {
            throw new Usage(Usage.BAD_ARGUMENTS, "cannot read the file " + name);
        }
        return TableFile.of(file);
    }

    static Path folder(String name) {
        try {
            return Files.createDirectories(Path.of(name));
        } catch (IOException e) {
            throw new Usage(Usage.BAD_ARGUMENTS, "cannot make the folder " + name + ": " + e.getMessage());
        }
    }

    static CsvText csv(Path folder, String name) {
        try {
            return new CsvText(Files.newBufferedWriter(folder.resolve(name), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new Usage(Usage.BAD_ARGUMENTS, "cannot write " + folder.resolve(name) + ": " + e.getMessage());
        }
    }
}
