package lucidsweep.server.triage;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
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

    private static final int AT_ONCE = 1_000;
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
        evaluate(changed.propertyId());
    }

    /** Works out the findings of a whole property anew. */
    public void evaluate(long propertyId) {
        Property property = clients.property(propertyId);
        Map<Long, AlikeGroup> titles = groups(items.alikeGroups(propertyId, "title"));
        Map<Long, AlikeGroup> descriptions = groups(items.alikeGroups(propertyId, "description"));
        transaction.executeWithoutResult(status -> {
            List<Ending> endings = findEndings(property);
            Subjects subjects = subjects(property, titles, descriptions);
            mapper.deleteAll(propertyId);
            Writer writer = new Writer(property, endings, subjects);
            items.forEachDetail(propertyId, false, chunk -> chunk.forEach(writer::write));
            writer.flush();
            storeEndings(propertyId, endings, writer.fitWithout);
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
                items.details(itemIds.stream().mapToLong(Long::longValue).toArray());
        Map<Long, AlikeGroup> titles = groups(items.alikeGroups(
                propertyId,
                "title",
                details.stream().map(item -> item.title().alike()).toList()));
        Map<Long, AlikeGroup> descriptions = groups(items.alikeGroups(
                propertyId,
                "description",
                details.stream().map(item -> item.description().alike()).toList()));
        transaction.executeWithoutResult(status -> {
            mapper.deleteOf(itemIds.toArray());
            Writer writer = new Writer(property, mapper.endings(propertyId), subjects(property, titles, descriptions));
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

    /** Walks over all findings, item by item. */
    public void forEach(long propertyId, Consumer<FindingRow> visit) {
        items.forEachDetail(
                propertyId,
                false,
                chunk -> mapper.rows(chunk.stream().map(ItemDetail::id).toArray())
                        .forEach(visit));
    }

    /** How many indexable items have at least one finding. */
    public int flawedItems(long propertyId) {
        return mapper.flawedItems(propertyId);
    }

    private List<Ending> findEndings(Property property) {
        Standard standard = property.standard();
        Ending.Finder finder = new Ending.Finder();
        items.forEachDetail(
                property.id(),
                false,
                chunk -> chunk.stream()
                        .filter(item -> !item.title().text().isBlank())
                        .forEach(item -> finder.add(item.title().text())));
        return finder.common(
                standard.endingShare(), standard.endingPx(), standard.title().desktop());
    }

    private void storeEndings(long propertyId, List<Ending> endings, Map<String, Integer> fitWithout) {
        mapper.deleteEndings(propertyId);
        for (Ending ending : endings) {
            int fit = fitWithout.getOrDefault(ending.text(), 0);
            mapper.insertEnding(propertyId, ending.text(), ending.count(), ending.px(), fit);
        }
    }

    private Inspection inspection(Property property, List<Ending> endings) {
        Set<String> brands = clients.client(property.clientId()).brandNames().stream()
                .map(Likeness::key)
                .collect(Collectors.toSet());
        return new Inspection(new Surroundings(property.standard(), endings, brands));
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

    private record Line(long itemId, Finding finding, boolean counted) {}

    private final class Writer {
        private final Property property;
        private final List<Ending> endings;
        private final Inspection inspection;
        private final Subjects subjects;
        private final Map<String, Integer> fitWithout = new HashMap<>();
        private final List<Line> lines = new ArrayList<>(AT_ONCE);

        private Writer(Property property, List<Ending> endings, Subjects subjects) {
            this.property = property;
            this.endings = endings;
            this.inspection = inspection(property, endings);
            this.subjects = subjects;
        }

        private void write(ItemDetail item) {
            countFitWithout(item.title().text());
            for (Finding finding : inspection.of(subjects.of(item))) {
                boolean counted = item.obstacle() == null && finding.kind() != FindingKind.NOT_INDEXABLE;
                lines.add(new Line(item.id(), finding, counted));
                if (lines.size() == AT_ONCE) flush();
            }
        }

        private void countFitWithout(String title) {
            for (Ending ending : endings) {
                if (!title.endsWith(ending.text())) continue;
                String rest = title.substring(0, title.length() - ending.text().length());
                if (property.standard().title().fits(rest, Graphemes.count(rest))) {
                    fitWithout.merge(ending.text(), 1, Integer::sum);
                }
                return;
            }
        }

        private void flush() {
            if (lines.isEmpty()) return;
            mapper.insert(
                    property.id(),
                    column(Line::itemId),
                    column(line -> line.finding().field().code()),
                    column(line -> line.finding().kind().code()),
                    column(line -> clip(line.finding().evidence(), 3_000)),
                    column(line -> clip(line.finding().shared(), 2_000)),
                    column(Line::counted));
            lines.clear();
        }

        private Object[] column(Function<Line, Object> part) {
            return lines.stream().map(part).toArray();
        }

        private static String clip(String text, int most) {
            return text.length() <= most ? text : text.substring(0, most);
        }
    }
}
