package lucidsweep.core.stake;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;

/**
 * What the faults of an item cost it: the appeal that its title and description lack, and the reach that its title lacks for
 * the item's own keywords. The parts of an item are shared out among its findings, so that they add up to the item.
 *
 * @param leadingWords within so many first words a title begins with a keyword
 */
public record StakeModel(AppealModel appeal, ReachModel reach, ClickRates rates, int leadingWords) {

    /** A finding that a title has which lacks words of its keyword, or has them late; it has one of them at most. */
    private static final Set<String> OFF_KEYWORD =
            Set.of("missing", "empty", "keyword-missing", "keyword-incomplete", "place-missing", "keyword-late");

    /** On the first page of results what is reported says how often a query is asked; below it only the list of keywords does. */
    private static final double FIRST_PAGE = 10;

    /**
     * What fixing each finding of an item could win.
     *
     * @param checks what was found of the item, each once
     * @param title the title in force
     * @return for each, in the same order; {@link Stake#NONE} where nothing can be told
     */
    public List<Stake> of(List<Check> checks, ItemDemand demand, String title, Words language) {
        List<Stake> stakes = new ArrayList<>(appeal(checks, demand.expected()));
        for (int i = 0; i < checks.size(); i++) {
            Check check = checks.get(i);
            if (check.field() != Field.TITLE || !OFF_KEYWORD.contains(check.code())) continue;
            stakes.set(i, stakes.get(i).plus(reach(demand, title, language)));
            break;
        }
        return stakes;
    }

    private List<Stake> appeal(List<Check> checks, double expected) {
        Stake[] some = appeal.stakes(expected, AppealFaults.numbers(checks));
        List<Stake> stakes = new ArrayList<>(checks.size());
        int next = 0;
        for (Check check : checks) {
            boolean counts = AppealFaults.number(check.field(), check.code()) >= 0;
            stakes.add(counts ? some[next++] : Stake.NONE);
        }
        return stakes;
    }

    /** What a title with all words of the primary keyword at its start could win for all keywords of the item. */
    private Stake reach(ItemDemand demand, String title, Words language) {
        if (demand.ranks().isEmpty()) return Stake.NONE;
        List<Word> words = language.of(title);
        Set<String> wanted = demand.ranks().stream()
                .filter(ItemDemand.Rank::primary)
                .flatMap(rank -> Phrase.of(rank.keyword(), language).words().stream())
                .map(Word::stem)
                .collect(Collectors.toSet());
        Stake sum = Stake.NONE;
        for (ItemDemand.Rank rank : demand.ranks()) {
            Phrase keyword = Phrase.of(rank.keyword(), language);
            if (keyword.words().isEmpty()) continue;
            PhraseMatch match = PhraseMatch.of(words, keyword);
            long gained = keyword.words().stream()
                    .filter(word -> match.missing().contains(word.text()) && wanted.contains(word.stem()))
                    .count();
            double moreWords = gained / (double) keyword.words().size();
            boolean willLead = rank.primary() && !(match.present() && match.leading(leadingWords));
            sum = sum.plus(gain(rank, moreWords, willLead));
        }
        return sum;
    }

    private Stake gain(ItemDemand.Rank rank, double moreWords, boolean willLead) {
        double now = rates.at(rank.position());
        double[] gains = IntStream.of(0, 1, -1)
                .mapToDouble(end -> rank.searches()
                        * Math.max(0, rates.at(reach.position(rank.position(), moreWords, willLead, end)) - now))
                .toArray();
        return new Stake(gains[0], gains[1], gains[2]);
    }

    /**
     * How often a keyword is asked in a month.
     *
     * @param volume its search volume; null where it is not known
     * @param impressions how often the item was shown for it
     * @param position where
     */
    public static double searches(Long volume, double impressions, double position) {
        return position <= FIRST_PAGE || volume == null ? impressions : Math.max(impressions, volume);
    }
}
