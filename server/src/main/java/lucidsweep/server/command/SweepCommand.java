package lucidsweep.server.command;

import java.net.URI;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.aim.keywords.Keywords;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.crawl.CrawlSettings;
import lucidsweep.server.gather.crawl.Sweeps;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepStanding;
import lucidsweep.server.gather.sweep.Visits;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.ItemRow;
import lucidsweep.server.item.table.ItemView;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.triage.SetsFile;
import lucidsweep.server.triage.TriageTables;
import lucidsweep.server.web.CsvText;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/**
 * Crawls a site, works out targets and findings, and writes both as CSV. Everything else is thrown away, unless a folder
 * is named to keep it in; a crawl that was cut short goes on there.
 */
@Command(name = "sweep", description = "Crawls a site; writes items.csv and findings.csv.")
final class SweepCommand implements Callable<Integer> {

    private static final int MAX_PAGES = 500_000;
    private static final int MAX_DEPTH = 100;
    private static final int CONNECTIONS = 4;
    private static final int GENTLE_DELAY_MS = 100;
    private static final double MIN_RATE = 0.02;
    private static final double MAX_RATE = 100_000;

    private final Class<?> startable;
    private StartedApplication application;

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "URL", description = "the start page, such as https://example.com/")
    private String start;

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "where the tables are written")
    private Path out;

    @Option(names = "--keywords", paramLabel = "FILE", description = "keywords, with volumes if known")
    private Path keywordFile;

    @Option(names = "--limit", paramLabel = "N", description = "pages, at most")
    private int limit = MAX_PAGES;

    @Option(names = "--depth", paramLabel = "N", description = "crawl depth, at most")
    private int depth = MAX_DEPTH;

    @Option(names = "--rate", paramLabel = "N", description = "requests per second, at most")
    private Double rate;

    @Option(names = "--include", paramLabel = "PATTERN", description = "only addresses such as /tours/*")
    private List<String> include = List.of();

    @Option(names = "--exclude", paramLabel = "PATTERN", description = "leaves out addresses such as /basket/*")
    private List<String> exclude = List.of();

    @Option(names = "--standard", paramLabel = "FILE", description = "a standard as JSON, as the interface saves it")
    private Path standardFile;

    @Option(names = "--sets", paramLabel = "FILE", description = "sets with standards, as the interface saves them")
    private Path setFile;

    @Option(
            names = "--data",
            paramLabel = "DIR",
            description = "keeps the state there, so that the same command goes on where it was cut short")
    private Path kept;

    SweepCommand(Class<?> startable) {
        this.startable = startable;
    }

    @Override
    public Integer call() {
        URI address = PageAddress.of(start)
                .orElseThrow(
                        () -> new Unusable("expected an address such as https://example.com/, got \"" + start + "\""));
        CrawlSettings settings = settings(address);
        CommandFiles.folder(out);
        TableFile keywords = keywordFile == null ? null : CommandFiles.table(keywordFile);
        String standard = CommandFiles.standard(standardFile);
        List<SetsFile.Entry> sets = CommandFiles.sets(setFile);
        try (StartedApplication started = StartedApplication.start(startable, kept)) {
            application = started;
            sweep(address, settings, keywords, standard, sets);
        }
        return 0;
    }

    private CrawlSettings settings(URI address) {
        check("--limit", limit, 1, MAX_PAGES);
        check("--depth", depth, 0, MAX_DEPTH);
        if (rate != null && !(rate >= MIN_RATE && rate <= MAX_RATE)) {
            throw LucidCommand.outside(spec.commandLine(), "--rate", MIN_RATE, MAX_RATE, rate);
        }
        int otherwise = isLoopback(address) ? 0 : GENTLE_DELAY_MS;
        int delay = rate == null ? otherwise : (int) Math.ceil(1_000 / rate);
        CrawlSettings settings =
                CrawlSettings.of(limit, depth, CONNECTIONS, delay).within(include, exclude);
        settings.scope();
        return settings;
    }

    private void check(String option, int given, int min, int max) {
        if (given < min || given > max) {
            throw LucidCommand.outside(spec.commandLine(), option, min, max, given);
        }
    }

    private void sweep(
            URI address, CrawlSettings settings, TableFile keywords, String standard, List<SetsFile.Entry> sets) {
        Property property = property(address);
        CommandFiles.setStandard(application, property, standard);
        if (sets != null) application.get(SetsFile.class).replace(property.id(), sets);
        Sweeps sweeps = application.get(Sweeps.class);
        Optional<Sweep> cutShort = sweeps.cutShort(property.id());
        cutShort.ifPresent(sweep -> {
            SweepStanding standing = sweeps.standing(sweep.id());
            System.err.printf(
                    Locale.ROOT, "going on: %,d of %,d known pages done%n", standing.done(), standing.known());
        });
        Sweep sweep = cutShort.map(each -> sweeps.goOnNow(each.id(), settings))
                .orElseGet(() -> sweeps.runNow(property.id(), settings));
        if (sweep.state() == Sweep.State.FAILED) {
            throw new Unusable(
                    Unusable.UNREACHABLE,
                    application.get(Jobs.class).find(sweep.jobId()).note());
        }
        if (keywords != null) {
            Keywords.Added added = application.get(Keywords.class).add(property.id(), keywords);
            application.get(Jobs.class).awaitEnd(added.jobId());
        }
        write(property, sweep);
        System.out.println(application.get(Jobs.class).find(sweep.jobId()).note());
    }

    /** The property of the address that an earlier run left, or a new one. */
    private Property property(URI address) {
        Clients clients = application.get(Clients.class);
        return clients.properties().stream()
                .filter(property -> property.address().equals(address.toString()))
                .findFirst()
                .orElseGet(() -> {
                    Client client = clients.addClient(new ClientForm(address.getHost(), "", ""));
                    return clients.addProperty(new PropertyForm(
                            client.id(), PropertyKind.WEBSITE, address.getHost(), address.toString(), "en", true));
                });
    }

    private void write(Property property, Sweep sweep) {
        Items items = application.get(Items.class);
        try (CsvText csv = CommandFiles.csv(out, "items.csv")) {
            csv.row(
                    "address",
                    "status",
                    "indexable",
                    "title",
                    "title_px",
                    "title_chars",
                    "description",
                    "description_px",
                    "description_chars",
                    "h1",
                    "canonical",
                    "robots",
                    "links_in",
                    "depth",
                    "keyword");
            items.forEach(ItemView.of(property.id(), ItemFilter.ALL), row -> csv.row(cells(row)));
            for (String outcome : List.of("redirect", "redirect-loop", "error-status")) {
                application
                        .get(Visits.class)
                        .forEach(
                                sweep.id(),
                                outcome,
                                visit -> csv.row(
                                        visit.address(),
                                        visit.status(),
                                        "no",
                                        "",
                                        "",
                                        "",
                                        "",
                                        "",
                                        "",
                                        "",
                                        "",
                                        "",
                                        "",
                                        "",
                                        ""));
            }
        }
        try (CsvText csv = CommandFiles.csv(out, "findings.csv")) {
            application.get(TriageTables.class).findings(property.id(), csv);
        }
    }

    private static Object[] cells(ItemRow row) {
        return new Object[] {
            row.address(),
            row.page().status(),
            row.indexing().noindex() == null ? "yes" : "no",
            row.title().captured(),
            String.format(Locale.ROOT, "%.2f", row.title().fit().px()),
            row.title().fit().chars(),
            row.description().captured(),
            String.format(Locale.ROOT, "%.2f", row.description().fit().px()),
            row.description().fit().chars(),
            row.page().h1(),
            row.page().canonical(),
            row.page().robots(),
            row.page().linksIn(),
            row.page().depth() < 0 ? "" : row.page().depth(),
            row.aim() == null ? "" : row.aim().keyword()
        };
    }

    private static boolean isLoopback(URI address) {
        return Set.of("127.0.0.1", "localhost", "[::1]").contains(address.getHost());
    }
}
