package lucidsweep.bench;

import java.util.List;
import java.util.Random;
import lucidsweep.core.aim.AimPlan;
import lucidsweep.core.aim.KeywordMapper;
import lucidsweep.core.demand.DemandRows;
import lucidsweep.core.keyword.Decided;
import lucidsweep.core.keyword.ItemTexts;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Target;
import lucidsweep.core.keyword.Topics;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;

/** What items of a large made-up property should be found for. Heap 1 GiB. */
final class AimBench {

    private static final int ITEMS = Integer.getInteger("items", 100_000);
    private static final int KEYWORDS = Integer.getInteger("keywords", 50_000);
    private static final int DEMAND = Integer.getInteger("demand", 1_000_000);
    private static final int CHANGED = 100;
    private static final int TODAY = 20_400;
    private static final int WORDS = 6_000;
    private static final int COPY_WORDS = 150;

    private final Random random = new Random(1);
    private final String[] words = new String[WORDS];

    private AimBench() {
        for (int i = 0; i < WORDS; i++) words[i] = word(i);
    }

    public static void main(String[] args) {
        AimBench bench = new AimBench();
        bench.withoutDemand();
        bench.withDemand();
        bench.topics();
        bench.windows();
    }

    /** A made-up word for every number. */
    private static String word(int number) {
        String[] parts = {
            "ba", "ko", "ri", "tu", "ne", "so", "la", "mi", "du", "fe", "go", "hi", "ju", "pa", "qui", "ve"
        };
        StringBuilder word = new StringBuilder();
        for (int rest = number + 16; rest > 0; rest /= 16) word.append(parts[rest % 16]);
        return word.append('n').toString();
    }

    /** Few words are common and many rare, as in any language. */
    private String some(int count) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < count; i++) {
            double share = random.nextDouble();
            text.append(i == 0 ? "" : " ").append(words[(int) (share * share * share * WORDS)]);
        }
        return text.toString();
    }

    private String[] phrases(int count) {
        String[] phrases = new String[count];
        for (int i = 0; i < count; i++) phrases[i] = some(2 + random.nextInt(3));
        return phrases;
    }

    private ItemTexts texts(String phrase) {
        return new ItemTexts(
                phrase + " " + some(2),
                phrase,
                phrase,
                some(6),
                random.nextInt(3) == 0 ? phrase : "",
                some(COPY_WORDS));
    }

    private static KeywordMapper aiming(String[] phrases) {
        KeywordMapper aiming =
                new KeywordMapper(Words.in("en"), Standard.ofPages(), List.of(), "", List.of(), TODAY, false);
        for (int i = 0; i < phrases.length; i++) aiming.keyword(phrases[i], 10 + i % 5_000);
        return aiming;
    }

    private void withoutDemand() {
        String[] phrases = phrases(KEYWORDS);
        long start = System.nanoTime();
        KeywordMapper aiming = aiming(phrases);
        long making = 0;
        ItemTexts[] edited = new ItemTexts[CHANGED];
        for (int i = 0; i < ITEMS; i++) {
            long before = System.nanoTime();
            ItemTexts texts = texts(phrases[i % KEYWORDS]);
            if (i % 7 == 0 && i < CHANGED * 7) edited[i / 7] = texts;
            making += System.nanoTime() - before;
            aiming.item(i, "https://bay.example/p/" + i, "/p/", texts, -1);
        }
        AimPlan plan = aiming.plan(new Decided());
        double seconds = Report.seconds(System.nanoTime() - start - making);
        Report.line(
                "The map of 100,000 items and 50,000 keywords",
                "< 60 s",
                Report.format(
                        "%.1f s, %d targets, %d pages proposed",
                        seconds, plan.targets().size(), plan.gaps().size()),
                seconds < 60);
        start = System.nanoTime();
        for (int i = 0; i < CHANGED; i++) {
            ItemTexts texts = edited[i].withTitle(phrases[i + 1] + " " + some(2));
            aiming.item(i * 7, "https://bay.example/p/" + i * 7, "/p/", texts, -1);
        }
        aiming.targets(new Decided());
        seconds = Report.seconds(System.nanoTime() - start);
        Report.line(
                "… again after the titles of 100 items were changed",
                "< 2 s",
                Report.format("%.2f s", seconds),
                seconds < 2);
    }

    private void withDemand() {
        String[] phrases = phrases(KEYWORDS);
        KeywordMapper aiming = aiming(phrases);
        int items = ITEMS / 5;
        for (int i = 0; i < DEMAND; i++) {
            double position = 1 + random.nextInt(40);
            long shown = 5 + random.nextInt(200);
            int week = random.nextInt(26);
            aiming.demand(
                    "https://bay.example/p/" + random.nextInt(items),
                    phrases[random.nextInt(KEYWORDS)],
                    TODAY - 7 * week - 6,
                    TODAY - 7 * week,
                    Math.round(shown * 0.3 / position),
                    shown,
                    position);
        }
        for (int i = 0; i < items; i++) {
            aiming.item(i, "https://bay.example/p/" + i, "/p/", texts(phrases[i % KEYWORDS]), -1);
        }
        List<Target> targets = aiming.targets(new Decided());
        long start = System.nanoTime();
        int found = aiming.better(targets).size();
        double seconds = Report.seconds(System.nanoTime() - start);
        Report.line(
                "Curve and better keywords of 1,000,000 rows of demand, once read",
                "< 10 s",
                Report.format("%.1f s, %d found", seconds, found),
                seconds < 10);
    }

    private void topics() {
        String[] phrases = phrases(KEYWORDS);
        Topics topics = new Topics();
        for (int i = 0; i < KEYWORDS; i++) topics.add(Phrase.of(phrases[i], Words.in("en")), i % 5_000, new long[0]);
        long start = System.nanoTime();
        int[] names = topics.names();
        double seconds = Report.seconds(System.nanoTime() - start);
        long count = java.util.Arrays.stream(names).distinct().count();
        Report.line(
                "Topics of 50,000 keywords",
                "< 30 s",
                Report.format("%.1f s, %d topics", seconds, count),
                seconds < 30);
    }

    /** Demand over a year and a quarter, looked at by query, item and country in several windows. */
    private void windows() {
        DemandRows rows = new DemandRows();
        for (int i = 0; i < DEMAND; i++) {
            int last = TODAY - 7 * random.nextInt(70);
            rows.add(
                    random.nextInt(ITEMS / 5),
                    random.nextInt(KEYWORDS),
                    random.nextInt(4),
                    last - 6,
                    last,
                    random.nextInt(9),
                    9 + random.nextInt(200),
                    1 + random.nextInt(40));
        }
        double[] seconds = new double[9];
        int asked = 0;
        for (int weeks : new int[] {4, 13, 52}) {
            for (DemandRows.By by : List.of(DemandRows.By.QUERY, DemandRows.By.ITEM, DemandRows.By.COUNTRY)) {
                DemandRows.Only only = new DemandRows.Only(null, null, asked % 2 - 1);
                long start = System.nanoTime();
                rows.tally(TODAY - 7 * weeks + 1, TODAY, by, only).lines();
                seconds[asked++] = Report.seconds(System.nanoTime() - start);
            }
        }
        Report.line(
                "A window of 1,000,000 rows of demand added up",
                "",
                Report.format("%.2f s (median of 8)", Report.middleAfterFirst(seconds)),
                true);
    }
}
