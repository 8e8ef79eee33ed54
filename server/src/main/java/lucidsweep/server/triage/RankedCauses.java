package lucidsweep.server.triage;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Cause;
import lucidsweep.core.finding.CauseGroup;
import lucidsweep.core.finding.Causes;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.NotIndexable;
import lucidsweep.core.finding.Tally;
import lucidsweep.server.client.Clients;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.FindingCount;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.memory.RecentlyUsed;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** The causes of a property's findings, kept until anything of it changes. */
@Service
public class RankedCauses {

    private static final int MAX_KEPT = 50;
    private static final int MAX_EXAMPLES = 1_000;

    private final FindingMapper mapper;
    private final CauseNoteMapper notes;
    private final Clients clients;
    private final Items items;
    private final Drafts drafts;
    private final TransactionTemplate transaction;
    private final RecentlyUsed<State, Sorted> kept = new RecentlyUsed<>(MAX_KEPT);

    RankedCauses(
            FindingMapper mapper,
            CauseNoteMapper notes,
            Clients clients,
            Items items,
            Drafts drafts,
            TransactionTemplate transaction) {
        this.mapper = mapper;
        this.notes = notes;
        this.transaction = transaction;
        this.clients = clients;
        this.items = items;
        this.drafts = drafts;
    }

    /** A property as it is at a revision and in a month. */
    private record State(long propertyId, long revision, YearMonth month) {}

    /** Those with most clicks at stake first, under the names that persons gave them; without those that are set aside. */
    public List<Cause> of(long propertyId) {
        return all(propertyId).shown();
    }

    /** Those that are set aside, each with what was said of it. */
    List<Aside> aside(long propertyId) {
        return all(propertyId).aside();
    }

    /** The same with those that a person merged as one. */
    List<CauseGroup> groups(long propertyId) {
        Sorted sorted = all(propertyId);
        return CauseGroup.of(sorted.shown(), cause -> sorted.merged().getOrDefault(CauseKey.of(cause), ""));
    }

    /** A cause that is set aside. */
    record Aside(Cause cause, CauseNote note) {}

    private record Sorted(List<Cause> shown, List<Aside> aside, Map<CauseKey, String> merged) {}

    private Sorted all(long propertyId) {
        State now = new State(propertyId, clients.property(propertyId).revision(), YearMonth.now());
        return kept.get(now, state -> sorted(found(propertyId), notes.ofProperty(propertyId), state.month));
    }

    private static Sorted sorted(List<Cause> found, List<CauseNote> notes, YearMonth month) {
        List<Cause> shown = new ArrayList<>();
        List<Aside> aside = new ArrayList<>();
        Map<CauseKey, CauseNote> byCause = notes.stream().collect(Collectors.toMap(CauseNote::cause, note -> note));
        for (Cause cause : found) {
            CauseNote note = byCause.get(CauseKey.of(cause));
            Cause named = note == null || note.name().isEmpty() ? cause : cause.named(note.name());
            if (note != null && note.isAside(month)) aside.add(new Aside(named, note));
            else shown.add(named);
        }
        return new Sorted(shown, aside, notes.stream().collect(Collectors.toMap(CauseNote::cause, CauseNote::merged)));
    }

    /** Changes what a person says of causes; what says nothing is forgotten. One at a time, since a change keeps the rest. */
    synchronized void note(long propertyId, Collection<CauseKey> causes, UnaryOperator<CauseNote> change) {
        clients.property(propertyId);
        transaction.executeWithoutResult(status -> {
            Map<CauseKey, CauseNote> said =
                    notes.ofProperty(propertyId).stream().collect(Collectors.toMap(CauseNote::cause, note -> note));
            for (CauseKey cause : Set.copyOf(causes)) {
                CauseNote note = change.apply(said.getOrDefault(cause, CauseNote.blank(propertyId, cause)));
                notes.remove(note);
                if (!note.saysNothing()) notes.insert(note);
            }
        });
        clients.touch(propertyId);
    }

    private List<Cause> found(long propertyId) {
        List<FindingCount> counts = items.findingCounts(propertyId).stream()
                .filter(count -> !count.key().check().equals(NotIndexable.CODE))
                .toList();
        Map<FindingCount, String> examples = examples(counts);
        List<Tally> tallies = counts.stream()
                .map(count -> new Tally(
                        Checks.of(count.key().field(), count.key().check()),
                        count.key().shared(),
                        examples.getOrDefault(count, count.key().shared()),
                        count.key().section(),
                        count.items(),
                        count.links(),
                        count.stake()))
                .toList();
        Map<String, Integer> sections = items.sections(propertyId).stream()
                .collect(Collectors.toMap(Items.Section::section, Items.Section::indexable));
        return Causes.of(tallies, sections, items.spreads(propertyId), part -> {
            Integer fit = mapper.fitWithout(propertyId, part);
            return fit == null ? 0 : fit;
        });
    }

    /** The texts that most items share, as they are written; what they are compared by says it for the others. */
    private Map<FindingCount, String> examples(List<FindingCount> counts) {
        List<FindingCount> shared = counts.stream()
                .filter(count -> !count.key().shared().isEmpty()
                        && FieldId.FIELDS.contains(count.key().field()))
                .sorted(Comparator.comparingInt(FindingCount::items).reversed())
                .limit(MAX_EXAMPLES)
                .toList();
        Map<Long, FieldLine> texts =
                drafts.fields(shared.stream().map(RankedCauses::text).distinct().toList());
        return shared.stream()
                .filter(count -> texts.containsKey(text(count)))
                .collect(Collectors.toMap(
                        Function.identity(), count -> texts.get(text(count)).text()));
    }

    /** The id of the text in which the first of some findings is. */
    private static long text(FindingCount count) {
        return FieldId.of(count.firstItem(), count.key().field());
    }
}
