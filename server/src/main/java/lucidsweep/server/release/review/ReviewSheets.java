package lucidsweep.server.release.review;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.rewrite.Batches;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Makes review sheets of drafts, and takes in what a client decided. */
@Service
class ReviewSheets {

    private static final int MOST = 5_000;
    private static final int CHUNK = 500;
    private static final int SHOWN = 50;
    private static final int SHEETS_KEPT = 50;
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());

    private final ReviewSheetMapper mapper;
    private final Clients clients;
    private final Items items;
    private final Drafts drafts;
    private final SetStandards standards;
    private final Batches batches;
    private final PropertyLine line;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    private final Cache<String, Returned> returned =
            Caffeine.newBuilder().maximumSize(SHEETS_KEPT).build();

    ReviewSheets(
            ReviewSheetMapper mapper,
            Clients clients,
            Items items,
            Drafts drafts,
            SetStandards standards,
            Batches batches,
            PropertyLine line,
            TransactionTemplate transaction,
            JsonMapper json) {
        this.mapper = mapper;
        this.clients = clients;
        this.items = items;
        this.drafts = drafts;
        this.standards = standards;
        this.batches = batches;
        this.line = line;
        this.transaction = transaction;
        this.json = json;
    }

    /** Makes a sheet of the drafts of a selection that nobody has approved yet, as one HTML file. */
    String make(long propertyId, Selection selection) {
        Property property = clients.property(propertyId);
        List<ReviewSheet.Text> texts = texts(property, selection.resolve(propertyId, items));
        if (texts.isEmpty()) {
            throw Refusal.conflict("no draft of these items waits to be approved, so there is nothing to review");
        }
        String id = UUID.randomUUID().toString();
        transaction.executeWithoutResult(status -> {
            mapper.insert(id, propertyId, texts.size());
            List<ReviewSheetMapper.Line> lines = texts.stream()
                    .map(text -> new ReviewSheetMapper.Line(id, Long.parseLong(text.id()), text.after()))
                    .toList();
            for (int start = 0; start < lines.size(); start += CHUNK) {
                ManyRows.each(lines.subList(start, Math.min(lines.size(), start + CHUNK)), mapper::insertLines);
            }
        });
        String client = clients.client(property.clientId()).name();
        return ReviewSheetPage.of(new ReviewSheet(id, client, property.name(), DAY.format(Instant.now()), texts), json);
    }

    private List<ReviewSheet.Text> texts(Property property, long[] ids) {
        List<ReviewSheet.Text> texts = new ArrayList<>();
        ItemStandards held = standards.of(property);
        for (int start = 0; start < ids.length; start += CHUNK) {
            long[] some = Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK));
            List<FieldLine> waiting = new ArrayList<>();
            for (Field field : FieldId.FIELDS) {
                drafts.fields(some, field).stream().filter(ReviewSheets::waits).forEach(waiting::add);
            }
            if (texts.size() + waiting.size() > MOST) {
                throw Refusal.badInput("a review sheet has at most " + MOST + " texts; select fewer items");
            }
            Map<Long, String> addresses = items.addresses(
                    waiting.stream().map(FieldLine::itemId).distinct().toList());
            Map<Long, String> sections = items.sections(addresses.keySet());
            ItemStandards.Held standardsOf = held.held(some);
            waiting.stream()
                    .sorted(Comparator.comparingLong(FieldLine::id))
                    .map(text -> text(text, addresses, sections, standardsOf.standard(text.itemId())))
                    .forEach(texts::add);
        }
        return texts;
    }

    private static boolean waits(FieldLine text) {
        return text.state() == DraftState.DRAFTED || text.state() == DraftState.SENT_BACK;
    }

    private static ReviewSheet.Text text(
            FieldLine text, Map<Long, String> addresses, Map<Long, String> sections, Standard standard) {
        return new ReviewSheet.Text(
                Long.toString(text.id()),
                addresses.getOrDefault(text.itemId(), ""),
                sections.getOrDefault(text.itemId(), ""),
                text.field(),
                text.field().label(),
                text.captured(),
                text.text(),
                drawn(text, standard));
    }

    private static ReviewSheet.Drawn drawn(FieldLine text, Standard standard) {
        if (text.field() != Field.TITLE && text.field() != Field.DESCRIPTION) return null;
        LimitCheck before = LimitCheck.of(text.captured(), standard.limits(text.field()));
        LimitCheck after = LimitCheck.of(text.text(), standard.limits(text.field()));
        return new ReviewSheet.Drawn(
                after.sizePx(),
                after.desktopLimit() / after.desktopLines(),
                after.desktopLines(),
                before.desktopFitting(),
                after.desktopFitting());
    }

    /** A sheet that went out. */
    record SentSheet(String id, Instant created, @Nullable Instant taken, int texts) {}

    List<SentSheet> ofProperty(long propertyId) {
        clients.property(propertyId);
        return mapper.ofProperty(propertyId).stream()
                .map(sheet -> new SentSheet(sheet.id(), sheet.created(), sheet.taken(), sheet.texts()))
                .toList();
    }

    /** What was said of a draft when it was sent back. */
    record DraftNote(Field field, String note, Instant noted) {}

    List<DraftNote> notes(long itemId) {
        return mapper.notes(FieldId.ofAll(new Object[] {itemId})).stream()
                .map(note -> new DraftNote(FieldId.field(note.fieldId()), note.note(), note.noted()))
                .toList();
    }

    private record Returned(
            long propertyId, String sheet, List<ReviewSheet.Decided> clear, List<ReviewConflict> conflicts) {}

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
        ReturnedReview review = ReturnedReview.of(file, json);
        ReviewSheetMapper.Sheet sheet = mapper.find(review.sheet());
        if (sheet == null) throw Refusal.badInput("this review sheet was not made here, or its property was removed");
        if (sheet.propertyId() != propertyId) {
            throw Refusal.badInput("this review sheet is of another property, “"
                    + clients.propertyOrRemoved(sheet.propertyId()).name() + "”; take it in there");
        }
        Map<Long, String> shown = mapper.lines(sheet.id()).stream()
                .collect(Collectors.toMap(ReviewSheetMapper.Line::fieldId, ReviewSheetMapper.Line::text));
        Map<Long, FieldLine> lines = drafts.fields(shown.keySet());
        List<ReviewSheet.Decided> clear = new ArrayList<>();
        List<ReviewConflict> conflicts = new ArrayList<>();
        int same = 0;
        int unknown = review.unreadable();
        for (ReviewSheet.Decided decided : review.decided().values()) {
            String seen = shown.get(decided.fieldId());
            FieldLine now = lines.get(decided.fieldId());
            if (seen == null || now == null) unknown++;
            else if (isDone(decided, seen, now)) same++;
            else if (!now.isDelivered() && now.draft() != null && now.draft().equals(seen)) clear.add(decided);
            else conflicts.add(conflict(decided, seen, now));
        }
        String token = UUID.randomUUID().toString();
        returned.put(token, new Returned(propertyId, sheet.id(), clear, conflicts));
        return new ReviewView(
                token,
                count(clear, ReviewSheet.Decision.APPROVE),
                count(clear, ReviewSheet.Decision.SEND_BACK),
                count(clear, ReviewSheet.Decision.REWORD),
                same,
                unknown,
                conflicts.size(),
                addressed(conflicts.subList(0, Math.min(SHOWN, conflicts.size()))),
                sheet.taken());
    }

    /** Whether a decision has been taken in already. */
    private static boolean isDone(ReviewSheet.Decided decided, String seen, FieldLine now) {
        String wanted = decided.decision() == ReviewSheet.Decision.REWORD ? decided.text() : seen;
        boolean isText = now.draft() != null && now.draft().equals(wanted);
        return isText
                && switch (decided.decision()) {
                    case APPROVE, REWORD -> now.state() == DraftState.APPROVED || now.isDelivered();
                    case SEND_BACK -> now.state() == DraftState.SENT_BACK;
                };
    }

    private static ReviewConflict conflict(ReviewSheet.Decided decided, String seen, FieldLine now) {
        return new ReviewConflict(
                now.itemId(), "", now.field(), seen, now.text(), decided.decision(), decided.text(), now.isDelivered());
    }

    private List<ReviewConflict> addressed(List<ReviewConflict> conflicts) {
        Map<Long, String> addresses = items.addresses(
                conflicts.stream().map(ReviewConflict::itemId).distinct().toList());
        return conflicts.stream()
                .map(each -> new ReviewConflict(
                        each.itemId(),
                        addresses.getOrDefault(each.itemId(), ""),
                        each.field(),
                        each.shown(),
                        each.now(),
                        each.decision(),
                        each.wording(),
                        each.delivered()))
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
        Returned back = returned.getIfPresent(token);
        if (back == null || back.propertyId != propertyId) {
            throw Refusal.notFound("what came back is no longer kept; open the file again");
        }
        List<ReviewSheet.Decided> decided = new ArrayList<>(back.clear);
        Map<Long, String> wordings = new HashMap<>();
        for (ReviewSheet.Decided each : back.clear) if (each.text() != null) wordings.put(each.fieldId(), each.text());
        if (insist) {
            for (ReviewConflict conflict : back.conflicts) {
                if (conflict.delivered) continue;
                long fieldId = FieldId.of(conflict.itemId, conflict.field);
                decided.add(new ReviewSheet.Decided(fieldId, conflict.decision, conflict.wording, ""));
                wordings.put(fieldId, conflict.wording == null ? conflict.shown : conflict.wording);
            }
        }
        returned.invalidate(token);
        if (decided.isEmpty()) throw Refusal.conflict("nothing is left to be taken in");
        return line.get(propertyId, "taking in a review sheet", () -> {
            reword(propertyId, wordings);
            Taken taken = transaction.execute(status -> {
                mapper.take(back.sheet);
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
        });
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
            moved += drafts.move(longs(each.getValue()), each.getKey(), to);
        }
        return moved;
    }

    private static long[] longs(Collection<Long> ids) {
        return ids.stream().mapToLong(Long::longValue).toArray();
    }
}
