package lucidsweep.server.command;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.triage.ExemptionFile;
import lucidsweep.server.triage.SetsFile;
import lucidsweep.server.triage.StandardFile;
import lucidsweep.server.web.CsvText;

/** The files that commands read and write; what cannot be done ends as one line. */
final class CommandFiles {

    private CommandFiles() {}

    static TableFile table(Path file) {
        return table(file, null);
    }

    static TableFile table(Path file, String sheet) {
        if (!Files.isReadable(file) || Files.isDirectory(file)) {
            throw new Unusable("cannot read the file " + file);
        }
        return TableFile.of(file, sheet);
    }

    static Path folder(Path name) {
        try {
            return Files.createDirectories(name);
        } catch (IOException e) {
            throw new Unusable("cannot make the folder " + name + ": " + why(e));
        }
    }

    /** A standard as JSON, checked; null where no file is given. */
    static String standard(Path file) {
        if (file == null) return null;
        String json = text(file);
        StandardFile.of(json);
        return json;
    }

    private static String text(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new Unusable("cannot read the file " + file);
        }
    }

    static void setStandard(StartedApplication application, Property property, String standard) {
        if (standard != null) application.get(Clients.class).setStandard(property.id(), standard);
    }

    /** Sets as JSON, checked; null where no file is given. */
    static List<SetsFile.Entry> sets(Path file) {
        return file == null ? null : SetsFile.read(text(file));
    }

    /** What is let stand, checked; nothing where no file is given. */
    static List<ExemptionFile.Line> exemptions(Path file) {
        return file == null ? List.of() : ExemptionFile.read(table(file));
    }

    static CsvText csv(Path folder, String name) {
        return csv(folder.resolve(name));
    }

    static CsvText csv(Path file) {
        try {
            return CsvText.guarded(Files.newBufferedWriter(file, StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new Unusable("cannot write " + file + ": " + why(e));
        }
    }

    /** The reason in words; the exceptions of file systems often say no more than the file's name. */
    static String why(IOException problem) {
        if (problem instanceof FileAlreadyExistsException exists) return exists.getFile() + " is a file";
        if (problem instanceof AccessDeniedException denied) return denied.getFile() + " may not be written to";
        if (problem instanceof FileSystemException other && other.getReason() != null) return other.getReason();
        return String.valueOf(problem.getMessage());
    }
}
