package lucidsweep.server.release.push;

import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.EvenShare;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Durability;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.Progress;
import lucidsweep.server.release.Handover;
import lucidsweep.server.release.LineIds;
import lucidsweep.server.release.Releases;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Releases that are pushed: begun, paused, gone on with after a pause or a kill, decided about, taken back. */
@Service
class Pushes {

    private final PushMapper mapper;
    private final ContentSystems systems;
    private final Releases releases;
    private final Drafts drafts;
    private final Items items;
    private final Clients clients;
    private final Jobs jobs;
    private final Durability durability;
    private final TransactionTemplate transaction;
    private final boolean goOnByItself;

    Pushes(
            PushMapper mapper,
            ContentSystems systems,
            Releases releases,
            Drafts drafts,
            Items items,
            Clients clients,
            Jobs jobs,
            Durability durability,
            TransactionTemplate transaction,
            @Value("${lucid.go-on:true}") boolean goOnByItself) {
        this.mapper = mapper;
        this.systems = systems;
        this.releases = releases;
        this.drafts = drafts;
        this.items = items;
        this.clients = clients;
        this.jobs = jobs;
        this.durability = durability;
        this.transaction = transaction;
        this.goOnByItself = goOnByItself;
    }

    /**
     * A release that is pushed, and how far it is.
     *
     * @param texts how many of its texts are in each state; states without any are left out
     * @param items the same of items
     * @param says how the last work on it ended; "" where it is under way or none was begun
     */
    record PushView(
            Handover release,
            @Nullable Long jobId,
            boolean underWay,
            Map<LineState, Integer> texts,
            Map<LineState, Integer> items,
            String says) {}

    List<PushView> ofProperty(long propertyId) {
        return mapper.ofProperty(propertyId).stream().map(this::view).toList();
    }

    private PushView view(PushMapper.Push push) {
        Map<LineState, Integer> texts = new EnumMap<>(LineState.class);
        Map<LineState, Integer> items = new EnumMap<>(LineState.class);
        for (PushMapper.Count count : mapper.counts(push.handoverId())) {
            texts.put(count.state(), count.texts());
            items.put(count.state(), count.items());
        }
        String says = push.jobId() == null || push.underWay()
                ? ""
                : jobs.find(push.jobId()).note();
        return new PushView(releases.find(push.handoverId()), push.jobId(), push.underWay(), texts, items, says);
    }

    /** Puts approved drafts into a release that is pushed; nothing is pushed yet. @param selection null for all */
    PushView create(long propertyId, Selection selection, Releases.Naming naming) {
        Property property = clients.property(propertyId);
        ContentSystem system = systems.of(property);
        Handover made = releases.release(propertyId, selection, system.fields(), naming, handover -> {
            mapper.insert(handover.id(), propertyId);
            mapper.insertLines(LineIds.of(handover.id()));
        });
        durability.await();
        return view(mapper.find(made.id()));
    }

    /**
     * Pushes what waits.
     *
     * @param few so many items, chosen evenly over the sections; null for all
     * @param rehearsal whether the present texts are only looked at
     */
    synchronized long push(long handoverId, @Nullable Integer few, boolean rehearsal) {
        PushMapper.Push push = resting(handoverId);
        if (waits(handoverId, LineState.TO_RETURN)) {
            throw Refusal.conflict("Texts of this release wait to be taken back; go on with that first.");
        }
        Integer step = few == null ? null : choose(handoverId, few);
        int waiting = mapper.count(handoverId, LineState.codes(LineState.TO_PUSH), step);
        if (waiting == 0) throw Refusal.conflict("Nothing of this release waits to be pushed.");
        String what = rehearsal ? "Looking at what would be pushed" : "Pushing " + Counted.of(waiting, "text");
        return begin(push, step, rehearsal, what, LineState.TO_PUSH);
    }

    /** Goes on with what was paused: the few, or all; a dry run as a dry run. */
    synchronized long resume(long handoverId) {
        PushMapper.Push push = resting(handoverId);
        Set<LineState> states = waits(handoverId, LineState.TO_RETURN) ? LineState.TO_RETURN : LineState.TO_PUSH;
        if (!waits(handoverId, states)) throw Refusal.conflict("Nothing of this release waits.");
        boolean ofStep = push.step() != null && mapper.count(handoverId, LineState.codes(states), push.step()) > 0;
        return begin(push, ofStep ? push.step() : null, push.rehearsal(), "Going on with a release", states);
    }

    private boolean waits(long handoverId, Set<LineState> states) {
        return mapper.count(handoverId, LineState.codes(states), null) > 0;
    }

    /** Marks a few of the items that wait, evenly over their sections. */
    private int choose(long handoverId, int few) {
        List<PushMapper.Placed> waiting = mapper.waiting(handoverId);
        int[] chosen =
                EvenShare.of(waiting.stream().map(PushMapper.Placed::section).toList(), few);
        int step = mapper.lastStep(handoverId) + 1;
        mapper.setStep(
                handoverId,
                step,
                Arrays.stream(chosen).mapToObj(at -> waiting.get(at).itemId()).toArray());
        return step;
    }

    private PushMapper.Push resting(long handoverId) {
        PushMapper.Push push = mapper.find(handoverId);
        if (push == null) throw Refusal.notFound("release " + handoverId + " is none that is pushed");
        if (push.underWay()) throw Refusal.conflict("this release is being worked on; pause it first");
        return push;
    }

    private long begin(PushMapper.Push push, Integer step, boolean rehearsal, String title, Set<LineState> states) {
        systems.needed(push.propertyId());
        long job = jobs.create(push.propertyId(), "push", title);
        PushMapper.Push begun = new PushMapper.Push(push.handoverId(), push.propertyId(), job, step, rehearsal, true);
        mapper.set(begun);
        durability.await();
        start(begun, states);
        return job;
    }

    private void start(PushMapper.Push push, Set<LineState> states) {
        jobs.start(push.jobId(), progress -> run(push, states, progress));
    }

    private String run(PushMapper.Push push, Set<LineState> states, Progress progress) throws InterruptedException {
        try {
            Property property = clients.property(push.propertyId());
            ContentSettings settings = systems.needed(property.id());
            return new PushRun(
                            push,
                            states,
                            systems.of(property),
                            settings.parallel(),
                            mapper,
                            drafts,
                            items,
                            transaction,
                            durability,
                            progress)
                    .run();
        } finally {
            if (!jobs.isClosing()) mapper.rest(push.handoverId());
            durability.await();
            clients.touch(push.propertyId());
        }
    }

    /** The texts of a release in some states, some of them at a time. */
    List<PushLine> lines(long handoverId, Collection<LineState> states, int offset, int limit) {
        Set<LineState> wanted = states.isEmpty() ? EnumSet.allOf(LineState.class) : EnumSet.copyOf(states);
        return mapper.lines(handoverId, LineState.codes(wanted), offset, limit);
    }

    /** What a person wants to become of texts. */
    enum Wish {
        /** Ours is stored although the item says something else. */
        OURS,
        /** What is there stays. */
        THEIRS,
        /** What was refused or failed is tried again. */
        AGAIN
    }

    /**
     * Does what a person wants with what could not be pushed or taken back.
     *
     * @param itemIds null for all
     * @param field null for all of these items
     * @return how many texts it was done with
     */
    synchronized int decide(long handoverId, Wish wish, @Nullable List<Long> itemIds, @Nullable Field field) {
        PushMapper.Push push = resting(handoverId);
        Object[] of = itemIds == null ? null : itemIds.toArray();
        int texts = transaction.execute(status -> switch (wish) {
            case OURS ->
                mapper.insist(handoverId, LineState.CHANGED, LineState.WAITING, of, field)
                        + mapper.insist(handoverId, LineState.CHANGED_SINCE, LineState.RETURNING, of, field);
            case AGAIN ->
                mapper.move(
                        handoverId,
                        LineState.codes(EnumSet.of(LineState.REFUSED, LineState.FAILED)),
                        LineState.WAITING,
                        of,
                        field);
            case THEIRS -> {
                Set<LineState> changed = EnumSet.of(LineState.CHANGED);
                withdraw(handoverId, changed, of, field, DraftState.SENT_BACK);
                yield mapper.move(handoverId, LineState.codes(changed), LineState.LEFT, of, field)
                        + mapper.move(
                                handoverId,
                                LineState.codes(EnumSet.of(LineState.CHANGED_SINCE)),
                                LineState.PUSHED,
                                of,
                                field);
            }
        });
        changed(push, of);
        return texts;
    }

    private void withdraw(
            long handoverId, Set<LineState> states, Object[] itemIds, @Nullable Field field, DraftState to) {
        List<Long> fields = mapper.texts(handoverId, LineState.codes(states), itemIds, field).stream()
                .map(PushMapper.Text::fieldId)
                .toList();
        drafts.withdraw(fields, handoverId, to);
    }

    private void changed(PushMapper.Push push, Object[] itemIds) {
        if (itemIds == null) items.changed(push.propertyId());
        else
            items.changed(
                    push.propertyId(),
                    Arrays.stream(itemIds).map(id -> (Long) id).toList());
        durability.await();
    }

    /** Gives up what was not pushed: its drafts are approved as they were before, for another release. */
    synchronized int giveUp(long handoverId) {
        PushMapper.Push push = resting(handoverId);
        Set<LineState> open = EnumSet.copyOf(LineState.OPEN);
        open.addAll(LineState.TO_PUSH);
        int texts = transaction.execute(status -> {
            withdraw(handoverId, open, null, null, DraftState.APPROVED);
            return mapper.move(handoverId, LineState.codes(open), LineState.LEFT, null, null);
        });
        changed(push, null);
        return texts;
    }

    /**
     * Takes texts that were pushed back to what was there before, where nobody has changed them since.
     *
     * @param selection null for all of the release
     */
    synchronized long takeBack(long handoverId, @Nullable Selection selection) {
        PushMapper.Push push = resting(handoverId);
        Object[] of = selection == null
                ? null
                : Arrays.stream(selection.resolve(push.propertyId(), items))
                        .boxed()
                        .toArray();
        systems.needed(push.propertyId());
        int texts =
                mapper.move(handoverId, LineState.codes(EnumSet.of(LineState.PUSHED)), LineState.RETURNING, of, null);
        if (texts == 0) throw Refusal.conflict("None of these texts was pushed with this release.");
        return begin(push, null, false, "Taking back " + Counted.of(texts, "text"), LineState.TO_RETURN);
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOnAfterTheEnd() {
        if (!goOnByItself) return;
        for (PushMapper.Push push : mapper.underWay()) {
            if (clients.isRemoved(push.propertyId())) {
                mapper.rest(push.handoverId());
                jobs.close(push.jobId(), "The application ended before this did, and the property was removed since.");
            } else start(push, waits(push.handoverId(), LineState.TO_RETURN) ? LineState.TO_RETURN : LineState.TO_PUSH);
        }
    }
}
