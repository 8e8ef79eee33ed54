package lucidsweep.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.demand.DemandRows;
import lucidsweep.core.demand.DemandRows.By;
import lucidsweep.core.demand.DemandRows.Only;
import lucidsweep.core.demand.WeeklyFigures;
import lucidsweep.core.effect.Changed;
import lucidsweep.core.effect.Effect;
import lucidsweep.core.effect.EffectStudy;
import lucidsweep.core.move.Move;
import lucidsweep.core.move.Moves;
import lucidsweep.server.LucidSweep;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** Moves of 50,000 keywords, the effect of a release of 5,000 items, pictures of 3,000,000 rows, the first page. Heap 1 GiB. */
final class WatchBench {

    private static final int KEYWORDS = 50_000;
    private static final int DAYS = 487;
    private static final int LAST_DAY = 20_700;
    private static final int CHANGED = 5_000;
    private static final int LEFT = 100_000;
    private static final int WEEKS = 78;
    private static final int ROWS = 3_000_000;
    private static final int PARTS = 20;
    private static final int ROUNDS = 21;
    private static final int PROPERTIES = 200;
    private static final ClickRates RATES =
            new ClickRates(List.of(0.31, 0.14, 0.085, 0.06, 0.046, 0.037, 0.031, 0.027, 0.023, 0.02), 1.18);

    private WatchBench() {}

    public static void main(String[] args) throws Exception {
        moves();
        effect();
        pictures();
        Path data = Files.createTempDirectory("lucid-bench-");
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                .logStartupInfo(false)
                .run("--server.port=0", "--lucid.data=" + data, "--lucid.web=" + data, "--logging.level.root=error")) {
            firstPage(new Api(application));
        }
    }

    /** Daily positions of all keywords, added up by week, and their moves found. */
    private static void moves() {
        long start = System.nanoTime();
        WeeklyFigures figures = new WeeklyFigures(KEYWORDS, DAYS / 7, LAST_DAY);
        IntStream.range(0, KEYWORDS).forEach(keyword -> {
            SplittableRandom random = new SplittableRandom(keyword);
            double level = Math.log(1 + random.nextInt(30));
            double searches = 2 + random.nextInt(60);
            int moved = keyword % 50 == 0 ? 200 + random.nextInt(200) : DAYS;
            for (int day = 0; day < DAYS / 7 * 7; day++) {
                double position = Math.exp(level + (day >= moved ? 0.5 : 0) + random.nextGaussian() * 0.12);
                figures.add(
                        keyword, day / 7, searches * RATES.at(Math.max(1, position)), searches, Math.max(1, position));
            }
        });
        int[] topics =
                IntStream.range(0, KEYWORDS).map(keyword -> keyword % 2_000).toArray();
        List<Move> moves = Moves.of(figures, topics, RATES);
        long ms = (System.nanoTime() - start) / 1_000_000;
        Report.line(
                "Moves of 50,000 keywords, daily positions of 16 months",
                "< 30,000 ms",
                String.format("%,d ms, %,d moves", ms, moves.size()),
                ms < 30_000);
    }

    private static void effect() {
        WeeklyFigures figures = new WeeklyFigures(CHANGED + LEFT, WEEKS, LAST_DAY);
        int[] sections = new int[CHANGED + LEFT];
        List<Changed> changed = new ArrayList<>();
        for (int item = 0; item < CHANGED + LEFT; item++) {
            SplittableRandom random = new SplittableRandom(item);
            sections[item] = random.nextInt(40);
            boolean isChanged = item < CHANGED;
            if (isChanged) changed.add(Changed.in(item, 60 + item % 4));
            double level = Math.exp(1.2 + random.nextGaussian());
            for (int week = 0; week < WEEKS; week++) {
                double mean = level
                        * (1 + 0.5 * Math.sin(week * 2 * Math.PI / 52 + sections[item]))
                        * (isChanged && week >= 60 ? 1.1 : 1);
                double clicks = Math.max(0, Math.round(mean + random.nextGaussian() * Math.sqrt(mean)));
                figures.add(item, week, clicks, Math.round(mean * 20), 4 + 6 * Math.exp(-level / 9));
            }
        }
        int[] left = IntStream.range(CHANGED, CHANGED + LEFT).toArray();
        long start = System.nanoTime();
        Effect effect = EffectStudy.of(figures, sections, changed, left, 1_000);
        long ms = (System.nanoTime() - start) / 1_000_000;
        Report.line(
                "Effect of 5,000 items against 100,000, 1,000 resamplings",
                "< 20,000 ms",
                String.format("%,d ms, %s", ms, effect.words(false)),
                ms < 20_000);
    }

    private static void pictures() {
        DemandRows rows = new DemandRows();
        SplittableRandom random = new SplittableRandom(9);
        int pairs = ROWS / 70;
        for (int pair = 0; pair < pairs; pair++) {
            int item = random.nextInt(20_000);
            int query = random.nextInt(50_000);
            for (int week = 0; week < 70; week++) {
                int first = LAST_DAY - 7 * (70 - week) + 1;
                rows.add(
                        item,
                        query,
                        pair % 2,
                        first,
                        first + 6,
                        random.nextInt(5),
                        random.nextInt(200),
                        1 + random.nextInt(30));
            }
        }
        int[] starts = IntStream.rangeClosed(0, 70)
                .map(week -> LAST_DAY + 1 - 7 * (70 - week))
                .toArray();
        long[] took = new long[ROUNDS];
        for (int round = 0; round < ROUNDS; round++) {
            long start = System.nanoTime();
            Only[] parts = new Only[PARTS];
            for (int part = 0; part < PARTS; part++) {
                BitSet queries = new BitSet();
                for (int i = 0; i < 40; i++) queries.set(random.nextInt(50_000));
                parts[part] = new Only(null, queries, -1);
            }
            rows.periods(parts, starts);
            took[round] = (System.nanoTime() - start) / 1_000_000;
        }
        Arrays.sort(took);
        long p95 = took[(int) (ROUNDS * 0.95)];
        Report.line("A picture of any 20 parts of 3,000,000 rows, p95", "< 150 ms", p95 + " ms", p95 < 150);
        long start = System.nanoTime();
        WeeklyFigures weekly =
                rows.weekly(By.ITEM, Only.ANY, IntStream.range(0, 20_000).toArray());
        Report.line(
                "3,000,000 rows by week and item",
                "in 1 GiB",
                String.format(
                        "%,d ms, %,d weeks, %,d MB used",
                        (System.nanoTime() - start) / 1_000_000,
                        weekly.weeks(),
                        (Runtime.getRuntime().totalMemory()
                                        - Runtime.getRuntime().freeMemory())
                                >> 20),
                true);
    }

    private static void firstPage(Api api) throws IOException, InterruptedException {
        StringBuilder csv = new StringBuilder("id,title,description,tags\n");
        for (int i = 0; i < 40; i++)
            csv.append("B%d,Wooden boat %d,A boat that was built in the long shed,boat gift%n".formatted(i, i));
        Path file = Files.writeString(Files.createTempFile("lucid-bench-", ".csv"), csv);
        String client = Api.find(
                api.post("/api/clients", "{\"name\":\"Bench\",\"brand\":\"\",\"places\":\"\"}"), "\"id\":(\\d+)");
        for (int i = 0; i < PROPERTIES; i++) {
            String made = api.post(
                    "/api/properties",
                    "{\"clientId\":" + client + ",\"kind\":\"listings\",\"name\":\"Shop " + i
                            + "\",\"address\":\"\",\"language\":\"en\",\"privateAllowed\":false}");
            api.apply(api.upload(Long.parseLong(Api.find(made, "\"id\":(\\d+)")), file));
        }
        api.awaitFindings();
        long[] took = new long[60];
        for (int round = 0; round < took.length; round++) {
            long start = System.nanoTime();
            api.get("/api/portfolio");
            took[round] = (System.nanoTime() - start) / 1_000_000;
        }
        Arrays.sort(took);
        long p95 = took[(int) (took.length * 0.95)];
        Report.line("The first page with 200 properties, p95", "< 150 ms", p95 + " ms", p95 < 150);
    }
}
