package lucidsweep.server.aim;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import lucidsweep.core.aim.AimPlan;
import lucidsweep.core.keyword.Decided;
import lucidsweep.core.keyword.Intent;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PlacesNamed;
import lucidsweep.core.keyword.SearchFigures;
import lucidsweep.core.keyword.Target;
import lucidsweep.core.keyword.TargetFinder;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Columns;
import lucidsweep.server.gather.DemandChanged;
import lucidsweep.server.gather.SweepEnded;
import lucidsweep.server.item.Items;
import lucidsweep.server.item.Selection;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Keywords and targets; what a person decided stays through every run. */
@Service
public class Aims {

    private static final int AT_ONCE = 1_000;
    private static final int PATIENCE_SECONDS = 5;
    private static final int LONGEST_TOPIC = 200;

    private final AimMapper mapper;
    private final Clients clients;
    private final Items items;
    private final Aimings aimings;
    private final AimPlanStore store;
    private final FigureStore figures;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher publisher;
    private final Jobs jobs;

    Aims(
            AimMapper mapper,
            Clients clients,
            Items items,
            Aimings aimings,
            AimPlanStore store,
            FigureStore figures,
            TransactionTemplate transaction,
            ApplicationEventPublisher publisher,
            Jobs jobs) {
        this.mapper = mapper;
        this.clients = clients;
        this.items = items;
        this.aimings = aimings;
        this.store = store;
        this.figures = figures;
        this.transaction = transaction;
        this.publisher = publisher;
        this.jobs = jobs;
    }

    /**
     * What a list of keywords brought.
     *
     * @param known how many were there already; their figures were brought up to date
     * @param aimed how many items aim at a keyword now; null where that is still being worked out
     * @param jobId of the job that works it out
     */
    public record Added(
            int added,
            int known,
            List<KeywordList.Remark> unreadable,
            List<KeywordList.Remark> notes,
            Integer aimed,
            long jobId) {}

    /** Adds a list of keywords and works out the targets anew. */
    public Added add(long propertyId, TableFile table) {
        KeywordList list = KeywordList.read(table);
        if (list.lines().isEmpty()) {
            String why = list.unreadable().isEmpty()
                    ? ""
                    : "; line " + list.unreadable().get(0).line() + ": "
                            + list.unreadable().get(0).reason();
            throw Refusal.badInput("no keyword could be read from it" + why);
        }
        Words words = Words.in(clients.property(propertyId).language());
        Set<String> added = new LinkedHashSet<>();
        transaction.executeWithoutResult(status -> {
            Map<String, List<SearchFigures>> figures = new LinkedHashMap<>();
            Map<String, String> phrases = new HashMap<>();
            for (KeywordList.Line line : list.lines()) {
                String key = Phrase.of(line.phrase(), words).key();
                figures.computeIfAbsent(key, any -> new ArrayList<>()).add(line.figures());
                phrases.putIfAbsent(key, line.phrase());
            }
            Map<String, Long> ids = putOnTheList(propertyId, phrases, figures.keySet(), added);
            Map<Long, List<SearchFigures>> byId = new LinkedHashMap<>();
            figures.forEach((key, some) -> byId.put(ids.get(key), some));
            this.figures.update(propertyId, byId);
            mapper.setDue(propertyId);
        });
        Begun begun = begin(propertyId);
        return new Added(
                added.size(),
                list.lines().size() - added.size(),
                list.unreadable(),
                list.notes(),
                begun.aimed,
                begun.job);
    }

    /** Work that was begun; how many items are aimed is null while it goes on. */
    private record Begun(long job, Integer aimed) {}

    /** Works the targets out anew as a job, and waits a moment: mostly it has ended by then. */
    private Begun begin(long propertyId) {
        CompletableFuture<Integer> aimed = new CompletableFuture<>();
        long job = jobs.start(propertyId, "aim", "Working out which keyword fits which item", progress -> {
            try {
                int count = workOutAnew(propertyId);
                aimed.complete(count);
                return count + " items aim at a keyword.";
            } catch (RuntimeException e) {
                aimed.completeExceptionally(e);
                throw e;
            }
        });
        try {
            return new Begun(job, aimed.get(PATIENCE_SECONDS, TimeUnit.SECONDS));
        } catch (TimeoutException e) {
            return new Begun(job, null);
        } catch (ExecutionException e) {
            throw (RuntimeException) e.getCause();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return new Begun(job, null);
        }
    }

    /** The same after something changed within the caller's transaction, once that is committed. */
    void changed(long propertyId) {
        begin(propertyId);
    }

    /** What was under way when the application ended is begun anew. */
    @EventListener(ApplicationReadyEvent.class)
    void goOnAfterTheEnd() {
        for (long propertyId : mapper.allDue()) {
            jobs.start(
                    propertyId,
                    "aim",
                    "Working out which keyword fits which item",
                    progress -> workOutAnew(propertyId) + " items aim at a keyword.");
        }
    }

    /** Makes keywords of phrases that are not on the list and brings back those that were removed; returns all ids by key. */
    private Map<String, Long> putOnTheList(
            long propertyId, Map<String, String> phrases, Set<String> wanted, Set<String> added) {
        Map<String, Long> ids = ids(propertyId);
        wanted.stream().filter(key -> !ids.containsKey(key)).forEach(added::add);
        List<AimMapper.NewRow> rows = added.stream()
                .map(key -> new AimMapper.NewRow(propertyId, phrases.get(key), key))
                .toList();
        for (int start = 0; start < rows.size(); start += AT_ONCE) {
            mapper.insertAll(Columns.of(rows.subList(start, Math.min(rows.size(), start + AT_ONCE))));
        }
        List<Long> known =
                wanted.stream().map(ids::get).filter(id -> id != null).toList();
        inSteps(known, some -> mapper.setRemoved(propertyId, some, false));
        return rows.isEmpty() ? ids : ids(propertyId);
    }

    private Map<String, Long> ids(long propertyId) {
        Map<String, Long> ids = new HashMap<>();
        mapper.keys(propertyId).forEach(each -> ids.put(each.phraseKey(), each.id()));
        return ids;
    }

    public long keywordCount(long propertyId) {
        return mapper.count(propertyId);
    }

    void remove(long propertyId, List<Long> keywordIds) {
        transaction.executeWithoutResult(status -> inSteps(keywordIds, ids -> {
            mapper.putTargetsAside(ids);
            mapper.deleteTargetsOf(ids);
            mapper.deleteSecondTargetsOf(ids);
            mapper.setRemoved(propertyId, ids, true);
            mapper.setDue(propertyId);
        }));
        begin(propertyId);
    }

    /** Brings keywords back that were taken off the list, with what was decided of them. */
    void restore(long propertyId, List<Long> keywordIds) {
        transaction.executeWithoutResult(status -> inSteps(keywordIds, ids -> {
            mapper.setRemoved(propertyId, ids, false);
            mapper.bringTargetsBack(ids);
            mapper.bringSecondTargetsBack(ids);
            mapper.forgetTargetsAside(ids);
            mapper.setDue(propertyId);
        }));
        begin(propertyId);
    }

    private static void inSteps(List<Long> ids, Consumer<Object[]> statement) {
        for (int start = 0; start < ids.size(); start += AT_ONCE) {
            statement.accept(
                    ids.subList(start, Math.min(ids.size(), start + AT_ONCE)).toArray());
        }
    }

    /** Makes the homes that were worked out for keywords decisions. */
    void keepHomes(long propertyId, List<Long> keywordIds) {
        transaction.executeWithoutResult(status -> inSteps(keywordIds, ids -> {
            mapper.keepHomes("target", propertyId, ids);
            mapper.keepHomes("second_target", propertyId, ids);
        }));
        items.changed(propertyId);
    }

    /** Makes the keywords that were worked out for items decisions; returns how many items were meant. */
    int keep(long propertyId, Selection selection) {
        long[] meant = selection.resolve(propertyId, items);
        transaction.executeWithoutResult(
                status -> inSteps(Arrays.stream(meant).boxed().toList(), ids -> {
                    mapper.keepTargets("target", propertyId, ids);
                    mapper.keepTargets("second_target", propertyId, ids);
                }));
        items.changed(propertyId);
        return meant.length;
    }

    /** The items that a keyword could live with, the best first. */
    List<PossibleHome> homes(long propertyId, long keywordId) {
        Aimings.Ready ready = aimings.of(propertyId);
        Integer place = ready.places().get(keywordId);
        if (place == null) throw Refusal.notFound("there is no keyword " + keywordId + " in this property");
        List<TargetFinder.Candidate> candidates = ready.aiming().candidates(place);
        Map<Long, String> addresses = new HashMap<>();
        mapper.addresses(candidates.stream().map(TargetFinder.Candidate::item).toArray())
                .forEach(each -> addresses.put(each.id(), each.address()));
        return candidates.stream()
                .map(each -> new PossibleHome(each.item(), addresses.get(each.item()), each.score(), each.reason()))
                .toList();
    }

    /** Puts keywords under a topic by hand; a blank one lets it be worked out again. */
    void setTopic(long propertyId, List<Long> keywordIds, String topic) {
        setTopics(propertyId, Map.of(topic, keywordIds));
    }

    /** Puts keywords under topics by hand, by the topics' names. */
    void setTopics(long propertyId, Map<String, List<Long>> keywordIds) {
        for (String topic : keywordIds.keySet()) {
            if (topic.length() <= LONGEST_TOPIC) continue;
            throw Refusal.badInput(
                    "the topic has " + topic.length() + " characters, at most " + LONGEST_TOPIC + " are expected");
        }
        transaction.executeWithoutResult(status -> keywordIds.forEach(
                (topic, some) -> inSteps(some, ids -> mapper.setTopic(propertyId, ids, topic.strip()))));
        workOut(propertyId);
    }

    /** Settles the intent of keywords by hand; null lets it be worked out again. */
    void setIntent(long propertyId, List<Long> keywordIds, Intent.Kind intent) {
        String code = intent == null ? "" : intent.code();
        transaction.executeWithoutResult(status -> inSteps(keywordIds, ids -> mapper.setIntent(propertyId, ids, code)));
        if (intent == null) workOut(propertyId);
        else items.changed(propertyId);
    }

    /** Makes keywords of queries that are not yet on the list, and returns the ids of all, in their order. */
    List<Long> keywordsOf(long propertyId, List<String> queries) {
        Words words = Words.in(clients.property(propertyId).language());
        Map<String, String> phrases = new LinkedHashMap<>();
        for (String query : queries) phrases.putIfAbsent(Phrase.of(query, words).key(), query);
        Map<String, Long> ids = putOnTheList(propertyId, phrases, phrases.keySet(), new LinkedHashSet<>());
        return queries.stream()
                .map(query -> ids.get(Phrase.of(query, words).key()))
                .toList();
    }

    /** Sets a target by hand without working the others out. */
    void settle(long propertyId, long itemId, long keywordId, String reason) {
        mapper.deleteWorkedOutOf(keywordId);
        mapper.deleteSecondTargetsOf(new Object[] {keywordId});
        mapper.setTarget(itemId, propertyId, keywordId, true, 0, reason);
    }

    /** Sets the target of items by hand; null clears it, and it stays clear. */
    int set(long propertyId, Selection selection, Long keywordId) {
        long[] ids = selection.resolve(propertyId, items);
        if (keywordId != null && !mapper.has(propertyId, keywordId)) {
            throw Refusal.notFound("there is no keyword " + keywordId + " in this property");
        }
        transaction.executeWithoutResult(status -> {
            if (keywordId != null) mapper.deleteWorkedOutOf(keywordId);
            if (keywordId != null) mapper.deleteSecondTargetsOf(new Object[] {keywordId});
            String reason = keywordId == null ? "cleared by hand" : "set by hand";
            for (long id : ids) mapper.setTarget(id, propertyId, keywordId, true, 0, reason);
        });
        workOut(propertyId);
        return ids.length;
    }

    /** Lets the targets of items be worked out again. */
    int free(long propertyId, Selection selection) {
        long[] ids = selection.resolve(propertyId, items);
        transaction.executeWithoutResult(status -> {
            for (long id : ids) {
                mapper.deleteTarget(id);
                mapper.deleteSecondTargetsOfItem(id);
            }
        });
        workOut(propertyId);
        return ids.length;
    }

    @EventListener
    void sweepEnded(SweepEnded sweep) {
        mapper.setDue(sweep.propertyId());
        workOutAnew(sweep.propertyId());
    }

    @EventListener
    void demandChanged(DemandChanged demand) {
        mapper.setDue(demand.propertyId());
        workOutAnew(demand.propertyId());
    }

    /** The same after keywords, items or demand have changed, once that is committed. */
    private int workOutAnew(long propertyId) {
        aimings.forget(propertyId);
        return workOut(propertyId);
    }

    /** Works out the targets of all indexable items, but for those set by hand; returns how many have one. */
    public int workOut(long propertyId) {
        Property property = clients.property(propertyId);
        Client client = clients.client(property.clientId());
        Long due = mapper.due(propertyId);
        Aimings.Ready ready = aimings.of(propertyId);
        Decided decided = new Decided();
        int decidedHomes = 0;
        for (AimMapper.ByHand fixed : mapper.byHand(propertyId)) {
            Integer place = ready.places().get(fixed.keywordId());
            if (fixed.keywordId() == null) decided.clear(fixed.itemId());
            else if (place != null) decided.home(fixed.itemId(), place, role(fixed));
            if (fixed.first() && fixed.keywordId() != null) decidedHomes++;
        }
        for (AimMapper.TopicByHand topic : mapper.topicsByHand(propertyId)) {
            Integer place = ready.places().get(topic.id());
            if (place != null) decided.topic(place, topic.topic());
        }
        AimPlan plan = ready.aiming().plan(decided);
        PlacesNamed places = new PlacesNamed(client.placeNames());
        transaction.executeWithoutResult(status -> {
            store.write(propertyId, places, ready, plan);
            if (due != null) mapper.clearDue(propertyId, due);
        });
        items.changed(propertyId);
        publisher.publishEvent(new TargetsChanged(propertyId));
        items.changed(propertyId);
        long primary = plan.targets().stream()
                .filter(target -> target.role() == Target.Role.PRIMARY)
                .count();
        return (int) primary + decidedHomes;
    }

    private static Target.Role role(AimMapper.ByHand fixed) {
        return fixed.first() ? Target.Role.PRIMARY : Target.Role.SECONDARY;
    }
}
