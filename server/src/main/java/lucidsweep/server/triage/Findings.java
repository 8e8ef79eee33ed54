package lucidsweep.server.triage;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Finding;
import lucidsweep.core.finding.FindingKind;
import lucidsweep.core.finding.Inspection;
import lucidsweep.core.finding.Surroundings;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Ending;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.Likeness;
import lucidsweep.server.aim.TargetsChanged;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.AlikeGroup;
import lucidsweep.server.item.ItemDetail;
import lucidsweep.server.item.Items;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Works out the findings of items: of all after a sweep, of those that an edit touches after it. */
@Service
public class Findings {

    private static final int AT_ONCE = 200;
    private static final int FEW = 3_000;

    private final FindingMapper mapper;
    private final Items items;
    private final Clients clients;
    private final TransactionTemplate transaction;

    Findings(FindingMapper mapper, Items items, Clients clients, TransactionTemplate transaction) {
        this.mapper = mapper;
        this.items = items;
        this.clients = clients;
        this.transaction = transaction;
    }

    @EventListener
    void targetsChanged(TargetsChanged changed) {
        if (changed.items() == null) evaluate(changed.propertyId());
        else evaluate(changed.propertyId(), changed.items());
    }

    /** Works out the findings of a whole property anew. */
    public void evaluate(long propertyId) {
        Property property = clients.property(propertyId);
        Map<Long, AlikeGroup> titles = groups(items.alikeGroups(propertyId, "title"));
        Map<Long, AlikeGroup> descriptions = groups(items.alikeGroups(propertyId, "description"));
        transaction.executeWithoutResult(status -> {
            findEndings(property);
            Inspection inspection = inspection(property);
            Subjects subjects = subjects(property, titles, descriptions);
            mapper.deleteAll(propertyId);
            Writer writer = new Writer(propertyId, inspection, subjects);
            items.forEachDetail(propertyId, ItemDetail.Parts.NONE, chunk -> chunk.forEach(writer::write));
            writer.flush();
        });
    }

    /** Works out the findings of some items; endings stay as they were found in the whole. */
    public void evaluate(long propertyId, Collection<Long> itemIds) {
        if (itemIds.size() > FEW) {
            evaluate(propertyId);
            return;
        }
        Property property = clients.property(propertyId);
        List<ItemDetail> details =
                items.details(itemIds.stream().mapToLong(Long::longValue).toArray(), ItemDetail.Parts.NONE);
        Map<Long, AlikeGroup> titles = groups(items.alikeGroups(
                propertyId,
                "title",
                details.stream().map(ItemDetail::titleAlike).toList()));
        Map<Long, AlikeGroup> descriptions = groups(items.alikeGroups(
                propertyId,
                "description",
                details.stream().map(ItemDetail::descriptionAlike).toList()));
        transaction.executeWithoutResult(status -> {
            mapper.deleteOf(itemIds.toArray());
            Writer writer = new Writer(propertyId, inspection(property), subjects(property, titles, descriptions));
            details.forEach(writer::write);
            writer.flush();
        });
    }

    /**
     * Brings the findings up to date after texts of a field changed: those of the items themselves, and of all that
     * shared a text with them before or do now.
     *
     * @param alike the hashes of the texts before and after
     */
    public void textsChanged(long propertyId, String field, Collection<Long> itemIds, Collection<Long> alike) {
        if (itemIds.size() > FEW) {
            evaluate(propertyId);
            return;
        }
        Set<Long> touched = new HashSet<>(itemIds);
        List<Long> keys = alike.stream().filter(key -> key != 0).distinct().toList();
        touched.addAll(items.alikeItems(propertyId, field, keys));
        evaluate(propertyId, touched);
    }

    /** Walks over all findings. */
    public void forEach(long propertyId, Consumer<FindingRow> visit) {
        long after = 0;
        List<FindingRow> chunk;
        do {
            chunk = mapper.rows(propertyId, after, 1_000);
            for (FindingRow row : chunk) {
                visit.accept(row);
                after = row.id();
            }
        } while (chunk.size() == 1_000);
    }

    /** How many indexable items have at least one finding. */
    public int flawedItems(long propertyId) {
        return mapper.flawedItems(propertyId);
    }

    private void findEndings(Property property) {
        Standard standard = property.standard();
        Ending.Finder finder = new Ending.Finder();
        items.forEachDetail(
                property.id(),
                ItemDetail.Parts.NONE,
                chunk -> chunk.stream()
                        .filter(item -> item.title() != null && !item.title().isBlank())
                        .forEach(item -> finder.add(item.title())));
        List<Ending> endings = finder.common(
                standard.endingShare(), standard.endingPx(), standard.title().desktop());
        mapper.deleteEndings(property.id());
        if (endings.isEmpty()) return;
        Map<String, Integer> fitWithout = new HashMap<>();
        items.forEachDetail(property.id(), ItemDetail.Parts.NONE, chunk -> {
            for (ItemDetail item : chunk) {
                for (Ending ending : endings) {
                    if (item.title() == null || !item.title().endsWith(ending.text())) continue;
                    String rest = item.title()
                            .substring(0, item.title().length() - ending.text().length());
                    if (standard.title().fits(rest, Graphemes.count(rest)))
                        fitWithout.merge(ending.text(), 1, Integer::sum);
                    break;
                }
            }
        });
        for (Ending ending : endings) {
            mapper.insertEnding(
                    property.id(),
                    ending.text(),
                    ending.count(),
                    ending.px(),
                    fitWithout.getOrDefault(ending.text(), 0));
        }
    }

    private Inspection inspection(Property property) {
        Set<String> brands = clients.client(property.clientId()).brandNames().stream()
                .map(Likeness::key)
                .collect(Collectors.toSet());
        return new Inspection(new Surroundings(property.standard(), mapper.endings(property.id()), brands));
    }

    private Subjects subjects(Property property, Map<Long, AlikeGroup> titles, Map<Long, AlikeGroup> descriptions) {
        Set<Long> twins = new HashSet<>();
        titles.values().forEach(group -> twins.addAll(Subjects.members(group)));
        descriptions.values().forEach(group -> twins.addAll(Subjects.members(group)));
        return new Subjects(
                Words.in(property.language()), titles, descriptions, items.addresses(new ArrayList<>(twins)));
    }

    private static Map<Long, AlikeGroup> groups(List<AlikeGroup> found) {
        return found.stream().collect(Collectors.toMap(AlikeGroup::alike, group -> group));
    }

    private final class Writer {
        private final long propertyId;
        private final Inspection inspection;
        private final Subjects subjects;
        private final List<FindingMapper.Line> lines = new ArrayList<>(AT_ONCE);

        private Writer(long propertyId, Inspection inspection, Subjects subjects) {
            this.propertyId = propertyId;
            this.inspection = inspection;
            this.subjects = subjects;
        }

        private void write(ItemDetail item) {
            for (Finding finding : inspection.of(subjects.of(item))) {
                boolean counted = item.obstacle() == null && finding.kind() != FindingKind.NOT_INDEXABLE;
                lines.add(new FindingMapper.Line(
                        propertyId,
                        item.id(),
                        finding.field().code(),
                        finding.kind().code(),
                        clip(finding.evidence(), 3_000),
                        clip(finding.shared(), 2_000),
                        counted));
                if (lines.size() == AT_ONCE) flush();
            }
        }

        private void flush() {
            if (lines.isEmpty()) return;
            mapper.insert(lines);
            lines.clear();
        }

        private static String clip(String text, int most) {
            return text.length() <= most ? text : text.substring(0, most);
        }
    }
}
