package lucidsweep.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.IntFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.column.RowKind;
import lucidsweep.server.LucidSweep;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.sweep.DemandChanged;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.table.TableFile;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ApplicationListener;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.PayloadApplicationEvent;
import org.springframework.core.Ordered;

/** Large files read, and stored through the API; two imports of 200,000 listings side by side. Heap 768 MiB. */
final class ImportBench {

    private static final int DEMAND = Integer.getInteger("demand", 1_000_000);
    private static final int LISTINGS = Integer.getInteger("listings", 500_000);
    private static final int COMPARED = Integer.getInteger("compared", 200_000);
    private static final int WANTED = 50_000;

    private final Path folder;
    private final Clients clients;
    private final Api api;
    private final long client;

    private final Stored stored = new Stored();

    /** When the rows of the last import were stored: what is worked out from them begins then. */
    private static final class Stored implements ApplicationListener<PayloadApplicationEvent<?>>, Ordered {
        private volatile long at;

        @Override
        public void onApplicationEvent(PayloadApplicationEvent<?> event) {
            if (event.getPayload() instanceof SweepEnded || event.getPayload() instanceof DemandChanged) {
                at = System.nanoTime();
            }
        }

        @Override
        public int getOrder() {
            return HIGHEST_PRECEDENCE;
        }
    }

    private ImportBench(ConfigurableApplicationContext application, Path folder) {
        application.addApplicationListener(stored);
        this.folder = folder;
        clients = application.getBean(Clients.class);
        api = new Api(application);
        client = clients.addClient(new ClientForm("Tarrin Bay Kayaks", "", "")).id();
    }

    public static void main(String[] args) throws Exception {
        Path folder = Files.createTempDirectory("lucid-bench-");
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                .logStartupInfo(false)
                .run(
                        "--server.port=0",
                        "--lucid.data=" + folder,
                        "--lucid.web=" + folder,
                        "--logging.level.root=error")) {
            new ImportBench(application, folder).run();
        }
    }

    private void run() throws IOException, InterruptedException {
        Path demand = file(
                "demand.csv",
                "page,query,country,from,to,clicks,impressions,position",
                DEMAND,
                i -> "https://bay.example/tours/" + i % 20_000 + ",kayak tour " + i / 20 + ",gb,2026-" + (10 + i % 3)
                        + "-01,2026-" + (10 + i % 3) + "-28," + i % 9 + "," + i % 900 + "," + i % 60 + ".5");
        Path listings =
                file("listings.csv", "listing id,title,description,tags,price,section", LISTINGS, ImportBench::listing);
        read("Reading 1,000,000 rows of demand", RowKind.DEMAND, demand, DEMAND);
        read("Reading 500,000 listings", RowKind.LISTINGS, listings, LISTINGS);
        store("… demand", property(PropertyKind.LISTINGS), demand, DEMAND, WANTED);
        store("… listings", property(PropertyKind.LISTINGS), listings, LISTINGS, WANTED);
        long shop = property(PropertyKind.LISTINGS);
        Path some = file("some.csv", "listing id,title,description,tags,price,section", COMPARED, ImportBench::listing);
        store("… 200,000 listings", shop, some, COMPARED, WANTED);
        Path changed = file(
                "changed.csv",
                "listing id,title,description,tags,price,section",
                COMPARED,
                i -> i % 3 == 0 ? listing(i).replace("Paddle", "Oar") : listing(i + (i % 50 == 1 ? COMPARED : 0)));
        store("… again with every third one changed", shop, changed, COMPARED, 0);
        compare(shop);
    }

    private static String listing(int i) {
        return "L" + i + ",Paddle " + i + " of ash for a boat on the bay,\"Carved by hand in our shed, number " + i
                + ", oiled three times and signed by its maker\",\"ash paddle, boat gift, kayak gift\"," + i % 90
                + ".00,Paddles";
    }

    private Path file(String name, String head, int rows, IntFunction<String> row) throws IOException {
        return Api.file(folder.resolve(name), head, rows, row);
    }

    private static void read(String what, RowKind kind, Path file, int rows) {
        double best = 0;
        for (int round = 0; round < 3; round++) {
            TableFile table = TableFile.of(file);
            int[] count = {0};
            long start = System.nanoTime();
            new Intake(kind, Mapping.guess(kind, table.first(2_000))).read(table, new Intake.Receiver() {
                @Override
                public void row(IntakeRow row, java.util.List<String> cells) {
                    count[0]++;
                }

                @Override
                public void unreadable(long line, String reason) {
                    throw new IllegalStateException(line + ": " + reason);
                }
            });
            if (count[0] != rows) throw new IllegalStateException("read " + count[0] + " rows of " + rows);
            best = Math.max(best, rows / Report.seconds(System.nanoTime() - start));
        }
        Report.line(what, ">= 50,000 a second", Report.format("%,.0f a second", best), best >= WANTED);
    }

    private long property(PropertyKind kind) {
        return clients.addProperty(new PropertyForm(client, kind, "Large", "", "en", false))
                .id();
    }

    private void store(String what, long property, Path file, int rows, int min)
            throws IOException, InterruptedException {
        Api.Import upload = api.upload(property, file);
        long start = System.nanoTime();
        api.apply(upload);
        long ended = System.nanoTime();
        double rate = rows / Report.seconds(stored.at - start);
        Report.line(
                what + " read and stored",
                min == 0 ? "" : Report.format(">= %,d a second", min),
                Report.format(
                        "%,.0f a second; with all worked out from it %.1f s", rate, Report.seconds(ended - start)),
                rate >= min);
    }

    private void compare(long property) throws IOException, InterruptedException {
        Matcher sweep = Pattern.compile("\"id\":(\\d+)").matcher(api.get("/api/properties/" + property + "/sweeps"));
        sweep.find();
        String after = sweep.group(1);
        sweep.find();
        String path =
                "/api/properties/" + property + "/comparison?before=" + sweep.group(1) + "&after=" + after + "&from=";
        long start = System.nanoTime();
        String first = api.get(path + 0);
        double seconds = Report.seconds(System.nanoTime() - start);
        String counts = Api.find(first, "\"counts\":(\\{[^}]*\\})");
        Report.line(
                "Two imports of 200,000 side by side",
                "< 10 s",
                Report.format("%.2f s %s", seconds, counts),
                seconds < 10);
        long[] pages = new long[40];
        for (int i = 0; i < pages.length; i++) {
            start = System.nanoTime();
            api.get(path + i * 1_500);
            pages[i] = System.nanoTime() - start;
        }
        double p95 = Report.p95(pages);
        Report.line("… a page of it: p95 of 40", "< 300 ms", Report.format("%.0f ms", p95), p95 < 300);
    }
}
