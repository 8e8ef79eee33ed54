package lucidsweep.server.release.push;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.ThreeWay;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.Durability;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Progress;
import lucidsweep.server.job.WorkThreads;
import lucidsweep.server.outside.PatientClient;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * One run of a push, or of taking one back. Item by item: what it says now is read; where that is what the text was made from,
 * it is noted on disk that the text is about to be stored, and it is stored. A run that was ended anyhow goes on with what
 * still waits, and tells by reading whether what was about to be stored was.
 */
final class PushRun {

    private static final int CHUNK = 100;
    private static final int TRIES = 4;
    private static final long FIRST_REST_MS = 300;
    private static final int LONGEST_NOTE = 1_000;

    /** Where so many items in a row get no answer, the others will not fare better. */
    private static final int NO_ANSWERS_ENDURED = 12;

    private final PushMapper.Push push;
    private final Set<LineState> states;
    private final ContentSystem system;
    private final int parallel;
    private final PushMapper mapper;
    private final Drafts drafts;
    private final Items items;
    private final TransactionTemplate transaction;
    private final Durability durability;
    private final Progress progress;
    private final AtomicInteger noAnswers = new AtomicInteger();
    private final AtomicInteger done = new AtomicInteger();
    private final Map<LineState, Integer> came = new EnumMap<>(LineState.class);
    private int free;
    private int total;

    /** @param states of the lines that are done something with: to be pushed, or to be taken back */
    PushRun(
            PushMapper.Push push,
            Set<LineState> states,
            ContentSystem system,
            int parallel,
            PushMapper mapper,
            Drafts drafts,
            Items items,
            TransactionTemplate transaction,
            Durability durability,
            Progress progress) {
        this.push = push;
        this.states = states;
        this.system = system;
        this.parallel = parallel;
        this.mapper = mapper;
        this.drafts = drafts;
        this.items = items;
        this.transaction = transaction;
        this.durability = durability;
        this.progress = progress;
    }

    /** An item with its lines, on its way through a run. */
    private static final class Item {

        private final List<PushLine> lines;
        private ContentSystem.Present present;

        private Item(List<PushLine> lines) {
            this.lines = new ArrayList<>(lines);
        }

        private String address() {
            return lines.get(0).address();
        }

        private void replaceAll(Predicate<PushLine> which, UnaryOperator<PushLine> by) {
            lines.replaceAll(line -> which.test(line) ? by.apply(line) : line);
        }
    }

    /** Runs to its end, or until somebody stops it; says how it went. */
    String run() throws InterruptedException {
        Object[] codes = LineState.codes(states);
        total = mapper.count(push.handoverId(), codes, push.step());
        try (WorkThreads threads = new WorkThreads("push", parallel)) {
            runAll(threads);
        }
        return summary(mapper.count(push.handoverId(), codes, push.step()));
    }

    /**
     * While some items are noted in the database, those after them are being read and those before them stored, so that
     * neither waits for the other.
     */
    private void runAll(WorkThreads threads) throws InterruptedException {
        Stretch sending = null;
        Stretch next = read(-1, threads);
        while (next != null) {
            Stretch now = next;
            next = isOver() ? null : read(now.last, threads);
            await(now.underWay);
            noteRead(now);
            if (!push.rehearsal()) now.underWay = begin(now.items, threads, this::send);
            if (sending != null) finish(sending);
            sending = now;
        }
        if (sending != null) finish(sending);
    }

    /** Some items that are read and stored together. */
    private static final class Stretch {

        private final long last;
        private List<Item> items;
        private List<Future<?>> underWay;

        /** @param last the last item of it */
        private Stretch(long last, List<Item> items, List<Future<?>> underWay) {
            this.last = last;
            this.items = items;
            this.underWay = underWay;
        }
    }

    /** Begins to read the next items; null where there are no more. */
    private Stretch read(long after, WorkThreads threads) {
        List<PushLine> lines = mapper.next(push.handoverId(), LineState.codes(states), push.step(), after, CHUNK);
        if (lines.isEmpty()) return null;
        Map<Long, List<PushLine>> byItem = new LinkedHashMap<>();
        for (PushLine line : withoutLeft(lines))
            byItem.computeIfAbsent(line.itemId(), any -> new ArrayList<>()).add(line);
        List<Item> all = byItem.values().stream().map(Item::new).toList();
        return new Stretch(lines.get(lines.size() - 1).itemId(), all, begin(all, threads, this::read));
    }

    /** Notes what was read, and what is about to be stored, before it is. */
    private void noteRead(Stretch stretch) {
        if (push.rehearsal()) {
            store(stretch.items, EnumSet.of(LineState.CHANGED, LineState.CHANGED_SINCE, LineState.REFUSED));
            return;
        }
        store(stretch.items, EnumSet.allOf(LineState.class));
        durability.await();
        stretch.items.forEach(item -> item.lines.removeIf(line -> !isUnderWay(line)));
        stretch.items =
                stretch.items.stream().filter(item -> !item.lines.isEmpty()).toList();
    }

    private void finish(Stretch stretch) throws InterruptedException {
        if (push.rehearsal()) return;
        await(stretch.underWay);
        store(stretch.items, EnumSet.allOf(LineState.class));
    }

    private boolean isOver() {
        return progress.stopAsked() || noAnswers.get() >= NO_ANSWERS_ENDURED;
    }

    private static boolean isUnderWay(PushLine line) {
        return line.state() == LineState.SENDING || line.state() == LineState.RESTORING;
    }

    /** What is no longer in the release as it was put there is not pushed. */
    private List<PushLine> withoutLeft(List<PushLine> lines) {
        if (states.contains(LineState.RETURNING)) return lines;
        Set<Long> released =
                drafts.released(lines.stream().map(PushLine::fieldId).toList(), push.handoverId());
        List<PushLine> out = lines.stream()
                .filter(line -> !released.contains(line.fieldId()))
                .map(line -> line.with(LineState.LEFT, line.found(), "its draft was changed or sent back since"))
                .toList();
        write(out);
        if (!out.isEmpty()) came.merge(LineState.LEFT, out.size(), Integer::sum);
        return lines.stream().filter(line -> released.contains(line.fieldId())).toList();
    }

    private List<Future<?>> begin(List<Item> all, WorkThreads threads, ItemStep step) {
        List<Future<?>> underWay = new ArrayList<>();
        for (Item item : all) {
            underWay.add(threads.submit((Callable<Void>) () -> {
                if (!isOver()) step.run(item);
                return null;
            }));
        }
        return underWay;
    }

    private static void await(List<Future<?>> underWay) throws InterruptedException {
        try {
            for (Future<?> each : underWay) each.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException cause) throw cause;
            if (e.getCause() instanceof InterruptedException) throw new InterruptedException();
            throw new IllegalStateException(e.getCause());
        }
    }

    @FunctionalInterface
    private interface ItemStep {
        void run(Item item) throws InterruptedException;
    }

    /** Reads an item, and says of each of its lines what can be done. */
    private void read(Item item) throws InterruptedException {
        try {
            item.present = system.read(item.address(), this::isOver);
            noAnswers.set(0);
            item.replaceAll(
                    this::isOpen, line -> judged(line, item.present.texts().get(line.field())));
        } catch (ContentSystem.Denied e) {
            item.replaceAll(this::isOpen, line -> line.with(refused(line), line.found(), e.getMessage()));
        } catch (PatientClient.NoAnswer e) {
            if (isOver()) return;
            noAnswers.incrementAndGet();
            item.replaceAll(this::isOpen, line -> line.with(failed(line), line.found(), e.getMessage()));
        }
    }

    /** Whether something is still to be done with a line. */
    private boolean isOpen(PushLine line) {
        return states.contains(line.state());
    }

    private static PushLine judged(PushLine line, String now) {
        boolean back = line.state().isBack();
        if (now == null) return line.with(refused(line), null, "the item has no such field there");
        return switch (ThreeWay.of(line.expected(), now, line.wanted())) {
            case FREE -> line.sending(now);
            case IN_PLACE ->
                // What was about to be overwritten once, and says it now, was stored although nobody heard of it.
                line.with(
                        back ? LineState.RETURNED : line.was() != null ? LineState.PUSHED : LineState.IN_PLACE,
                        now,
                        "");
            case CHANGED -> line.with(back ? LineState.CHANGED_SINCE : LineState.CHANGED, now, "");
        };
    }

    /** What cannot be taken back is still pushed. */
    private static LineState refused(PushLine line) {
        return line.state().isBack() ? LineState.PUSHED : LineState.REFUSED;
    }

    private static LineState failed(PushLine line) {
        return line.state().isBack() ? LineState.PUSHED : LineState.FAILED;
    }

    /** Stores the texts of an item, again after growing rests where nobody knows whether they were. */
    private void send(Item item) throws InterruptedException {
        String problem = "";
        for (int tried = 0; tried < TRIES; tried++) {
            if (tried > 0) {
                PatientClient.rest(FIRST_REST_MS << tried - 1, this::isOver);
                if (isOver()) return;
                read(item);
            }
            try {
                storeTexts(item);
                noAnswers.set(0);
                return;
            } catch (ContentSystem.Denied e) {
                item.replaceAll(PushRun::isUnderWay, line -> line.with(refused(line), line.found(), e.getMessage()));
                return;
            } catch (ContentSystem.ChangedMeanwhile e) {
                problem = "somebody else changes the item over and over";
            } catch (PatientClient.NoAnswer e) {
                if (isOver()) return;
                problem = e.getMessage();
            }
        }
        // Whether it was stored after all is not known, and is told by reading when it is tried again.
        noAnswers.incrementAndGet();
        String last = problem;
        item.replaceAll(PushRun::isUnderWay, line -> line.with(failed(line), line.found(), last));
    }

    /** Stores what is under way of an item; where texts are refused, nothing was stored, and the others are without them. */
    private void storeTexts(Item item)
            throws ContentSystem.Denied, ContentSystem.ChangedMeanwhile, PatientClient.NoAnswer, InterruptedException {
        while (item.lines.stream().anyMatch(PushRun::isUnderWay)) {
            Map<Field, String> texts = new EnumMap<>(Field.class);
            for (PushLine line : item.lines) if (isUnderWay(line)) texts.put(line.field(), line.wanted());
            Map<Field, String> why = system.store(item.present, texts, this::isOver);
            if (why.isEmpty()) {
                item.replaceAll(
                        PushRun::isUnderWay,
                        line -> line.with(
                                line.state().isBack() ? LineState.RETURNED : LineState.PUSHED, line.found(), ""));
            } else {
                item.replaceAll(
                        line -> isUnderWay(line) && why.containsKey(line.field()),
                        line -> line.with(refused(line), line.found(), why.get(line.field())));
            }
        }
    }

    private void store(List<Item> all, Set<LineState> kept) {
        List<PushLine> lines = all.stream().flatMap(item -> item.lines.stream()).toList();
        for (PushLine line : lines) {
            if (states.contains(line.state())) continue;
            came.merge(line.state(), 1, Integer::sum);
        }
        if (push.rehearsal()) {
            free += (int) lines.stream().filter(PushRun::isUnderWay).count();
            done.addAndGet(lines.size());
        } else
            done.addAndGet((int) lines.stream()
                    .filter(line -> !states.contains(line.state()))
                    .count());
        write(lines.stream().filter(line -> kept.contains(line.state())).toList());
        progress.report(Math.min(done.get(), total), total);
    }

    private void write(List<PushLine> lines) {
        if (lines.isEmpty()) return;
        transaction.executeWithoutResult(status -> {
            mapper.setLines(Columns.of(lines.stream().map(this::values).toList()));
            if (push.rehearsal()) return;
            drafts.arrive(idsOf(lines, EnumSet.of(LineState.PUSHED, LineState.IN_PLACE)), push.handoverId());
            drafts.withdraw(idsOf(lines, EnumSet.of(LineState.RETURNED)), push.handoverId(), DraftState.SENT_BACK);
        });
        Set<Long> changed = lines.stream()
                .filter(line -> !states.contains(line.state()))
                .map(PushLine::itemId)
                .collect(Collectors.toSet());
        if (!changed.isEmpty() && !push.rehearsal()) items.changed(push.propertyId(), List.copyOf(changed));
    }

    private static List<Long> idsOf(List<PushLine> lines, Set<LineState> states) {
        return lines.stream()
                .filter(line -> states.contains(line.state()))
                .map(PushLine::fieldId)
                .toList();
    }

    private PushMapper.Values values(PushLine line) {
        String note =
                line.note().length() <= LONGEST_NOTE ? line.note() : line.note().substring(0, LONGEST_NOTE);
        return new PushMapper.Values(
                push.handoverId(),
                line.itemId(),
                line.field().code(),
                line.state().toString(),
                line.base(),
                line.found(),
                line.was(),
                note);
    }

    private String summary(int waiting) {
        List<String> said = new ArrayList<>();
        if (push.rehearsal()) said.add(Counted.of(free, "text") + " can be pushed");
        say(LineState.PUSHED, "pushed", said);
        say(LineState.RETURNED, "taken back", said);
        say(LineState.IN_PLACE, "in place already", said);
        say(LineState.CHANGED, "changed meanwhile", said);
        say(LineState.CHANGED_SINCE, "changed since", said);
        say(LineState.REFUSED, "refused", said);
        say(LineState.FAILED, "failed", said);
        say(LineState.LEFT, "left out", said);
        String came = said.isEmpty() ? "Nothing was done" : String.join(", ", said);
        if (noAnswers.get() >= NO_ANSWERS_ENDURED) {
            throw Refusal.conflict("The content system gives no answers any more. " + came + "; "
                    + Counted.of(waiting, "text") + " " + (waiting == 1 ? "waits" : "wait") + ".");
        }
        return came + (waiting > 0 && !push.rehearsal() ? "; " + Counted.of(waiting, "text") + " left" : "") + ".";
    }

    private void say(LineState state, String words, List<String> said) {
        int count = came.getOrDefault(state, 0);
        if (count > 0) said.add(String.format(Locale.UK, "%,d %s", count, words));
    }
}
