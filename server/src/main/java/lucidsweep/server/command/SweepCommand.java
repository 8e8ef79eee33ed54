package lucidsweep.server.command;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.LucidSweep;
import lucidsweep.server.aim.Keywords;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.gather.CrawlSettings;
import lucidsweep.server.gather.Sweep;
import lucidsweep.server.gather.Sweeps;
import lucidsweep.server.gather.Visits;
import lucidsweep.server.item.ItemFilter;
import lucidsweep.server.item.ItemRow;
import lucidsweep.server.item.ItemView;
import lucidsweep.server.item.Items;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.triage.Findings;
import lucidsweep.server.web.CsvText;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Crawls a site, works out targets and findings, and writes both as CSV. Everything else is thrown away, unless a folder
 * is named to keep it in; a crawl that was cut short goes on there.
 */
final class SweepCommand {

    private static final int MOST_PAGES = 500_000;
    private static final int MOST_DEPTH = 100;
    private static final int CONNECTIONS = 4;
    private static final int GENTLE_DELAY_MS = 100;
    private static final double LEAST_RATE = 0.02;
    private static final double MOST_RATE = 100_000;

    private final Path out;
    private final ConfigurableApplicationContext application;

    private SweepCommand(Path out, ConfigurableApplicationContext application) {
        this.out = out;
        this.application = application;
    }

    static void run(List<String> words) {
        Arguments arguments =
                new Arguments(words, Set.of("out", "keywords", "limit", "include", "exclude", "depth", "rate", "data"));
        if (arguments.rest().size() != 1) {
            throw new Usage(
                    Usage.BAD_ARGUMENTS,
                    "expected one address to sweep, got " + arguments.rest().size());
        }
        String given = arguments.rest().get(0);
        URI address = PageAddress.of(given)
                .orElseThrow(() -> new Usage(
                        Usage.BAD_ARGUMENTS,
                        "expected an address such as https://example.com/, got \"" + given + "\""));
        Path out = CommandFiles.folder(arguments.needed("out"));
        CrawlSettings settings = settings(arguments, address);
        TableFile keywords =
                arguments.option("keywords").map(CommandFiles::table).orElse(null);
        Optional<Path> kept = arguments.option("data").map(CommandFiles::folder);
        Path data = kept.orElseGet(SweepCommand::temporaryFolder);
        try (ConfigurableApplicationContext application = start(data)) {
            new SweepCommand(out, application).sweep(address, settings, keywords);
        } finally {
            if (kept.isEmpty()) delete(data);
        }
    }

    private static CrawlSettings settings(Arguments arguments, URI address) {
        int limit = arguments.number("limit", MOST_PAGES, 1, MOST_PAGES);
        int depth = arguments.number("depth", MOST_DEPTH, 0, MOST_DEPTH);
        int otherwise = isLoopback(address) ? 0 : GENTLE_DELAY_MS;
        int delay = arguments
                .decimal("rate", LEAST_RATE, MOST_RATE)
                .map(rate -> (int) Math.ceil(1_000 / rate))
                .orElse(otherwise);
        CrawlSettings settings = CrawlSettings.of(limit, depth, CONNECTIONS, delay)
                .within(arguments.all("include"), arguments.all("exclude"));
        settings.scope();
        return settings;
    }

    private void sweep(URI address, CrawlSettings settings, TableFile keywords) {
        Property property = property(address);
        Sweeps sweeps = application.getBean(Sweeps.class);
        Optional<Sweep> cutShort = sweeps.cutShort(property.id());
        cutShort.ifPresent(sweep -> {
            Sweeps.Standing standing = sweeps.standing(sweep.id());
            System.err.printf(
                    Locale.ROOT, "going on: %,d of %,d known pages done%n", standing.done(), standing.known());
        });
        Sweep sweep = cutShort.map(each -> sweeps.goOnNow(each.id(), settings))
                .orElseGet(() -> sweeps.runNow(property.id(), settings));
        if (sweep.state().equals("failed")) {
            throw new Usage(
                    Usage.UNREACHABLE,
                    application.getBean(Jobs.class).find(sweep.jobId()).note());
        }
        if (keywords != null) {
            Keywords.Added added = application.getBean(Keywords.class).add(property.id(), keywords);
            application.getBean(Jobs.class).awaitEnd(added.jobId());
        }
        write(property, sweep);
        System.out.println(application.getBean(Jobs.class).find(sweep.jobId()).note());
    }

    /** The property of the address that an earlier run left, or a new one. */
    private Property property(URI address) {
        Clients clients = application.getBean(Clients.class);
        return clients.properties().stream()
                .filter(property -> property.address().equals(address.toString()))
                .findFirst()
                .orElseGet(() -> {
                    Client client = clients.addClient(new ClientForm(address.getHost(), "", ""));
                    return clients.addProperty(new PropertyForm(
                            client.id(), "website", address.getHost(), address.toString(), "en", true));
                });
    }

    private void write(Property property, Sweep sweep) {
        Items items = application.getBean(Items.class);
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
                        .getBean(Visits.class)
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
            csv.row("address", "field", "finding", "evidence");
            application
                    .getBean(Findings.class)
                    .forEach(property.id(), row -> csv.row(row.address(), row.field(), row.kind(), row.evidence()));
        }
    }

    private static Object[] cells(ItemRow row) {
        return new Object[] {
            row.address(),
            row.status(),
            row.obstacle() == null ? "yes" : "no",
            row.title().captured(),
            String.format(Locale.ROOT, "%.2f", row.title().fit().px()),
            row.title().fit().chars(),
            row.description().captured(),
            String.format(Locale.ROOT, "%.2f", row.description().fit().px()),
            row.description().fit().chars(),
            row.h1(),
            row.canonical(),
            row.robots(),
            row.linksIn(),
            row.depth() < 0 ? "" : row.depth(),
            row.aim() == null ? "" : row.aim().keyword()
        };
    }

    private static ConfigurableApplicationContext start(Path data) {
        return new SpringApplicationBuilder(LucidSweep.class)
                .web(WebApplicationType.NONE)
                .logStartupInfo(false)
                .run(
                        "--lucid.data=" + data,
                        "--lucid.go-on=false",
                        "--logging.level.root=error",
                        "--logging.level.lucidsweep=error",
                        "--logging.level.org.flywaydb=error");
    }

    private static boolean isLoopback(URI address) {
        return Set.of("127.0.0.1", "localhost", "[::1]").contains(address.getHost());
    }

    private static Path temporaryFolder() {
        try {
            return Files.createTempDirectory("lucid-sweep-");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void delete(Path folder) {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path each : all.sorted(Comparator.reverseOrder()).toList()) Files.deleteIfExists(each);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
