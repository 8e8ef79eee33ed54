package lucidsweep.server.release;

import java.io.IOException;
import java.io.Writer;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.gather.imports.Imports;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.ItemView;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Moves drafts on: approved, sent back, handed over; and records what was handed over. */
@Service
public class Releases {

    private static final int AT_ONCE = 500;
    private static final List<String> FIELDS = List.of("title", "description", "tags");
    private static final Set<String> DECISIONS = Set.of("approved", "sent-back", "drafted");
    private static final Set<String> FORMATS = Set.of("csv", "json", "html", "listings");

    private final ReleaseMapper mapper;
    private final Drafts drafts;
    private final Items items;
    private final Clients clients;
    private final Imports imports;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    Releases(
            ReleaseMapper mapper,
            Drafts drafts,
            Items items,
            Clients clients,
            Imports imports,
            TransactionTemplate transaction,
            JsonMapper json) {
        this.mapper = mapper;
        this.drafts = drafts;
        this.items = items;
        this.clients = clients;
        this.imports = imports;
        this.transaction = transaction;
        this.json = json;
    }

    /** Approves drafts or sends them back; returns how many there were. */
    int decide(long propertyId, Selection selection, List<String> fields, String state) {
        if (!DECISIONS.contains(state)) {
            throw Refusal.badInput("expected approved, sent-back or drafted, got \"" + state + "\"");
        }
        long[] ids = selection.resolve(propertyId, items);
        Integer moved = transaction.execute(status -> {
            int sum = 0;
            for (String field : fields == null || fields.isEmpty() ? FIELDS : fields) {
                sum += drafts.setState(ids, field, state);
            }
            return sum;
        });
        items.changed(propertyId, Arrays.stream(ids).boxed().toList());
        return moved == null ? 0 : moved;
    }

    /** Hands over all approved drafts: records them and moves them on. */
    Handover handOver(long propertyId, String format) {
        if (!FORMATS.contains(format)) {
            throw Refusal.badInput("expected csv, json, html or listings, got \"" + format + "\"");
        }
        Property property = clients.property(propertyId);
        if (format.equals("html") && !property.kind().equals("website")) {
            throw Refusal.badInput("only pages of a website have an HTML head");
        }
        if (format.equals("listings")) imports.shape(propertyId);
        long[] ids = items.ids(ItemView.of(propertyId, ItemFilter.ofState("approved")));
        if (ids.length == 0) throw Refusal.conflict("No draft is approved, so there is nothing to hand over.");
        ReleaseMapper.Key key = new ReleaseMapper.Key();
        transaction.executeWithoutResult(status -> record(property, format, ids, key));
        items.changed(propertyId, Arrays.stream(ids).boxed().toList());
        return mapper.find(key.id);
    }

    private void record(Property property, String format, long[] ids, ReleaseMapper.Key key) {
        Set<Long> handed = new HashSet<>();
        int texts = 0;
        mapper.insert(key, property.id(), format, 0, 0);
        for (String field : FIELDS) {
            if (format.equals("html") && field.equals("tags")) continue;
            for (int start = 0; start < ids.length; start += AT_ONCE) {
                List<FieldLine> approved =
                        drafts
                                .fields(Arrays.copyOfRange(ids, start, Math.min(ids.length, start + AT_ONCE)), field)
                                .stream()
                                .filter(line -> line.state().equals("approved"))
                                .toList();
                if (approved.isEmpty()) continue;
                ManyRows.each(
                        approved.stream()
                                .map(line -> new ReleaseMapper.LineValues(
                                        key.id, line.itemId(), field, line.captured(), line.text()))
                                .toList(),
                        mapper::insertLines);
                long[] moved = approved.stream().mapToLong(FieldLine::itemId).toArray();
                drafts.setState(moved, field, "handed-over");
                Arrays.stream(moved).forEach(handed::add);
                texts += moved.length;
            }
        }
        mapper.setCounts(key.id, handed.size(), texts);
    }

    public List<Handover> ofProperty(long propertyId) {
        return mapper.ofProperty(propertyId);
    }

    Handover find(long id) {
        Handover handover = mapper.find(id);
        if (handover == null) throw Refusal.notFound("there is no handover " + id);
        return handover;
    }

    void write(Handover handover, Writer out) throws IOException {
        new HandoverFile(mapper, items, imports, json).write(handover, out);
    }
}
