package lucidsweep.server.command;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.FormulaGuard;
import lucidsweep.server.release.push.FolderTexts;
import lucidsweep.server.web.CsvText;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Rewrites texts in the HTML files of a folder, everything else byte for byte. */
@Command(
        name = "apply",
        description = "Rewrites titles, descriptions, H1s, robots and Open Graph in the HTML files of a folder.")
final class ApplyCommand implements Callable<Integer> {

    private static final int SAID = 20;

    @Option(
            names = "--drafts",
            required = true,
            paramLabel = "FILE",
            description = "address, field, before and after, as ./lucid deliver --as csv writes them")
    private Path draftFile;

    @Option(
            names = "--items",
            paramLabel = "FILE",
            description = "items.csv of a sweep: what the drafts were made from, where their file does not say before")
    private Path itemFile;

    @Option(names = "--to", required = true, paramLabel = "FOLDER", description = "the folder of HTML files")
    private Path folder;

    @Option(names = "--report", paramLabel = "FILE", description = "what became of each text, as CSV")
    private Path report;

    @Option(names = "--dry-run", description = "look, and rewrite nothing")
    private boolean dryRun;

    @Override
    public Integer call() throws IOException {
        List<FolderTexts.Text> texts = texts();
        if (texts.isEmpty()) throw new Unusable(draftFile + " has no texts");
        FolderTexts files = new FolderTexts(folder.toString(), dryRun);
        Map<FolderTexts.Outcome, Integer> counts = new EnumMap<>(FolderTexts.Outcome.class);
        try (CsvText csv = report == null ? null : CommandFiles.csv(report)) {
            if (csv != null) csv.row("address", "field", "outcome", "why");
            files.rewrite(texts, line -> {
                counts.merge(line.outcome(), 1, Integer::sum);
                if (csv != null) {
                    csv.row(
                            line.text().address(),
                            line.text().field().code(),
                            line.outcome().toString(),
                            line.why());
                }
                say(line, counts);
            });
        }
        counts.forEach((outcome, count) -> System.out.printf(
                "%s %d%n", dryRun && outcome == FolderTexts.Outcome.REWRITTEN ? "to be rewritten" : outcome, count));
        return isDone(counts) ? 0 : Unusable.NOT_ALL;
    }

    private static boolean isDone(Map<FolderTexts.Outcome, Integer> counts) {
        return !counts.containsKey(FolderTexts.Outcome.CHANGED) && !counts.containsKey(FolderTexts.Outcome.REFUSED);
    }

    private static void say(FolderTexts.Line line, Map<FolderTexts.Outcome, Integer> counts) {
        if (line.why().isEmpty()) return;
        int said = counts.getOrDefault(FolderTexts.Outcome.CHANGED, 0)
                + counts.getOrDefault(FolderTexts.Outcome.REFUSED, 0);
        if (said <= SAID) {
            System.err.printf(
                    "lucid: %s, %s: %s%n",
                    line.text().address(), line.text().field().label(), line.why());
        } else if (said == SAID + 1) System.err.println("lucid: and more; --report writes them all");
    }

    private List<FolderTexts.Text> texts() {
        Map<String, Map<Field, String>> captured = itemFile == null ? Map.of() : captured();
        List<FolderTexts.Text> texts = new ArrayList<>();
        read(draftFile, List.of("address", "field", "after"), row -> {
            String address = row.getField("address");
            Field field = field(row);
            String before = row.findField("before")
                    .orElseGet(() -> captured.getOrDefault(address, Map.of()).get(field));
            if (before == null) {
                throw new Unusable(draftFile + ", line " + row.getStartingLineNumber() + ": what the " + field.label()
                        + " of " + address + " was made from is not known; --items says it");
            }
            texts.add(new FolderTexts.Text(address, field, before, row.getField("after")));
        });
        return texts;
    }

    private Field field(NamedCsvRecord row) {
        try {
            return Field.of(row.getField("field").strip().toLowerCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new Unusable(draftFile + ", line " + row.getStartingLineNumber() + ": " + e.getMessage());
        }
    }

    private Map<String, Map<Field, String>> captured() {
        Map<String, Map<Field, String>> captured = new HashMap<>();
        read(itemFile, List.of("address"), row -> {
            Map<Field, String> of = new EnumMap<>(Field.class);
            for (Field field : Field.values())
                row.findField(field.code()).ifPresent(text -> of.put(field, FormulaGuard.unguarded(text)));
            captured.put(row.getField("address"), of);
        });
        return captured;
    }

    private static void read(Path file, List<String> needed, Consumer<NamedCsvRecord> rows) {
        if (!Files.isReadable(file) || Files.isDirectory(file)) throw new Unusable("cannot read the file " + file);
        try (CsvReader<NamedCsvRecord> csv =
                CsvReader.builder().detectBomHeader(true).ofNamedCsvRecord(file)) {
            for (NamedCsvRecord row : csv) {
                for (String name : needed) {
                    if (row.findField(name).isEmpty()) {
                        throw new Unusable(file + ": expected the columns " + String.join(", ", needed) + ", got "
                                + String.join(", ", row.getHeader()));
                    }
                }
                rows.accept(row);
            }
        } catch (CsvParseException e) {
            throw new Unusable(file + " is no CSV: " + e.getMessage());
        } catch (IOException | UncheckedIOException e) {
            throw new Unusable(file + " cannot be read as UTF-8");
        }
    }
}
