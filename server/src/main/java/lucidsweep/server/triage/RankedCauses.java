package lucidsweep.server.triage;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Cause;
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
import org.springframework.stereotype.Service;

/** The causes of a property's findings, kept until anything of it changes. */
@Service
public class RankedCauses {

    private static final int MAX_KEPT = 50;
    private static final int MAX_EXAMPLES = 1_000;

    private final FindingMapper mapper;
    private final Clients clients;
    private final Items items;
    private final Drafts drafts;
    private final Cache<State, List<Cause>> kept =
            Caffeine.newBuilder().maximumSize(MAX_KEPT).build();

    RankedCauses(FindingMapper mapper, Clients clients, Items items, Drafts drafts) {
        this.mapper = mapper;
        this.clients = clients;
        this.items = items;
        this.drafts = drafts;
    }

    /** A property as it is at a revision. */
    private record State(long propertyId, long revision) {}

    /** Those with most clicks at stake first. */
    public List<Cause> of(long propertyId) {
        State now = new State(propertyId, clients.property(propertyId).revision());
        return kept.get(now, state -> found(propertyId));
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
        return Causes.of(tallies, sections, ending -> {
            Integer fit = mapper.fitWithout(propertyId, ending);
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
