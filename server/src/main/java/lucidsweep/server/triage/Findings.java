package lucidsweep.server.triage;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.ForkJoinPool;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.LongPredicate;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lucidsweep.core.alike.AlikeResults;
import lucidsweep.core.alike.AlikeTexts;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.Inspection;
import lucidsweep.core.finding.InspectionContext;
import lucidsweep.core.finding.NearDuplicate;
import lucidsweep.core.finding.Patterned;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.finding.TagUse;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.PlacesNamed;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.stake.ItemDemand;
import lucidsweep.core.stake.StakeModel;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.CommonPart;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.table.AlikeGroup;
import lucidsweep.server.item.table.FoundOnItem;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.item.table.StakeParts;
import lucidsweep.server.item.table.StoredFinding;
import lucidsweep.server.job.Lookahead;
import lucidsweep.server.job.PropertyLine;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Works out the findings of items: of all after a sweep, of those that an edit touches after it. */
@Service
public class Findings {

    private static final String ALL = "findings of all items";
    private static final int AT_ONCE = 1_000;
    private static final int LIST = 200;

    /** Of more items the two fields are compared one after the other, with the table set aside: all at once would take too much memory. */
    private static final int MANY = 200_000;

    private static final int SOME = 50;

    private final FindingMapper mapper;
    private final ExemptionMapper exemptions;
    private final LifeMapper lifeLines;
    private final Items items;
    private final SetStandards standards;
    private final Clients clients;
    private final Stakes stakes;
    private final LikeTexts likes;
    private final TagUses tagUses;
    private final PropertyLine line;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    Findings(
            FindingMapper mapper,
            ExemptionMapper exemptions,
            LifeMapper lifeLines,
            Items items,
            SetStandards standards,
            Clients clients,
            Stakes stakes,
            LikeTexts likes,
            TagUses tagUses,
            PropertyLine line,
            TransactionTemplate transaction,
            JsonMapper json) {
        this.mapper = mapper;
        this.exemptions = exemptions;
        this.lifeLines = lifeLines;
        this.items = items;
        this.standards = standards;
        this.clients = clients;
        this.stakes = stakes;
        this.likes = likes;
        this.tagUses = tagUses;
        this.line = line;
        this.transaction = transaction;
        this.json = json;
    }

    private void evaluateAnew(long propertyId, BooleanSupplier outdated) {
        likes.forgetResults(propertyId);
        tagUses.forget(propertyId);
        evaluateAll(propertyId, true, outdated);
    }

    /** Ends the work on all findings of a property that are about to be worked out once more. */
    static final class Outdated extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Outdated() {
            super("the findings are worked out anew", null, false, false);
        }
    }

    /**
     * Works out all findings. Its place in the property's line is taken for each stretch that it writes, so that whoever
     * changes something meanwhile waits for one of them at most; what they change is looked at afterwards.
     *
     * @param learns whether costs are fitted anew; not where only drafts have changed, which searchers have not seen
     * @param outdated tells whether all are about to be worked out once more
     * @throws Outdated where they are
     */
    private void evaluateAll(long propertyId, boolean learns, BooleanSupplier outdated) {
        Consumer<Runnable> inLine = change -> line.runPatiently(propertyId, ALL, () -> {
            if (outdated.getAsBoolean()) throw new Outdated();
            change.run();
        });
        long changes = mapper.changes(propertyId);
        Property property = clients.property(propertyId);
        long[] ids = items.allIds(propertyId);
        Map<Field, AlikeResults> unchanged = likes.results(propertyId);
        boolean wasInUse = ids.length > MANY && items.setAside(propertyId);
        ItemStandards held = standards.of(property);
        Survey survey = survey(property, property.standard(), ids, withoutNeed(unchanged.keySet(), held));
        List<CommonPart> common = survey.common(property.standard());
        Executor besidesTitles = ids.length > MANY ? Runnable::run : ForkJoinPool.commonPool();
        CompletableFuture<LikeTexts.Compared> besides = CompletableFuture.supplyAsync(
                () -> compared(unchanged.get(Field.DESCRIPTION), survey::likeDescriptions), besidesTitles);
        LikeTexts.Compared likeTitles = compared(unchanged.get(Field.TITLE), () -> survey.likeTitles(common));
        LikeTexts.Compared likeDescriptions = besides.join();
        inLine.accept(() -> likes.keep(propertyId, likeTitles, likeDescriptions));
        Inspector inspector = inspector(
                property,
                held,
                common,
                Likes.ofAll(survey.titles().found(), likeTitles.results()),
                Likes.ofAll(survey.descriptions().found(), likeDescriptions.results()));
        Map<String, Integer> fitWithout = new HashMap<>();
        Optional<StakeFit> fit = learns ? stakes.fit(property) : Optional.empty();
        // What is found is set in the table as it comes; but there is no room for it beside what costs are fitted to.
        if (wasInUse && fit.isEmpty()) items.prepare(propertyId);
        long moment = moment(propertyId);
        // What is stored is of the demand that was there the last time.
        LongPredicate searched = learns ? id -> fit.isPresent() && fit.get().isSearched(id) : null;
        Lookahead.over(ids, AT_ONCE, some -> inspected(inspector, propertyId, some, searched, moment), stretch -> {
            inLine.accept(() -> write(propertyId, stretch));
            fit.ifPresent(learning -> stretch.inspected.found().forEach(learning::add));
            stretch.inspected.fitWithout().forEach((ending, count) -> fitWithout.merge(ending, count, Integer::sum));
        });
        inLine.accept(() -> {
            Stakes.Told told = (first, last, parts) -> items.staked(propertyId, first, last, parts);
            if (learns)
                fit.ifPresentOrElse(
                        learnt -> stakes.keep(property, learnt, told), () -> stakes.forget(propertyId, told));
            transaction.executeWithoutResult(status -> {
                storeCommon(propertyId, common, fitWithout);
                mapper.judgedAll(propertyId, changes);
            });
        });
        if (wasInUse) items.prepare(propertyId);
    }

    private static LikeTexts.Compared compared(AlikeResults known, Supplier<AlikeTexts.Found> compare) {
        return known == null ? LikeTexts.Compared.of(compare.get()) : new LikeTexts.Compared(known, null);
    }

    /** The fields whose texts need not be compared: those known to be the same, and those where nobody asks for it. */
    private static Set<Field> withoutNeed(Set<Field> unchanged, ItemStandards held) {
        Set<Field> without = new HashSet<>(unchanged);
        for (Field field : List.of(Field.TITLE, Field.DESCRIPTION)) {
            if (!held.uses(Check.id(field, NearDuplicate.CODE)) && !held.uses(Check.id(field, Patterned.CODE)))
                without.add(field);
        }
        return without;
    }

    /** @param without fields whose texts need not be compared */
    private Survey survey(Property property, Standard standard, long[] ids, Set<Field> without) {
        Client client = clients.client(property.clientId());
        Survey survey = new Survey(mapper.common(property.id()), standard.alike(), client.placeNames(), without);
        Lookahead.over(ids, AT_ONCE, some -> items.texts(property.id(), some[0], some[some.length - 1]), survey::add);
        return survey;
    }

    /** Holds some items to standards and stores nothing; what they are like is told among them. */
    void tryOut(Property property, ItemStandards held, List<ItemDetail> some, Consumer<Inspector.Found> visit) {
        Client client = clients.client(property.clientId());
        Survey survey = new Survey(mapper.common(property.id()), held.base().alike(), client.placeNames(), Set.of());
        for (ItemDetail item : some) {
            if (item.noindex() == null) survey.add(List.of(item.title(), item.description()));
        }
        List<CommonPart> common = survey.common(held.base());
        Inspector inspector = inspector(
                property,
                held,
                common,
                Likes.ofAll(survey.titles().found(), survey.likeTitles(common).results()),
                Likes.ofAll(
                        survey.descriptions().found(), survey.likeDescriptions().results()));
        for (int start = 0; start < some.size(); start += AT_ONCE) {
            List<ItemDetail> stretch = some.subList(start, Math.min(some.size(), start + AT_ONCE));
            long[] ids = stretch.stream().mapToLong(ItemDetail::id).toArray();
            inspector
                    .inspect(stretch, Map.of(), Set.of(), exempt(ids), new Lives(0, List.of()))
                    .found()
                    .forEach(visit);
        }
    }

    private LikeTexts.Indexes indexes(long propertyId) {
        Property property = clients.property(propertyId);
        Survey survey = survey(property, property.standard(), items.allIds(propertyId), Set.of());
        return new LikeTexts.Indexes(
                survey.likeTitles(mapper.common(propertyId)).index(),
                survey.likeDescriptions().index());
    }

    /** Says, within the transaction that changes texts, that findings are to be worked out after it; returns the change's number. */
    public long due(long propertyId) {
        return mapper.countChange(propertyId);
    }

    /** The properties whose findings do not stand for their texts. */
    List<Long> due() {
        return mapper.due();
    }

    /**
     * Works out all findings of a property anew, if they do not stand for its texts and standards.
     *
     * @param outdated tells whether they are about to be worked out anew once more
     * @throws Outdated where they are
     */
    void settleAnew(long propertyId, BooleanSupplier outdated) {
        if (!mapper.due().contains(propertyId)) return;
        evaluateAnew(propertyId, outdated);
        // Tables have it already; open pages are told.
        items.changed(propertyId, Set.of());
    }

    /**
     * Brings the findings up to date after some changes, and tables with them.
     *
     * @param outdated tells whether all are about to be worked out once more
     * @throws Outdated where they are, and there are many changes
     */
    void settle(long propertyId, List<Long> changes, ChangedTexts texts, BooleanSupplier outdated) {
        texts.fields().forEach(field -> likes.forgetResults(propertyId, field));
        if (!texts.isMany()) {
            line.runPatiently(propertyId, "findings of changed items", () -> settleFew(propertyId, changes, texts));
            return;
        }
        evaluateAll(propertyId, false, outdated);
        // Tables have it already; open pages are told.
        items.changed(propertyId, Set.of());
    }

    private void settleFew(long propertyId, List<Long> changes, ChangedTexts texts) {
        LikeTexts.Indexes indexes = likes.of(propertyId, this::indexes);
        List<ItemDetail> rewritten = details(propertyId, texts.itemIds());
        Set<Long> others = likes.touched(indexes, texts, rewritten);
        texts.alike().forEach((field, alike) -> others.addAll(items.alikeItems(propertyId, field, alike)));
        rewritten.forEach(item -> others.remove(item.id()));
        List<ItemDetail> touched = Stream.concat(rewritten.stream(), details(propertyId, others).stream())
                .sorted(Comparator.comparingLong(ItemDetail::id))
                .toList();
        items.found(propertyId, evaluate(propertyId, touched, texts, indexes));
        for (long change : changes) mapper.judged(propertyId, change);
        // What is lost in a kill is made up for.
        items.appeared(propertyId, Set.of());
    }

    private List<ItemDetail> details(long propertyId, Collection<Long> ids) {
        return items.detailsInSite(
                propertyId, ids.stream().mapToLong(Long::longValue).toArray());
    }

    /**
     * What was found of a stretch of ids.
     *
     * @param found of each item, as tables have it
     * @param before what was found of it the last time, as it is stored
     */
    private record Stretch(
            long first, long last, Inspector.Inspected inspected, List<FoundOnItem> found, Map<Long, String> before) {}

    private void write(long propertyId, Stretch stretch) {
        transaction.executeWithoutResult(status -> {
            writeFindings(propertyId, stretch);
            ManyRows.each(stretch.inspected.lives(), lifeLines::put);
            stakes.replace(stretch.first, stretch.last, stretch.inspected.stakes());
        });
        items.found(propertyId, stretch.found);
    }

    /** Writes what came out otherwise than before; where that is most of it, all of it, which takes less. */
    private void writeFindings(long propertyId, Stretch stretch) {
        List<FindingMapper.FindingValues> found = stretch.inspected.findings();
        List<FindingMapper.FindingValues> other = found.stream()
                .filter(line -> !line.found().equals(stretch.before.get(line.itemId())))
                .toList();
        if (2 * other.size() > found.size()) {
            mapper.deleteBetween(propertyId, stretch.first, stretch.last);
            ManyRows.each(found, mapper::insert);
            return;
        }
        Set<Long> old = new HashSet<>(stretch.before.keySet());
        found.forEach(line -> old.remove(line.itemId()));
        other.forEach(line -> old.add(line.itemId()));
        forEachList(old.stream().mapToLong(Long::longValue).toArray(), mapper::deleteOf);
        ManyRows.each(other, mapper::insert);
    }

    /** The moment of which the latest sweep tells, in seconds since 1970. */
    private long moment(long propertyId) {
        Long latest = lifeLines.latestSweep(propertyId);
        return latest == null ? 0 : latest;
    }

    private Lives lives(long[] ids, long moment) {
        if (IdRange.isDense(ids)) return new Lives(moment, lifeLines.between(ids[0], ids[ids.length - 1]));
        List<LifeMapper.LifeLine> lines = new ArrayList<>();
        forEachList(ids, some -> lines.addAll(lifeLines.of(some)));
        return new Lives(moment, lines);
    }

    /** The checks that items need not pass, by item. */
    private Map<Long, Set<String>> exempt(long[] ids) {
        Map<Long, Set<String>> exempt = new HashMap<>();
        for (ExemptionMapper.Held held : exemptions(ids)) {
            exempt.computeIfAbsent(held.itemId(), any -> new HashSet<>()).add(Check.id(held.field(), held.checkCode()));
        }
        return exempt;
    }

    private List<ExemptionMapper.Held> exemptions(long[] ids) {
        if (ids.length == 0) return List.of();
        if (IdRange.isDense(ids)) return exemptions.between(ids[0], ids[ids.length - 1]);
        List<ExemptionMapper.Held> held = new ArrayList<>();
        forEachList(ids, some -> held.addAll(exemptions.of(some)));
        return held;
    }

    private static void forEachList(long[] ids, Consumer<Object[]> visit) {
        for (int start = 0; start < ids.length; start += LIST)
            visit.accept(Arrays.stream(ids, start, Math.min(ids.length, start + LIST))
                    .boxed()
                    .toArray());
    }

    /** @param searched tells which items searchers were shown; null where those are of which demand is stored */
    private Stretch inspected(Inspector inspector, long propertyId, long[] ids, LongPredicate searched, long moment) {
        Map<Long, ItemDemand> demand = stakes.demand(ids[0], ids[ids.length - 1]);
        Set<Long> shown = searched == null
                ? demand.keySet()
                : Arrays.stream(ids).filter(searched).boxed().collect(Collectors.toSet());
        Lives lives = lives(ids, moment);
        Inspector.Inspected inspected =
                inspector.inspect(items.detailsInSite(propertyId, ids), demand, shown, exempt(ids), lives);
        long first = ids[0];
        long last = ids[ids.length - 1];
        Map<Long, String> before = mapper.found(first, last).stream()
                .collect(Collectors.toMap(FindingMapper.StoredLine::itemId, FindingMapper.StoredLine::found));
        return new Stretch(first, last, inspected, found(ids, inspected, lives), before);
    }

    private static List<FoundOnItem> found(long[] ids, Inspector.Inspected inspected, Lives lives) {
        Map<Long, List<StoredFinding>> findings = new HashMap<>();
        inspected.found().forEach(found -> findings.put(found.item().id(), found.findings()));
        Map<Long, String> stakes = new HashMap<>();
        inspected.stakes().forEach(line -> stakes.put(line.itemId(), line.parts()));
        return Arrays.stream(ids)
                .mapToObj(id -> FoundOnItem.of(id, findings.getOrDefault(id, List.of()), stakes.get(id), lives.of(id)))
                .toList();
    }

    /**
     * Works out the findings of some items, of which there are few; common beginnings and endings stay as they were found
     * in the whole.
     *
     * @param texts those that changed
     * @return what was found of the items whose texts or findings are others now
     */
    private List<FoundOnItem> evaluate(
            long propertyId, List<ItemDetail> details, ChangedTexts texts, LikeTexts.Indexes indexes) {
        long[] ids = details.stream().mapToLong(ItemDetail::id).toArray();
        Property property = clients.property(propertyId);
        Map<Long, List<StoredFinding>> before =
                items.findings(details.stream().map(ItemDetail::id).toList());
        Inspector inspector = inspector(
                property,
                standards.of(property),
                mapper.common(propertyId),
                likesOfFew(propertyId, Field.TITLE, details, before, texts, indexes),
                likesOfFew(propertyId, Field.DESCRIPTION, details, before, texts, indexes));
        Map<Long, ItemDemand> demand = stakes.demand(ids);
        Lives lives = lives(ids, moment(propertyId));
        Inspector.Inspected inspected = inspector.inspect(details, demand, demand.keySet(), exempt(ids), lives);
        Set<Long> changed = texts.itemIds();
        Map<Long, List<StoredFinding>> after = new HashMap<>();
        for (Inspector.Found found : inspected.found()) after.put(found.item().id(), found.findings());
        Map<String, Integer> fitWithout = new HashMap<>(inspected.fitWithout());
        for (ItemDetail item : details) {
            List<StoredFinding> was = before.getOrDefault(item.id(), List.of());
            if (!was.equals(after.getOrDefault(item.id(), List.of()))) changed.add(item.id());
            Inspector.countFitWithout(item, was, -1, fitWithout);
        }
        transaction.executeWithoutResult(status -> {
            forEachList(changed.stream().mapToLong(Long::longValue).toArray(), some -> {
                mapper.deleteOf(some);
                stakes.deleteOf(some);
            });
            ManyRows.each(
                    inspected.findings().stream()
                            .filter(line -> changed.contains(line.itemId()))
                            .toList(),
                    mapper::insert);
            ManyRows.each(inspected.lives(), lifeLines::put);
            stakes.insert(inspected.stakes().stream()
                    .filter(line -> changed.contains(line.itemId()))
                    .toList());
            fitWithout.forEach((part, more) -> {
                if (more != 0) mapper.addFitWithout(propertyId, part, more);
            });
        });
        return found(changed.stream().mapToLong(Long::longValue).toArray(), inspected, lives);
    }

    private Likes likesOfFew(
            long propertyId,
            Field field,
            List<ItemDetail> details,
            Map<Long, List<StoredFinding>> before,
            ChangedTexts texts,
            LikeTexts.Indexes indexes) {
        Set<Long> hashes =
                details.stream().map(item -> item.field(field).alike()).collect(Collectors.toSet());
        return Likes.ofFew(
                byHash(items.alikeGroups(propertyId, field, hashes)),
                likes.near(propertyId, indexes, field, details, before, texts.items(field)),
                indexes.of(field));
    }

    /**
     * What would be found of an item with another text, and what fixing it could win.
     *
     * @param found of all its fields
     */
    public record Tried(List<StoredFinding> found, Stake left) {}

    /** Holds an item with another title or description to all its checks, and stores nothing. */
    public Tried tried(long propertyId, long itemId, Field field, String text) {
        return tried(propertyId, itemId, item -> item.with(field, text));
    }

    /** What is found of an item as it is drafted, worked out in the same way as what is found of it without. */
    public Tried triedAsDrafted(long propertyId, long itemId) {
        return tried(propertyId, itemId, item -> item);
    }

    /** What would be found of an item if nothing were drafted for it. */
    public Tried triedWithoutDrafts(long propertyId, long itemId) {
        return tried(propertyId, itemId, ItemDetail::withoutDrafts);
    }

    private Tried tried(long propertyId, long itemId, UnaryOperator<ItemDetail> as) {
        Property property = clients.property(propertyId);
        LikeTexts.Indexes indexes = likes.of(propertyId, this::indexes);
        List<ItemDetail> details = items.detailsInSite(propertyId, new long[] {itemId}).stream()
                .map(as)
                .toList();
        Inspector inspector = inspector(
                property,
                standards.of(property),
                mapper.common(propertyId),
                likesTried(propertyId, Field.TITLE, details, indexes),
                likesTried(propertyId, Field.DESCRIPTION, details, indexes));
        long[] ids = {itemId};
        Map<Long, ItemDemand> demand = stakes.demand(ids);
        Inspector.Inspected inspected =
                inspector.inspect(details, demand, demand.keySet(), exempt(ids), new Lives(0, List.of()));
        List<StoredFinding> found = inspected.found().stream()
                .flatMap(each -> each.findings().stream())
                .toList();
        Stake left = inspected.stakes().stream()
                .flatMap(line -> StakeParts.list(line.parts(), found.size()).stream())
                .reduce(Stake.NONE, Stake::plus);
        return new Tried(found, left);
    }

    /** What a text that is tried is the same as or near to, among those of the other items. */
    private Likes likesTried(long propertyId, Field field, List<ItemDetail> tried, LikeTexts.Indexes indexes) {
        Map<Long, AlikeGroup> groups = new HashMap<>();
        for (ItemDetail item : tried) {
            long hash = item.field(field).alike();
            long[] others = items.alikeItems(propertyId, field, List.of(hash)).stream()
                    .mapToLong(Long::longValue)
                    .filter(id -> id != item.id())
                    .sorted()
                    .toArray();
            long[] some = Arrays.copyOf(others, Math.min(others.length, SOME));
            long[] indexable = items.details(propertyId, some).stream()
                    .filter(other -> other.noindex() == null)
                    .mapToLong(ItemDetail::id)
                    .toArray();
            if (indexable.length == 0) continue;
            int count = others.length > SOME ? others.length : indexable.length;
            groups.put(hash, new AlikeGroup(hash, count + 1, indexable[0], indexable[indexable.length - 1]));
        }
        return text -> Likes.Like.of(
                text,
                groups.get(text.alike()),
                likes.nearTo(propertyId, indexes.of(field), text),
                indexes.of(field).series(text.text()));
    }

    /** Walks over all findings, item by item. */
    public void forEach(long propertyId, Consumer<FindingRow> visit) {
        Lookahead.over(items.allIds(propertyId), AT_ONCE, ids -> rows(propertyId, ids), rows -> rows.forEach(visit));
    }

    private List<FindingRow> rows(long propertyId, long[] ids) {
        List<ItemDetail> details = items.details(propertyId, ids);
        List<Long> some = details.stream().map(ItemDetail::id).toList();
        Map<Long, List<StoredFinding>> findings = items.findings(some);
        Map<Long, List<Stake>> atStake = items.stakes(findings);
        List<FindingRow> rows = new ArrayList<>();
        ItemStandards.Held held = standards.of(clients.property(propertyId)).held(ids);
        for (ItemDetail item : details) {
            Standard standard = held.standard(item.id());
            List<StoredFinding> found = findings.getOrDefault(item.id(), List.of());
            for (int i = 0; i < found.size(); i++) {
                Check check = Checks.of(found.get(i).field(), found.get(i).check());
                boolean counted = check.counts(item.noindex() == null);
                Stake stake = counted ? atStake.get(item.id()).get(i) : Stake.NONE;
                rows.add(new FindingRow(
                        item.address(), check, found.get(i).evidence(), check.limit(standard), stake, counted));
            }
        }
        return rows;
    }

    private void storeCommon(long propertyId, List<CommonPart> common, Map<String, Integer> fitWithout) {
        mapper.deleteCommon(propertyId);
        for (CommonPart part : common) {
            mapper.insertCommon(propertyId, part, fitWithout.getOrDefault(part.text(), 0));
        }
    }

    private Inspector inspector(
            Property property, ItemStandards held, List<CommonPart> common, Likes titles, Likes descriptions) {
        Client client = clients.client(property.clientId());
        Set<String> brands = client.brandNames().stream().map(TextKey::key).collect(Collectors.toSet());
        InspectedItems subjects = new InspectedItems(property.language(), titles, descriptions, items::addresses);
        PlacesNamed places = new PlacesNamed(client.placeNames());
        TagUse tags = tagUses.of(property);
        int year = yearOf(property.id());
        Function<Standard, Inspection> inspections =
                standard -> new Inspection(new InspectionContext(standard, common, brands, places, tags, year));
        Optional<StakeModel> costs = stakes.costs(property.id())
                .map(fitted -> fitted.model(property.standard().leadingWords()));
        return new Inspector(property.id(), held, inspections, subjects, Words.in(property.language()), costs, json);
    }

    /** The year in which the property was last swept, since what it says is held against that time. */
    private int yearOf(long propertyId) {
        Instant swept = mapper.lastSwept(propertyId);
        return (swept == null ? Instant.now() : swept).atZone(ZoneOffset.UTC).getYear();
    }

    private static Map<Long, AlikeGroup> byHash(List<AlikeGroup> found) {
        return found.stream().collect(Collectors.toMap(AlikeGroup::alike, group -> group));
    }
}
