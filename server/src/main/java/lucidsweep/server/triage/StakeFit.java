package lucidsweep.server.triage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.Slug;
import lucidsweep.core.stake.AppealFaults;
import lucidsweep.core.stake.AppealModel;
import lucidsweep.core.stake.ItemDemand;
import lucidsweep.core.stake.LearntCost;
import lucidsweep.core.stake.ReachModel;
import lucidsweep.core.stake.StakeModel;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.aim.demand.ItemQueries;
import lucidsweep.server.aim.targets.ItemKeywords;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.StakeParts;

/**
 * Fits what faults cost a property while its items are inspected, one after the other; then says what each could win. Items
 * whose texts have drafts teach nothing, since searchers have not seen them.
 */
final class StakeFit {

    /** More would take longer and tell hardly more; every so many items are left out. */
    private static final int MAX_PAIRS = 300_000;

    private static final double MAX_UNSEEN = 0.1;

    private final ItemQueries queries;
    private final Map<Long, List<ItemKeywords.Aim>> keywords;
    private final Words language;
    private final int leadingWords;
    private final ClickRates rates;
    private final int every;
    private final Map<String, LearntCost> learnt;
    private final AppealModel.Fitter appeal;
    private final ReachModel.Fitter reach = new ReachModel.Fitter();
    private final Map<Integer, Integer> queryNumbers = new HashMap<>();
    private final List<Phrase> phrases = new ArrayList<>();
    private final Map<Integer, Long> queryKeys = new HashMap<>();
    private final List<Due> due = new ArrayList<>();
    private int learntFrom;
    private int unseen;

    /** An item to be said something of; its title only where its keywords depend on it. */
    private record Due(long itemId, ItemDemand demand, short[] checks, String title) {}

    /** What is at stake with an item, and what that rests on. */
    record ItemStake(long itemId, ItemDemand demand, String parts) {}

    /** @param learnt what own releases say of costs, by the ids of the checks */
    StakeFit(
            ItemQueries queries,
            Map<Long, List<ItemKeywords.Aim>> keywords,
            Words language,
            int leadingWords,
            Map<String, LearntCost> learnt) {
        this.learnt = learnt;
        appeal = new AppealModel.Fitter(assumed(learnt));
        this.queries = queries;
        this.keywords = keywords;
        this.language = language;
        this.leadingWords = leadingWords;
        rates = queries.curve().rates();
        every = 1 + queries.size() / MAX_PAIRS;
    }

    private static AppealModel.Prior[] assumed(Map<String, LearntCost> learnt) {
        AppealModel.Prior[] assumed = AppealFaults.priors();
        learnt.forEach((id, cost) -> {
            int fault = AppealFaults.number(id);
            assumed[fault] = cost.with(assumed[fault]);
        });
        return assumed;
    }

    /** The costs as they are stored. */
    FittedCosts costs(StakeModel model) {
        return FittedCosts.of(model, queries, learnt);
    }

    /** Whether searchers were shown an item. */
    boolean isSearched(long itemId) {
        return queries.has(itemId);
    }

    void add(Inspector.Found found) {
        long id = found.item().id();
        if (!queries.has(id)) return;
        List<DemandTally.Line> lines = queries.of(id);
        double months =
                queries.monthsToDivideBy(PageAddress.section(found.item().address()));
        ItemDemand demand = ItemDemand.of(lines, rates, months, ranks(id, lines, months));
        if (found.item().noindex() != null) {
            // Better texts win nothing there; that it is searched for is worth knowing.
            due.add(new Due(id, demand, new short[0], ""));
            return;
        }
        String title = demand.ranks().isEmpty() ? "" : found.item().title().text();
        due.add(new Due(id, demand, numbers(found.checks()), title));
        if (isUnseen(found.item().title()) || isUnseen(found.item().description())) {
            unseen++;
            return;
        }
        appeal.add(demand.expected() * months, demand.clicked() * months, AppealFaults.numbers(found.checks()));
        if (learntFrom++ % every == 0) learnReach(found, lines);
    }

    /** Whether searchers have not seen the text that the findings are of. */
    private static boolean isUnseen(FieldLine text) {
        return text.draft() != null && !text.draft().equals(text.captured());
    }

    /** Whether there is too little left to learn from, since many items are drafted. */
    boolean learntLittle() {
        return unseen > MAX_UNSEEN * due.size();
    }

    /** Where the item stands for its own keywords. */
    private List<ItemDemand.Rank> ranks(long id, List<DemandTally.Line> lines, double months) {
        List<ItemDemand.Rank> ranks = new ArrayList<>();
        for (ItemKeywords.Aim aim : keywords.getOrDefault(id, List.of())) {
            long key = key(aim.phrase());
            DemandTally.Sum sum = lines.stream()
                    .filter(line -> queryKeys.computeIfAbsent(line.query(), query -> key(queries.query(query))) == key)
                    .map(DemandTally.Line::now)
                    .reduce(DemandTally.Sum::plus)
                    .orElse(null);
            if (sum == null) continue;
            double impressions = sum.impressions() / months;
            double searches = StakeModel.searches(aim.volume(), impressions, sum.position());
            ranks.add(new ItemDemand.Rank(aim.phrase(), searches, sum.position(), aim.primary()));
        }
        return ranks;
    }

    /** The same for phrases that say the same. */
    private long key(String phrase) {
        return TextKey.exactHash(Phrase.of(phrase, language).key());
    }

    private void learnReach(Inspector.Found found, List<DemandTally.Line> lines) {
        List<Word> title = language.of(found.item().title().text());
        List<Word> about = language.of(found.item().seen().h1() + " "
                + String.join(" ", Slug.of(found.item().address()).words()));
        for (DemandTally.Line line : lines) {
            int number = queryNumbers.computeIfAbsent(line.query(), query -> {
                phrases.add(Phrase.of(queries.query(query), language));
                return phrases.size() - 1;
            });
            Phrase query = phrases.get(number);
            if (query.words().isEmpty()) continue;
            PhraseMatch match = PhraseMatch.of(title, query);
            reach.add(
                    learntFrom,
                    number,
                    line.now().position(),
                    line.now().impressions(),
                    share(match, query),
                    match.present() && match.leading(leadingWords),
                    share(PhraseMatch.of(about, query), query));
        }
    }

    private static double share(PhraseMatch match, Phrase phrase) {
        return 1 - match.missing().size() / (double) phrase.words().size();
    }

    private static short[] numbers(List<Check> checks) {
        short[] numbers = new short[checks.size()];
        for (int i = 0; i < numbers.length; i++) numbers[i] = (short) Checks.number(checks.get(i));
        return numbers;
    }

    StakeModel model() {
        return new StakeModel(appeal.fit(), reach.fit(), rates, leadingWords);
    }

    /** Says what is at stake with each item that anything is reported of, in the order of their ids. */
    void forEach(StakeModel model, Consumer<ItemStake> visit) {
        for (Due item : due) {
            List<Check> checks = new ArrayList<>(item.checks.length);
            for (short number : item.checks) checks.add(Checks.of(number));
            visit.accept(new ItemStake(
                    item.itemId, item.demand, StakeParts.text(model.of(checks, item.demand, item.title, language))));
        }
    }
}
