package lucidsweep.server.release.review;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Clients;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.rewrite.Batches;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Takes in what a client decided in a review sheet. */
@Service
class ReviewReturns {

    private static final int SHOWN = 50;
    private static final int FILES_KEPT = 50;

    private final ReviewSheetMapper mapper;
    private final Clients clients;
    private final Items items;
    private final Drafts drafts;
    private final Batches batches;
    private final PropertyLine line;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    private final RecentlyUsed<String, Returned> returned = new RecentlyUsed<>(FILES_KEPT);

    ReviewReturns(
            ReviewSheetMapper mapper,
            Clients clients,
            Items items,
            Drafts drafts,
            Batches batches,
            PropertyLine line,
            TransactionTemplate transaction,
            JsonMapper json) {
        this.mapper = mapper;
        this.clients = clients;
        this.items = items;
        this.drafts = drafts;
        this.batches = batches;
        this.line = line;
        this.transaction = transaction;
        this.json = json;
    }

    private record Returned(long propertyId, ReturnedReview review) {}

    /**
     * A text that is another one by now than the client saw.
     *
     * @param shown what the sheet said
     * @param now what is drafted by now; what is captured where nothing is
     * @param delivered whether it was delivered meanwhile, so that nothing can be decided any more
     */
    record ReviewConflict(
            long itemId,
            String address,
            Field field,
            String shown,
            String now,
            ReviewSheet.Decision decision,
            @Nullable String wording,
            boolean delivered) {}

    /**
     * What came back, before anything is done.
     *
     * @param same decided so already
     * @param unknown entries that are not of this sheet or cannot be read
     * @param takenBefore when this sheet was taken in already; null where it was not
     */
    record ReviewView(
            String token,
            int approve,
            int sendBack,
            int reword,
            int same,
            int unknown,
            int conflicts,
            List<ReviewConflict> shown,
            @Nullable Instant takenBefore) {}

    /** Looks at what came back; nothing is changed yet. */
    ReviewView look(long propertyId, byte[] file) {
        clients.property(propertyId);
        ReturnedReview review = ReturnedReview.of(file, json).in(propertyId);
        ReviewSheetMapper.Sheet sheet = mapper.find(review.sheet());
        if (sheet == null) throw Refusal.badInput("this review sheet was not made here, or its property was removed");
        if (sheet.propertyId() != propertyId) {
            throw Refusal.badInput("this review sheet is of another property, “"
                    + clients.propertyOrRemoved(sheet.propertyId()).name() + "”; take it in there");
        }
        SortedReview sorted = sorted(review);
        String token = UUID.randomUUID().toString();
        returned.put(token, new Returned(propertyId, review));
        return new ReviewView(
                token,
                count(sorted.clear(), ReviewSheet.Decision.APPROVE),
                count(sorted.clear(), ReviewSheet.Decision.SEND_BACK),
                count(sorted.clear(), ReviewSheet.Decision.REWORD),
                sorted.same(),
                sorted.unknown(),
                sorted.conflicts().size(),
                shown(sorted.conflicts()),
                sheet.taken());
    }

    private SortedReview sorted(ReturnedReview review) {
        Map<Long, String> seen = mapper.lines(review.sheet()).stream()
                .collect(Collectors.toMap(ReviewSheetMapper.Line::fieldId, ReviewSheetMapper.Line::text));
        Map<Long, String> notes = mapper.notes(seen.keySet().toArray()).stream()
                .collect(Collectors.toMap(ReviewSheetMapper.Note::fieldId, ReviewSheetMapper.Note::note));
        return SortedReview.of(review, seen, drafts.fields(seen.keySet()), notes);
    }

    private List<ReviewConflict> shown(List<SortedReview.Clash> conflicts) {
        List<SortedReview.Clash> some = conflicts.subList(0, Math.min(SHOWN, conflicts.size()));
        Map<Long, String> addresses = items.addresses(
                some.stream().map(each -> each.now().itemId()).distinct().toList());
        return some.stream()
                .map(each -> new ReviewConflict(
                        each.now().itemId(),
                        addresses.getOrDefault(each.now().itemId(), ""),
                        each.now().field(),
                        each.seen(),
                        each.now().text(),
                        each.decided().decision(),
                        each.decided().text(),
                        each.now().isDelivered()))
                .toList();
    }

    private static int count(List<ReviewSheet.Decided> decided, ReviewSheet.Decision decision) {
        return (int)
                decided.stream().filter(each -> each.decision() == decision).count();
    }

    /** What was done: how many texts were approved, sent back and given the client's wording. */
    record Taken(int approved, int sentBack, int reworded) {}

    /**
     * Does what the client decided; texts that are others by now stay, unless the client's word goes before them.
     *
     * @param insist whether it does; what was delivered meanwhile stays in any case
     */
    Taken take(long propertyId, String token, boolean insist) {
        Returned back = returned.get(token);
        if (back == null || back.propertyId != propertyId) {
            throw Refusal.notFound("what came back is no longer kept; open the file again");
        }
        Taken taken = line.get(propertyId, "taking in a review sheet", () -> take(propertyId, back.review, insist));
        returned.remove(token);
        return taken;
    }

    /** Sorted once more: what was changed since somebody looked was not seen by the client. */
    private Taken take(long propertyId, ReturnedReview review, boolean insist) {
        SortedReview sorted = sorted(review);
        List<ReviewSheet.Decided> decided = new ArrayList<>(sorted.clear());
        Map<Long, String> wordings = new HashMap<>();
        for (ReviewSheet.Decided each : sorted.clear()) {
            if (each.text() != null) wordings.put(each.fieldId(), each.text());
        }
        for (SortedReview.Clash clash : insist ? sorted.conflicts() : List.<SortedReview.Clash>of()) {
            if (clash.now().isDelivered()) continue;
            decided.add(clash.decided());
            wordings.put(clash.decided().fieldId(), clash.wanted());
        }
        if (decided.isEmpty()) throw Refusal.conflict("nothing is left to be taken in");
        reword(propertyId, wordings);
        Taken taken = transaction.execute(status -> {
            mapper.take(review.sheet());
            note(decided);
            return new Taken(
                    move(decided, ReviewSheet.Decision.APPROVE, DraftState.APPROVED),
                    move(decided, ReviewSheet.Decision.SEND_BACK, DraftState.SENT_BACK),
                    move(decided, ReviewSheet.Decision.REWORD, DraftState.APPROVED));
        });
        items.changed(
                propertyId,
                decided.stream()
                        .map(each -> FieldId.item(each.fieldId()))
                        .distinct()
                        .toList());
        return taken;
    }

    private void reword(long propertyId, Map<Long, String> wordings) {
        Map<Long, FieldLine> lines = drafts.fields(wordings.keySet());
        List<Batches.TypedCell> cells = lines.values().stream()
                .filter(text -> !text.text().equals(wordings.get(text.id())))
                .map(text -> new Batches.TypedCell(text.itemId(), text.field(), wordings.get(text.id()), text.text()))
                .toList();
        if (!cells.isEmpty()) batches.type(propertyId, cells, "The client’s wording");
    }

    private void note(List<ReviewSheet.Decided> decided) {
        mapper.forgetNotes(decided.stream().map(ReviewSheet.Decided::fieldId).toArray());
        for (ReviewSheet.Decided each : decided) {
            if (!each.note().isEmpty()) mapper.note(each.fieldId(), each.note());
        }
    }

    private int move(List<ReviewSheet.Decided> decided, ReviewSheet.Decision decision, DraftState to) {
        Map<Field, List<Long>> ids = new EnumMap<>(Field.class);
        for (ReviewSheet.Decided each : decided) {
            if (each.decision() != decision) continue;
            ids.computeIfAbsent(FieldId.field(each.fieldId()), any -> new ArrayList<>())
                    .add(FieldId.item(each.fieldId()));
        }
        int moved = 0;
        for (Map.Entry<Field, List<Long>> each : ids.entrySet()) {
            long[] of = each.getValue().stream().mapToLong(Long::longValue).toArray();
            moved += drafts.move(of, each.getKey(), to);
        }
        return moved;
    }
}
