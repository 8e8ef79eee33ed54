package lucidsweep.server.aim.targets;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.keyword.Intent;
import lucidsweep.core.keyword.TargetFinder;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** What a person decides of targets, topics and intents. */
@Service
public class TargetDecisions {

    private static final int LONGEST_TOPIC = 200;

    private final TargetMapper mapper;
    private final Items items;
    private final PreparedProperties prepared;
    private final TargetRuns runs;
    private final PropertyLine line;
    private final TransactionTemplate transaction;

    TargetDecisions(
            TargetMapper mapper,
            Items items,
            PreparedProperties prepared,
            TargetRuns runs,
            PropertyLine line,
            TransactionTemplate transaction) {
        this.mapper = mapper;
        this.items = items;
        this.prepared = prepared;
        this.runs = runs;
        this.line = line;
        this.transaction = transaction;
    }

    /** Makes the homes that were worked out for keywords decisions. */
    public void keepHomes(long propertyId, List<Long> keywordIds) {
        change(propertyId, () -> IdSteps.over(keywordIds, ids -> mapper.keepHomes(propertyId, ids)));
        items.changed(propertyId, Set.of());
    }

    /** Makes the keywords that were worked out for items decisions; returns how many items were meant. */
    int keep(long propertyId, Selection selection) {
        long[] meant = selection.resolve(propertyId, items);
        change(
                propertyId,
                () -> IdSteps.over(Arrays.stream(meant).boxed().toList(), ids -> mapper.keepTargets(propertyId, ids)));
        items.changed(propertyId, Set.of());
        return meant.length;
    }

    /** The items that a keyword could live with, the best first. */
    public List<PossibleHome> homes(long propertyId, long keywordId) {
        PreparedProperties.Ready ready = prepared.of(propertyId);
        Integer place = ready.places().get(keywordId);
        if (place == null) throw Refusal.notFound("there is no keyword " + keywordId + " in this property");
        List<TargetFinder.Candidate> candidates = ready.mapper().candidates(place);
        Map<Long, String> addresses = new HashMap<>();
        mapper.addresses(candidates.stream().map(TargetFinder.Candidate::item).toArray())
                .forEach(each -> addresses.put(each.id(), each.address()));
        return candidates.stream()
                .map(each -> new PossibleHome(each.item(), addresses.get(each.item()), each.score(), each.reason()))
                .toList();
    }

    /** Puts keywords under a topic by hand; a blank one lets it be worked out again. */
    public void setTopic(long propertyId, List<Long> keywordIds, String topic) {
        setTopics(propertyId, Map.of(topic, keywordIds));
    }

    /** Puts keywords under topics by hand, by the topics' names. */
    public void setTopics(long propertyId, Map<String, List<Long>> keywordIds) {
        for (String topic : keywordIds.keySet()) {
            if (topic.length() <= LONGEST_TOPIC) continue;
            throw Refusal.badInput(
                    "the topic has " + topic.length() + " characters, at most " + LONGEST_TOPIC + " are expected");
        }
        decide(
                propertyId,
                () -> keywordIds.forEach(
                        (topic, some) -> IdSteps.over(some, ids -> mapper.setTopic(propertyId, ids, topic.strip()))));
    }

    /** Settles the intent of keywords by hand; null lets it be worked out again. */
    public void setIntent(long propertyId, List<Long> keywordIds, Intent.Kind intent) {
        String code = intent == null ? "" : intent.code();
        Runnable decision = () -> IdSteps.over(keywordIds, ids -> mapper.setIntent(propertyId, ids, code));
        if (intent == null) {
            decide(propertyId, decision);
            return;
        }
        change(propertyId, decision);
        items.changed(propertyId, Set.of());
    }

    /** Sets a target by hand without working the others out. */
    public void settle(long propertyId, long itemId, long keywordId, String reason) {
        mapper.freeKeyword(keywordId);
        mapper.setTargets(new Object[] {itemId}, propertyId, keywordId, reason);
    }

    /** Sets the target of items by hand; null clears it, and it stays clear. */
    int set(long propertyId, Selection selection, Long keywordId) {
        long[] ids = selection.resolve(propertyId, items);
        if (keywordId != null && !mapper.has(propertyId, keywordId)) {
            throw Refusal.notFound("there is no keyword " + keywordId + " in this property");
        }
        decide(propertyId, () -> {
            if (keywordId != null) mapper.freeKeyword(keywordId);
            String reason = keywordId == null ? "cleared by hand" : "set by hand";
            IdSteps.over(
                    Arrays.stream(ids).boxed().toList(),
                    some -> mapper.setTargets(some, propertyId, keywordId, reason));
        });
        return ids.length;
    }

    /** Lets the targets of items be worked out again. */
    int free(long propertyId, Selection selection) {
        long[] ids = selection.resolve(propertyId, items);
        decide(propertyId, () -> IdSteps.over(Arrays.stream(ids).boxed().toList(), mapper::deleteTargetsOfItems));
        return ids.length;
    }

    /** What a decision changes for the items that it does not name is worked out after it. */
    private void decide(long propertyId, Runnable decision) {
        runs.decide(
                propertyId,
                () -> change(propertyId, () -> {
                    decision.run();
                    runs.due(propertyId);
                }));
    }

    private void change(long propertyId, Runnable decision) {
        line.run(
                propertyId,
                "deciding about keywords",
                () -> transaction.executeWithoutResult(status -> decision.run()));
    }
}
