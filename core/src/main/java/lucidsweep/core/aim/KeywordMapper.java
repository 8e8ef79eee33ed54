package lucidsweep.core.aim;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.compose.LearntNames;
import lucidsweep.core.compose.Names;
import lucidsweep.core.compose.PageProposal;
import lucidsweep.core.demand.BetterKeywords;
import lucidsweep.core.demand.ClickCurve;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.demand.SharedQueries;
import lucidsweep.core.keyword.BrandNames;
import lucidsweep.core.keyword.Decided;
import lucidsweep.core.keyword.ItemIndex;
import lucidsweep.core.keyword.ItemTexts;
import lucidsweep.core.keyword.MatchCache;
import lucidsweep.core.keyword.NamedTopics;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PlacesNamed;
import lucidsweep.core.keyword.Target;
import lucidsweep.core.keyword.TargetFinder;
import lucidsweep.core.keyword.Topics;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;

/**
 * Works out what the items of a property should be found for. First the keywords, then the demand, then the items are
 * given; then {@link #plan}. What is worked out may be asked for by several threads. Days are counted from 1970-01-01 on.
 */
public final class KeywordMapper {

    /** How many days the window has: thirteen weeks. */
    public static final int WINDOW = 91;

    private static final int NEW_ITEM = 28;
    private static final int AT_ONCE = 500;

    private final Words language;
    private final Standard standard;
    private final BrandNames brand;
    private final String titleEnding;
    private final PlacesNamed places;
    private final List<String> names;
    private final List<String> endings = new ArrayList<>();
    private final LearntNames learntNames = new LearntNames();
    private final ItemIndex index;
    private final List<Phrase> keywords = new ArrayList<>();
    private final List<Long> volumes = new ArrayList<>();
    private final ReportedDemand demand;
    private final Map<Long, Item> items = new HashMap<>();
    private final List<Waiting> waiting = new ArrayList<>();
    private final int today;
    private MatchCache fittings;
    private int[] topics;
    private List<DemandTally.Line> lastLines;
    private List<List<DemandTally.Line>> lastOfKeyword;

    /**
     * Begins.
     *
     * @param brandNames every name of the client
     * @param titleEnding the name that proposed titles end in; "" for none
     * @param places that the client serves; may be empty
     * @param today the last day that demand is reported of; the window ends there
     * @param tagged whether the items have tags, which are then given in the place of link texts
     */
    public KeywordMapper(
            Words language,
            Standard standard,
            Collection<String> brandNames,
            String titleEnding,
            Collection<String> places,
            int today,
            boolean tagged) {
        this.language = language;
        this.standard = standard;
        this.today = today;
        brand = new BrandNames(brandNames, language);
        this.titleEnding = titleEnding;
        names = new ArrayList<>(brandNames);
        names.addAll(places);
        this.places = new PlacesNamed(places);
        index = new ItemIndex(language, tagged ? "tag" : "link text");
        places.forEach(this::service);
        demand = new ReportedDemand(language, brand, today - WINDOW + 1, today);
    }

    private record Item(String section, int published) {}

    /**
     * Says what many titles end in; before the first item. An ending that is set off by a mark, such as " – Workshop", or
     * that names the brand is no sign of what an item is about; a word that many titles end in may well be one.
     */
    public void commonEndings(Collection<String> texts) {
        for (String text : texts) {
            boolean setOff =
                    !text.isBlank() && !Character.isLetterOrDigit(text.strip().codePointAt(0));
            if (setOff || brand.isIn(text)) endings.add(text);
        }
    }

    private String withoutEnding(String title) {
        for (String ending : endings) {
            if (title.endsWith(ending)) return title.substring(0, title.length() - ending.length());
        }
        return title;
    }

    /** Adds a keyword; its volume is 0 where not known. */
    public void keyword(String text, long volume) {
        Phrase phrase = Phrase.of(text, language);
        keywords.add(phrase);
        volumes.add(volume);
        index.learn(phrase);
    }

    /** Says that items may be looked for by these words, though no keyword holds them. */
    public void service(String text) {
        index.learn(Phrase.of(text, language));
    }

    /**
     * The item that is most about a phrase of which it holds every word in title, H1, address or link texts; -1 where none
     * does.
     */
    public synchronized long holding(String text) {
        takeIn();
        return index.holding(Phrase.of(text, language));
    }

    /**
     * Adds a row of demand; one that names no query tells nothing here.
     *
     * @param first, last days of its period; where none is given, the window's
     * @param position 0 where not known
     */
    public void demand(String address, String query, int first, int last, long clicked, long shown, double position) {
        if (query.isEmpty()) return;
        Phrase added = demand.add(address, query, first, last, clicked, shown, position);
        if (added != null) index.learn(added);
    }

    /** What is reported of a query over all items, in its three windows; the line's numbers mean nothing. */
    public synchronized DemandTally.Line demandOf(String query) {
        return demand.sumOf(Phrase.of(query, language));
    }

    /** How often items are shown a month for each query; of those that say the same in another form of words, for one. */
    public synchronized Map<String, Double> shownForQueries() {
        Map<String, Double> shown = new HashMap<>();
        for (DemandTally.Line line : demand.lines()) {
            double monthly = line.now().impressions() / demand.months();
            if (monthly > 0) shown.merge(demand.queries().get(line.query()).text(), monthly, Double::sum);
        }
        return shown;
    }

    /** A query by its number in a better keyword. */
    public String query(int number) {
        return demand.queries().get(number).text();
    }

    /**
     * Adds an item that search engines may list, or replaces what was known of it.
     *
     * @param published the day; negative where not known
     */
    public void item(long id, String address, String section, ItemTexts texts, int published) {
        waiting.add(new Waiting(id, texts.withTitle(withoutEnding(texts.title()))));
        if (waiting.size() == AT_ONCE) takeIn();
        learntNames.add(texts.title());
        items.put(id, new Item(section, published));
        demand.item(address, id);
    }

    private record Waiting(long id, ItemTexts texts) {}

    /** Texts are taken apart by all processors and put in in their order. */
    private void takeIn() {
        waiting.parallelStream()
                .map(item -> index.takeApart(item.id, item.texts))
                .toList()
                .forEach(index::put);
        waiting.clear();
    }

    /** Works it all out; what a person decided stands. */
    public synchronized AimPlan plan(Decided decided) {
        Reckoning reckoning = new Reckoning();
        List<Target> targets = reckoning.finder.targets(decided);
        if (topics == null) topics = reckoning.topics().names();
        List<String> named = NamedTopics.of(keywords, topics, decided.topics());
        boolean[] isBrand = new boolean[keywords.size()];
        for (int i = 0; i < isBrand.length; i++)
            isBrand[i] = brand.isIn(keywords.get(i).text());
        ClickCurve curve = demand.curve();
        List<BetterKeywords.Better> all = better(reckoning, curve, targets, decided);
        return new AimPlan(
                targets,
                named,
                isBrand,
                reckoning.ofKeyword.stream().map(ReportedDemand::sum).toList(),
                gaps(named, unserved(isBrand, targets, all, decided)),
                all.stream().filter(each -> each.youngUntil() == 0).toList(),
                all.stream().filter(each -> each.youngUntil() > 0).toList(),
                shared(reckoning, targets, decided),
                curve,
                demand.reported());
    }

    /** Only the targets, where little has changed since a plan. */
    public synchronized List<Target> targets(Decided decided) {
        return new Reckoning().finder.targets(decided);
    }

    /** The items that a keyword could live with, the best first. */
    public synchronized List<TargetFinder.Candidate> candidates(int keyword) {
        return new Reckoning().finder.candidates(keyword);
    }

    /** The better keywords of items that have these targets. */
    public synchronized List<BetterKeywords.Better> better(List<Target> targets) {
        return better(new Reckoning(), demand.curve(), targets, new Decided());
    }

    /** The items and the demand as they are now, brought together. */
    private final class Reckoning {
        private final List<DemandTally.Line> lines = demand.lines();
        private final List<List<DemandTally.Line>> ofKeyword;
        private final long[] ids = demand.items();
        private final TargetFinder finder;

        private Reckoning() {
            takeIn();
            if (lastLines != lines) {
                lastLines = lines;
                lastOfKeyword = demand.ofKeywords(keywords);
                fittings = new MatchCache(index);
            }
            ofKeyword = lastOfKeyword;
            finder = new TargetFinder(index, fittings);
            for (int keyword = 0; keyword < keywords.size(); keyword++) {
                finder.keyword(keywords.get(keyword), volumes.get(keyword));
                addRanks(finder, keyword, ofKeyword.get(keyword), ids);
            }
        }

        private Topics topics() {
            Topics topics = new Topics();
            for (int keyword = 0; keyword < keywords.size(); keyword++) {
                topics.add(keywords.get(keyword), volumes.get(keyword), rankingItems(ofKeyword.get(keyword), ids));
            }
            return topics;
        }
    }

    private List<SharedQueries.Shared> shared(Reckoning reckoning, List<Target> targets, Decided decided) {
        Map<Integer, Long> homes = new HashMap<>();
        targets.forEach(target -> home(homes, target.keyword(), target.item()));
        decided.homes().forEach((keyword, item) -> home(homes, keyword, item));
        return SharedQueries.of(reckoning.lines, reckoning.ids, demand.months(), demand.brandQueries(), homes);
    }

    private void home(Map<Integer, Long> homes, int keyword, long item) {
        Integer query = demand.query(keywords.get(keyword));
        if (query != null) homes.put(query, item);
    }

    private static void addRanks(TargetFinder finder, int keyword, List<DemandTally.Line> lines, long[] ids) {
        double all = lines.stream().mapToLong(line -> line.now().impressions()).sum();
        for (DemandTally.Line line : lines) {
            if (ids[line.item()] < 0 || line.now().impressions() == 0) continue;
            finder.ranks(
                    keyword, ids[line.item()], line.now().position(), line.now().impressions() / all);
        }
    }

    private static long[] rankingItems(List<DemandTally.Line> lines, long[] ids) {
        return lines.stream()
                .filter(line -> line.now().impressions() > 0)
                .mapToLong(line -> ids[line.item()])
                .filter(id -> id >= 0)
                .toArray();
    }

    private List<BetterKeywords.Better> better(
            Reckoning reckoning, ClickCurve curve, List<Target> targets, Decided decided) {
        if (demand.isEmpty()) return List.of();
        BetterKeywords better = new BetterKeywords(index, curve, demand.queries(), demand.brandQueries());
        for (int keyword = 0; keyword < keywords.size(); keyword++) {
            better.volume(keywords.get(keyword).key(), volumes.get(keyword));
        }
        for (Target target : targets) {
            better.target(target.item(), keywords.get(target.keyword()), target.role() == Target.Role.PRIMARY);
        }
        decided.homes()
                .forEach((keyword, item) -> better.target(item, keywords.get(keyword), decided.isPrimary(keyword)));
        long[] ids = reckoning.ids;
        for (int number = 0; number < ids.length; number++) {
            if (ids[number] < 0) continue;
            int since = since(number, items.get(ids[number]));
            int settled = since + standard.settlingDays();
            if (since >= 0 && settled > today) better.young(ids[number], settled);
        }
        return better.of(reckoning.lines, ids, demand.months());
    }

    /** The day an item is there since: published, or first seen in demand that is older than it; negative where not known. */
    private int since(int number, Item item) {
        if (item.published >= 0) return item.published;
        return demand.daysLate(number) >= NEW_ITEM ? demand.firstDay(number) : -1;
    }

    /** Keywords that are not the brand's, that no item serves, and that none could be aimed at. */
    private List<Integer> unserved(
            boolean[] isBrand, List<Target> targets, List<BetterKeywords.Better> better, Decided decided) {
        Set<Integer> served = new HashSet<>();
        targets.forEach(target -> served.add(target.keyword()));
        Set<String> wanted = new HashSet<>();
        better.forEach(each -> wanted.add(demand.queries().get(each.query()).key()));
        List<Integer> unserved = new ArrayList<>();
        for (int keyword = 0; keyword < keywords.size(); keyword++) {
            boolean hasHome = served.contains(keyword) || decided.hasHome(keyword);
            if (hasHome
                    || isBrand[keyword]
                    || wanted.contains(keywords.get(keyword).key())) continue;
            unserved.add(keyword);
        }
        return unserved;
    }

    private List<AimPlan.Gap> gaps(List<String> topics, List<Integer> unserved) {
        Gaps gaps = new Gaps(keywords, volumes, places);
        unserved.forEach(keyword -> gaps.add(keyword, topics.get(keyword)));
        List<String> all = new ArrayList<>(names);
        all.addAll(learntNames.names());
        Names written = Names.of(all);
        List<AimPlan.Gap> found = new ArrayList<>();
        for (Gaps.Group group : gaps.groups()) {
            List<String> phrases = group.keywords().stream()
                    .map(keyword -> keywords.get(keyword).text())
                    .toList();
            long nearest = index.nearest(keywords.get(group.keywords().get(0)));
            found.add(new AimPlan.Gap(
                    group.topic(),
                    group.keywords(),
                    group.keywords().stream().mapToLong(volumes::get).sum(),
                    PageProposal.of(phrases, titleEnding, written, language.language(), standard),
                    nearest < 0 ? "" : items.get(nearest).section));
        }
        found.sort(Comparator.comparingLong((AimPlan.Gap gap) -> -gap.volume())
                .thenComparing(gap -> gap.page().slug()));
        return found;
    }
}
