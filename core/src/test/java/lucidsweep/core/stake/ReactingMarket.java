package lucidsweep.core.stake;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lucidsweep.core.demand.ClickCurve;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;

/**
 * A made-up market whose searchers are known: how often they click depends on the faults of what they are shown, and how high
 * an item stands on the words of its title, on what it is about, and on what nobody sees. It says what it reports, and what
 * would be so if a fault were fixed.
 */
final class ReactingMarket {

    /** What its searchers do, on the log scale. */
    record Nature(Map<String, Double> appeal, double words, double leads, double about) {}

    private static final Words ENGLISH = Words.in("en");
    private static final int LEADING = 5;
    private static final int SECTIONS = 4;
    private static final double BASE = 0.05;
    private static final String[] STOCK = ("heron tern plover curlew gannet osprey kestrel merlin falcon harrier petrel"
                    + " skua dunlin knot ruff godwit whimbrel turnstone sanderling avocet")
            .split(" ");

    private final Nature nature;
    private final Random random;
    private final List<Item> items = new ArrayList<>();

    private record Query(Phrase phrase, double searches, double effect, double about) {

        String text() {
            return phrase.text();
        }
    }

    private record Item(
            int number,
            String title,
            List<Word> words,
            List<Check> faults,
            double height,
            double charm,
            List<Query> queries) {

        int section() {
            return number % SECTIONS;
        }
    }

    ReactingMarket(int seed, int size, Nature nature) {
        this.nature = nature;
        random = new Random(seed);
        for (int i = 0; i < size; i++) items.add(item(i));
    }

    private Item item(int number) {
        String first = pick();
        String second = pick(first);
        String keyword = first + " " + second;
        List<Check> faults = new ArrayList<>();
        String title;
        double kind = random.nextDouble();
        if (kind < 0.12) {
            title = "Walks along the shore for everyone";
            faults.add(Checks.of(Field.TITLE, "keyword-missing"));
        } else if (kind < 0.3) {
            title = "Walks to the " + second + " rocks";
            faults.add(Checks.of(Field.TITLE, "keyword-incomplete"));
        } else if (kind < 0.42) {
            title = "A quiet walk along our shore to the " + keyword + " rocks";
            faults.add(Checks.of(Field.TITLE, "keyword-late"));
        } else {
            title = capital(keyword) + " walks and rocks";
        }
        nature.appeal().forEach((id, effect) -> {
            Check check = check(id);
            boolean ofKeyword = check.code().startsWith("keyword") && check.field() == Field.TITLE;
            if (!ofKeyword && random.nextDouble() < 0.18) faults.add(check);
        });
        List<Query> queries = new ArrayList<>();
        queries.add(query(keyword, 1));
        queries.add(query(second + " walks", random.nextDouble()));
        queries.add(query(first + " rocks", random.nextDouble()));
        queries.add(query(pick(first) + " " + second, random.nextDouble() / 2));
        return new Item(
                number,
                title,
                ENGLISH.of(title),
                faults,
                1.9 + 0.5 * random.nextGaussian(),
                0.35 * random.nextGaussian(),
                queries);
    }

    static Check check(String id) {
        String[] parts = id.split(" ");
        return Checks.of(Field.valueOf(parts[0].toUpperCase(java.util.Locale.ROOT)), parts[1]);
    }

    private Query query(String text, double about) {
        return new Query(
                Phrase.of(text, ENGLISH),
                Math.exp(5 + 1.1 * random.nextGaussian()),
                0.3 * random.nextGaussian(),
                about);
    }

    private String pick(String... without) {
        String word;
        do word = STOCK[random.nextInt(STOCK.length)];
        while (Arrays.asList(without).contains(word));
        return word;
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    private static double rate(double position) {
        return 0.3 * Math.pow(position, -1.1);
    }

    private double position(Item item, Query query, List<Word> title) {
        PhraseMatch match = PhraseMatch.of(title, query.phrase);
        double words =
                1 - match.missing().size() / (double) query.phrase.words().size();
        double log = item.height
                + query.effect
                + nature.words * words
                + (match.present() && match.leading(LEADING) ? nature.leads : 0)
                + nature.about * query.about;
        return Math.max(1, Math.exp(log));
    }

    /** The clicks that an item gets in a month with a title and some faults. */
    private double clicks(Item item, List<Word> title, List<Check> faults) {
        double appeal = BASE + item.charm;
        for (Check fault : faults) appeal += nature.appeal().getOrDefault(fault.id(), 0.0);
        double sum = 0;
        for (Query query : item.queries) {
            sum += query.searches * rate(position(item, query, title)) * Math.exp(appeal);
        }
        return sum;
    }

    /** The clicks a month that fixing what one check found in a section would win, or what all would. */
    double truth(Check check, int section) {
        double sum = 0;
        for (Item item : items) {
            if (check != null && (item.section() != section || !item.faults.contains(check))) continue;
            List<Check> left = item.faults.stream()
                    .filter(fault -> check != null && !fault.equals(check))
                    .toList();
            boolean rewritten = item.faults.stream()
                    .filter(fault -> !left.contains(fault))
                    .anyMatch(fault ->
                            fault.field() == Field.TITLE && fault.code().startsWith("keyword"));
            List<Word> title =
                    rewritten ? ENGLISH.of(capital(item.queries.get(0).text()) + " walks") : item.words;
            sum += clicks(item, title, left) - clicks(item, item.words, item.faults);
        }
        return sum;
    }

    /** What is worked out from the reports of three months. */
    final class Estimate {
        private static final int MONTHS = 3;

        final StakeModel model;
        private final Map<Integer, List<Stake>> ofItems;

        private Estimate() {
            List<DemandTally.Line> lines = new ArrayList<>();
            int[] ends = new int[items.size() + 1];
            Map<String, Integer> queries = new HashMap<>();
            for (Item item : items) {
                for (Query query : item.queries) {
                    int number = queries.computeIfAbsent(query.text(), any -> queries.size());
                    lines.add(report(item, query, number));
                }
                ends[item.number + 1] = lines.size();
            }
            ClickRates rates = ClickCurve.of(lines).rates();
            AppealModel.Fitter appeal = new AppealModel.Fitter(AppealFaults.priors());
            ReachModel.Fitter reach = new ReachModel.Fitter();
            List<ItemDemand> demand = new ArrayList<>();
            for (Item item : items) {
                List<DemandTally.Line> own = lines.subList(ends[item.number], ends[item.number + 1]);
                ItemDemand.Rank rank = new ItemDemand.Rank(
                        item.queries.get(0).text(),
                        own.get(0).now().impressions() / (double) MONTHS,
                        own.get(0).now().position(),
                        true);
                ItemDemand all = ItemDemand.of(own, rates, MONTHS, List.of(rank));
                demand.add(all);
                appeal.add(all.expected() * MONTHS, all.clicked() * MONTHS, AppealFaults.numbers(item.faults));
                for (int i = 0; i < own.size(); i++) {
                    Phrase query = item.queries.get(i).phrase;
                    PhraseMatch match = PhraseMatch.of(item.words, query);
                    reach.add(
                            item.number,
                            own.get(i).query(),
                            own.get(i).now().position(),
                            own.get(i).now().impressions(),
                            1 - match.missing().size() / (double) query.words().size(),
                            match.present() && match.leading(LEADING),
                            item.queries.get(i).about);
                }
            }
            model = new StakeModel(appeal.fit(), reach.fit(), rates, LEADING);
            ofItems = items.stream()
                    .collect(Collectors.toMap(
                            Item::number, item -> model.of(item.faults, demand.get(item.number), item.title, ENGLISH)));
        }

        private DemandTally.Line report(Item item, Query query, int number) {
            double position = Math.max(1, position(item, query, item.words) * Math.exp(0.08 * random.nextGaussian()));
            long shown = Math.round(query.searches * MONTHS * Math.exp(0.1 * random.nextGaussian()));
            double appeal = BASE + item.charm;
            for (Check fault : item.faults) appeal += nature.appeal().getOrDefault(fault.id(), 0.0);
            double mean = shown * Math.min(1, rate(position) * Math.exp(appeal));
            long clicked = Math.max(0, Math.round(mean + Math.sqrt(mean) * random.nextGaussian()));
            DemandTally.Sum now = new DemandTally.Sum(Math.min(shown, clicked), shown, shown, position);
            DemandTally.Sum none = DemandTally.Sum.NONE;
            return new DemandTally.Line(item.number, number, now, none, none);
        }

        /** What is said to be at stake with what one check found in a section, or with all. */
        Stake of(Check check, int section) {
            Stake sum = Stake.NONE;
            for (Item item : items) {
                if (check != null && item.section() != section) continue;
                for (int i = 0; i < item.faults.size(); i++) {
                    if (check == null || item.faults.get(i).equals(check)) {
                        sum = sum.plus(ofItems.get(item.number).get(i));
                    }
                }
            }
            return sum;
        }
    }

    Estimate estimate() {
        return new Estimate();
    }

    /** All that one check found in one section, for each check that found anything. */
    void forEachCause(Cause visit) {
        items.stream()
                .flatMap(item -> item.faults.stream())
                .distinct()
                .sorted(java.util.Comparator.comparing(Check::id))
                .forEach(check -> IntStream.range(0, SECTIONS).forEach(section -> visit.of(check, section)));
    }

    interface Cause {
        void of(Check check, int section);
    }
}
