package lucidsweep.server.aim.targets;

import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Collectors;
import lucidsweep.core.aim.AimPlan;
import lucidsweep.core.keyword.Decided;
import lucidsweep.core.keyword.PlacesNamed;
import lucidsweep.core.keyword.Target;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.LanguageChanged;
import lucidsweep.server.client.PropertyArrived;
import lucidsweep.server.gather.sweep.DemandChanged;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.PropertyLine;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Works out which keyword fits which item, again and again; what a person decided stays through every run. */
@Service
public class TargetRuns {

    private static final int PATIENCE_SECONDS = 5;
    private static final String TITLE = "Working out which keyword fits which item";

    private final TargetMapper mapper;
    private final Clients clients;
    private final Items items;
    private final PreparedProperties prepared;
    private final PropertyLine line;
    private final AimPlanStore store;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher publisher;
    private final Jobs jobs;
    private final Map<Long, Object> runs = new ConcurrentHashMap<>();

    TargetRuns(
            TargetMapper mapper,
            Clients clients,
            Items items,
            PreparedProperties prepared,
            PropertyLine line,
            AimPlanStore store,
            TransactionTemplate transaction,
            ApplicationEventPublisher publisher,
            Jobs jobs) {
        this.mapper = mapper;
        this.clients = clients;
        this.items = items;
        this.prepared = prepared;
        this.line = line;
        this.store = store;
        this.transaction = transaction;
        this.publisher = publisher;
        this.jobs = jobs;
    }

    /** Work that was begun; how many items are aimed is null while it goes on. */
    public record Begun(long job, Integer aimed) {}

    /**
     * Works the targets out anew as a job after keywords have changed and that is committed, and waits a moment: mostly it has
     * ended by then.
     */
    public Begun begin(long propertyId) {
        CompletableFuture<Integer> aimed = new CompletableFuture<>();
        long job = jobs.start(propertyId, "aim", TITLE, progress -> {
            try {
                int count = workOutAnew(propertyId);
                aimed.complete(count);
                return count + " items aim at a keyword.";
            } catch (RuntimeException | Error e) {
                aimed.completeExceptionally(e);
                throw e;
            }
        });
        try {
            return new Begun(job, aimed.get(PATIENCE_SECONDS, TimeUnit.SECONDS));
        } catch (TimeoutException e) {
            return new Begun(job, null);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException cause) throw cause;
            throw new CompletionException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return new Begun(job, null);
        }
    }

    /** Says, within the transaction that changes keywords, items or demand, that targets are to be worked out after it. */
    public void due(long propertyId) {
        mapper.setDue(propertyId);
    }

    /** What was under way when the application ended is begun anew. */
    @EventListener(ApplicationReadyEvent.class)
    void goOnAfterTheEnd() {
        for (long propertyId : mapper.allDue()) {
            if (clients.isRemoved(propertyId)) continue;
            startAnew(propertyId);
        }
    }

    private void startAnew(long propertyId) {
        jobs.start(propertyId, "aim", TITLE, progress -> workOutAnew(propertyId) + " items aim at a keyword.");
    }

    @EventListener
    void arrived(PropertyArrived property) {
        mapper.setDue(property.propertyId());
        startAnew(property.propertyId());
    }

    @EventListener
    void languageChanged(LanguageChanged property) {
        mapper.setDue(property.propertyId());
        startAnew(property.propertyId());
    }

    @EventListener
    @Order(0)
    void sweepEnded(SweepEnded sweep) {
        mapper.setDue(sweep.propertyId());
        workOutAnew(sweep.propertyId());
    }

    @EventListener
    @Order(0)
    void demandChanged(DemandChanged demand) {
        mapper.setDue(demand.propertyId());
        workOutAnew(demand.propertyId());
    }

    /** The same after keywords, items or demand have changed, once that is committed. */
    private int workOutAnew(long propertyId) {
        prepared.forget(propertyId);
        Run run = workOutTargets(propertyId);
        items.changed(propertyId);
        publisher.publishEvent(new TargetsChanged(propertyId));
        setDone(propertyId, run);
        return run.aimed;
    }

    /** Carries out what somebody decided, and works out the targets of all other items; only those that change are looked at. */
    void decide(long propertyId, Runnable decision) {
        Map<Long, Long> before = primaries(propertyId);
        decision.run();
        Run run = workOutTargets(propertyId);
        Set<Long> changed = differing(before, primaries(propertyId));
        items.changed(propertyId, changed);
        publisher.publishEvent(new TargetsDecided(propertyId, changed));
        setDone(propertyId, run);
    }

    /** Only once findings are due, too: of what a kill cuts short before, all is worked out anew. */
    private void setDone(long propertyId, Run run) {
        if (run.changes != null) mapper.setDone(propertyId, run.changes);
    }

    private Map<Long, Long> primaries(long propertyId) {
        return mapper.primaries(propertyId).stream()
                .collect(Collectors.toMap(TargetMapper.Primary::itemId, TargetMapper.Primary::keywordId));
    }

    private static Set<Long> differing(Map<Long, Long> before, Map<Long, Long> after) {
        Set<Long> items = new HashSet<>(before.keySet());
        items.addAll(after.keySet());
        items.removeIf(item -> Objects.equals(before.get(item), after.get(item)));
        return items;
    }

    /**
     * What was worked out.
     *
     * @param aimed how many items aim at a keyword
     * @param changes up to which change; null where nothing ever changed
     */
    private record Run(int aimed, Long changes) {}

    /** One run of a property follows another, and what changed while one was reckoning is taken up by it once more. */
    private Run workOutTargets(long propertyId) {
        synchronized (runs.computeIfAbsent(propertyId, any -> new Object())) {
            Long before;
            int aimed;
            do {
                before = mapper.changes(propertyId);
                aimed = workOutOnce(propertyId);
            } while (!Objects.equals(before, mapper.changes(propertyId)));
            return new Run(aimed, before);
        }
    }

    private int workOutOnce(long propertyId) {
        Client client = clients.client(clients.property(propertyId).clientId());
        PreparedProperties.Ready ready = prepared.of(propertyId);
        Decided decided = new Decided();
        int decidedHomes = 0;
        for (TargetMapper.ByHand fixed : mapper.byHand(propertyId)) {
            Integer place = ready.places().get(fixed.keywordId());
            if (fixed.keywordId() == null) decided.clear(fixed.itemId());
            else if (place != null) decided.home(fixed.itemId(), place, role(fixed));
            if (role(fixed) == Target.Role.PRIMARY && fixed.keywordId() != null) decidedHomes++;
        }
        for (TargetMapper.TopicByHand topic : mapper.topicsByHand(propertyId)) {
            Integer place = ready.places().get(topic.id());
            if (place != null) decided.topic(place, topic.topic());
        }
        AimPlan plan = ready.mapper().plan(decided);
        PlacesNamed places = new PlacesNamed(client.placeNames());
        line.run(
                propertyId,
                "the keywords of all items",
                () -> transaction.executeWithoutResult(status -> store.write(propertyId, places, ready, plan)));
        long primary = plan.targets().stream()
                .filter(target -> target.role() == Target.Role.PRIMARY)
                .count();
        return (int) primary + decidedHomes;
    }

    private static Target.Role role(TargetMapper.ByHand fixed) {
        return fixed.role().equals(Target.Role.PRIMARY.code()) ? Target.Role.PRIMARY : Target.Role.SECONDARY;
    }
}
