package lucidsweep.server.rewrite.sheet;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.Spaces;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.rewrite.Batch;
import lucidsweep.server.rewrite.Batches;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** Sends texts out in a sheet and takes back what people wrote, text by text. */
@Service
class WritersSheets {

    private static final int CHUNK = 500;
    private static final int SHOWN = 200;
    private static final int KEPT = 20;

    private final Clients clients;
    private final Items items;
    private final Drafts drafts;
    private final SetStandards standards;
    private final Batches batches;

    /** Sheets that came back and are not taken yet. */
    private final RecentlyUsed<String, Kept> returned = new RecentlyUsed<>(KEPT);

    WritersSheets(Clients clients, Items items, Drafts drafts, SetStandards standards, Batches batches) {
        this.clients = clients;
        this.items = items;
        this.drafts = drafts;
        this.standards = standards;
        this.batches = batches;
    }

    private record Kept(long propertyId, String name, List<Batches.TypedCell> changed, List<SheetConflict> conflicts) {}

    /**
     * A text that was changed on both sides.
     *
     * @param seen what it said when the sheet went out
     * @param now what it says
     * @param wanted what came back
     */
    record SheetConflict(long itemId, String address, Field field, String seen, String now, String wanted) {}

    /**
     * What came back.
     *
     * @param rows of the sheet
     * @param changed texts that somebody wrote, and that are here as they went out
     * @param conflicts texts that were changed on both sides; some of them are shown
     * @param same texts that say here what the sheet says already
     * @param gone texts of items that are not there any more, or are kept as they are
     * @param notes what could not be read, and why
     */
    record SheetView(
            String token,
            int rows,
            int changed,
            int conflicts,
            int same,
            int gone,
            List<SheetConflict> shown,
            List<String> notes) {}

    /** The rows of a sheet for some items, as they are now. */
    SheetFile.Lines lines(long propertyId, long[] ids, List<Field> fields) {
        Property property = clients.property(propertyId);
        return visit -> {
            for (int start = 0; start < ids.length; start += CHUNK) {
                long[] some = Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK));
                ItemStandards.Held held = standards.of(property).held(some);
                for (ItemDetail item : items.details(propertyId, some)) {
                    List<String> now = new ArrayList<>();
                    for (Field field : fields) {
                        FieldLine line = item.field(field);
                        now.add(line == null ? "" : line.text());
                    }
                    visit.accept(new SheetFile.Line(
                            item.id(),
                            item.address(),
                            item.keyword() == null ? "" : item.keyword(),
                            held.standard(item.id()),
                            now,
                            now));
                }
            }
        };
    }

    /** Looks at a sheet that came back; nothing is changed yet. */
    SheetView look(long propertyId, String name, TableFile file) {
        clients.property(propertyId);
        ReturnedSheet sheet = ReturnedSheet.of(file);
        List<Batches.TypedCell> changed = new ArrayList<>();
        List<SheetConflict> conflicts = new ArrayList<>();
        int[] same = {0};
        int[] gone = {0};
        sheet.texts().forEach((field, texts) -> {
            Map<Long, FieldLine> lines = linesOf(propertyId, field, texts);
            for (ReturnedSheet.Text text : texts) {
                FieldLine line = lines.get(text.itemId());
                if (line == null || line.isKept()) gone[0]++;
                else if (isSame(line.text(), text.after())) same[0]++;
                else if (isSame(line.text(), text.now()))
                    changed.add(new Batches.TypedCell(text.itemId(), field, text.after(), line.text()));
                else conflicts.add(new SheetConflict(text.itemId(), "", field, text.now(), line.text(), text.after()));
            }
        });
        String token = UUID.randomUUID().toString();
        returned.put(token, new Kept(propertyId, name, changed, conflicts));
        return new SheetView(
                token,
                sheet.rows(),
                changed.size(),
                conflicts.size(),
                same[0],
                gone[0],
                addressed(conflicts.subList(0, Math.min(SHOWN, conflicts.size()))),
                sheet.notes().subList(0, Math.min(SHOWN, sheet.notes().size())));
    }

    private Map<Long, FieldLine> linesOf(long propertyId, Field field, List<ReturnedSheet.Text> texts) {
        long[] ids = texts.stream()
                .mapToLong(ReturnedSheet.Text::itemId)
                .filter(id -> IdRange.owner(id) == propertyId)
                .toArray();
        Map<Long, FieldLine> lines = new HashMap<>();
        drafts.fields(ids, field).forEach(line -> lines.put(line.itemId(), line));
        return lines;
    }

    private List<SheetConflict> addressed(List<SheetConflict> some) {
        Map<Long, String> addresses =
                items.addresses(some.stream().map(SheetConflict::itemId).toList());
        return some.stream()
                .map(each -> new SheetConflict(
                        each.itemId,
                        addresses.getOrDefault(each.itemId, ""),
                        each.field,
                        each.seen,
                        each.now,
                        each.wanted))
                .toList();
    }

    private static boolean isSame(String one, String other) {
        return Spaces.closedUp(one).equals(Spaces.closedUp(other));
    }

    /**
     * Takes what came back as drafts, in one batch.
     *
     * @param overwrite whether texts that were changed here, too, are overwritten; else they stay as they are
     */
    Batch take(long propertyId, String token, boolean overwrite) {
        Kept kept = returned.get(token);
        if (kept == null || kept.propertyId != propertyId) {
            throw Refusal.notFound("this sheet is no longer kept; bring it in again");
        }
        List<Batches.TypedCell> cells = new ArrayList<>(kept.changed);
        if (overwrite) {
            kept.conflicts.forEach(
                    each -> cells.add(new Batches.TypedCell(each.itemId, each.field, each.wanted, each.now)));
        }
        if (cells.isEmpty()) throw Refusal.conflict("there is nothing in the sheet that could be taken");
        Batch batch = batches.type(
                propertyId, cells, "Writers’ sheet “" + kept.name + "”: " + Counted.of(cells.size(), "text"));
        returned.remove(token);
        return batch;
    }
}
