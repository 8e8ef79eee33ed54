package lucidsweep.server.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import lucidsweep.core.column.RowKind;
import lucidsweep.server.aim.keywords.Keywords;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.imports.Imports;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.job.Job;
import lucidsweep.server.job.JobState;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.table.RowReader;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.triage.ExemptionFile;
import lucidsweep.server.triage.SetsFile;
import lucidsweep.server.triage.TriageTables;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.CsvText;
import lucidsweep.server.web.Rows;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Holds items of a file against the checks; writes findings, causes and costs. It can guard a build. */
@Command(
        name = "triage",
        description = "Holds items of a file against all checks; writes findings.csv, causes.csv and costs.csv.")
final class TriageCommand implements Callable<Integer> {

    private static final int SAMPLE_ROWS = 2_000;
    private static final int COUNTED = 8;

    private final Class<?> startable;

    @Option(names = "--items", required = true, paramLabel = "FILE", description = "pages, listings or videos")
    private Path itemFile;

    @Option(names = "--keywords", paramLabel = "FILE", description = "keywords, with volumes if known")
    private Path keywordFile;

    @Option(names = "--demand", paramLabel = "FILE", description = "demand: clicks and impressions by item and query")
    private Path demandFile;

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "where the tables are written")
    private Path out;

    @Option(names = "--brand", paramLabel = "NAMES", description = "the brand's names, separated by commas")
    private String brand = "";

    @Option(names = "--places", paramLabel = "NAMES", description = "places that are served, separated by commas")
    private String places = "";

    @Option(names = "--language", paramLabel = "CODE", description = "of the items; told from them if left out")
    private String language;

    @Option(names = "--standard", paramLabel = "FILE", description = "a standard as JSON, as the interface saves it")
    private Path standardFile;

    @Option(names = "--sets", paramLabel = "FILE", description = "sets with standards, as the interface saves them")
    private Path setFile;

    @Option(names = "--exempt", paramLabel = "FILE", description = "findings to let stand: address, field, check")
    private Path exemptFile;

    @Option(names = "--most", paramLabel = "N", description = "more findings end with exit status 4")
    private Integer most;

    TriageCommand(Class<?> startable) {
        this.startable = startable;
    }

    @Override
    public Integer call() throws IOException {
        TableFile items = CommandFiles.table(itemFile);
        TableFile keywords = keywordFile == null ? null : CommandFiles.table(keywordFile);
        if (demandFile != null) CommandFiles.table(demandFile);
        String standard = CommandFiles.standard(standardFile);
        List<SetsFile.Entry> sets = CommandFiles.sets(setFile);
        List<ExemptionFile.Line> exempt = CommandFiles.exemptions(exemptFile);
        if (most != null && most < 0) throw new Unusable("--most: expected 0 or more, got " + most);
        CommandFiles.folder(out);
        boolean pages = Mapping.guess(RowKind.PAGES, items.first(SAMPLE_ROWS)).isComplete(RowKind.PAGES);
        try (StartedApplication application = StartedApplication.start(startable, null)) {
            Property property = property(application.get(Clients.class), pages, ItemLanguage.of(items, language));
            CommandFiles.setStandard(application, property, standard);
            if (sets != null) application.get(SetsFile.class).add(property.id(), sets);
            read(application, property, indexable(items), pages ? RowKind.PAGES : RowKind.LISTINGS);
            if (keywords != null) {
                Keywords.Added added = application.get(Keywords.class).add(property.id(), keywords);
                application.get(Jobs.class).awaitEnd(added.jobId());
            }
            if (demandFile != null) read(application, property, demandFile, RowKind.DEMAND);
            letStand(application.get(ExemptionFile.class), property.id(), exempt);
            return write(application.get(TriageTables.class), property.id());
        }
    }

    private Property property(Clients clients, boolean pages, String language) {
        Client client = clients.addClient(new ClientForm("The client", brand, places));
        PropertyKind kind = pages ? PropertyKind.WEBSITE : PropertyKind.LISTINGS;
        String address = pages ? "http://127.0.0.1/" : "";
        return clients.addProperty(new PropertyForm(client.id(), kind, "Items", address, language, true));
    }

    private static void read(StartedApplication application, Property property, Path file, RowKind kind)
            throws IOException {
        try (var content = Files.newInputStream(file)) {
            Job job = application
                    .get(Imports.class)
                    .runNow(property.id(), file.getFileName().toString(), content, kind);
            if (job.state() != JobState.DONE) throw new Unusable(file + ": " + job.note());
            System.err.println("lucid: " + job.note());
        }
    }

    /** The file without the rows that say that they are not indexable, as {@code sweep} writes them. */
    private Path indexable(TableFile items) throws IOException {
        List<String> names = items.first(1).get(0);
        int column = names.stream().map(String::toLowerCase).toList().indexOf("indexable");
        if (column < 0) return itemFile;
        Path left = Files.createTempFile(out, "items-", ".csv");
        left.toFile().deleteOnExit();
        try (CsvText csv = CsvText.faithful(Files.newBufferedWriter(left))) {
            items.read(new RowReader() {
                @Override
                public void row(long line, List<String> cells) {
                    boolean out = column < cells.size() && cells.get(column).equalsIgnoreCase("no");
                    if (!out) csv.row(cells.toArray());
                }

                @Override
                public void unreadable(long line, String reason) {
                    System.err.println("lucid: items, line " + line + ": " + reason);
                }
            });
        }
        return left;
    }

    private static void letStand(ExemptionFile file, long property, List<ExemptionFile.Line> lines) {
        List<String> unknown = file.apply(property, lines);
        if (unknown.isEmpty()) return;
        System.err.printf(
                "lucid: no item has the address of %s, such as %s%n",
                Counted.of(unknown.size(), "exemption"), unknown.get(0));
    }

    private int write(TriageTables tables, long property) {
        int found = 0;
        try (CsvText csv = CommandFiles.csv(out, "findings.csv")) {
            CountedRows counted = new CountedRows(csv);
            tables.findings(property, counted);
            found = counted.count;
        }
        try (CsvText csv = CommandFiles.csv(out, "causes.csv")) {
            tables.causes(property, csv);
        }
        try (CsvText csv = CommandFiles.csv(out, "costs.csv")) {
            tables.costs(property, csv);
        }
        System.out.printf("findings %d%n", found);
        return most != null && found > most ? Unusable.TOO_MANY : 0;
    }

    /** Passes on the findings that count, without the column that says so. */
    private static final class CountedRows implements Rows {
        private final Rows rows;
        private int count = -1;

        private CountedRows(Rows rows) {
            this.rows = rows;
        }

        @Override
        public void row(Object... cells) {
            if ("no".equals(cells[COUNTED])) return;
            List<Object> own = new ArrayList<>(List.of(cells));
            own.remove(COUNTED);
            rows.row(own.toArray());
            count++;
        }
    }
}
