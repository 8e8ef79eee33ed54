package lucidsweep.server.release.review;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
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
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes review sheets of drafts; what comes back of them is taken in by {@link ReviewReturns}. */
@Service
class ReviewSheets {

    private static final int MOST = 5_000;
    private static final int CHUNK = 500;
    private static final Set<DraftState> WAITING = EnumSet.of(DraftState.DRAFTED, DraftState.SENT_BACK);
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());

    private final ReviewSheetMapper mapper;
    private final Clients clients;
    private final Items items;
    private final Drafts drafts;
    private final SetStandards standards;
    private final TransactionTemplate transaction;

    ReviewSheets(
            ReviewSheetMapper mapper,
            Clients clients,
            Items items,
            Drafts drafts,
            SetStandards standards,
            TransactionTemplate transaction) {
        this.mapper = mapper;
        this.clients = clients;
        this.items = items;
        this.drafts = drafts;
        this.standards = standards;
        this.transaction = transaction;
    }

    /** Makes a sheet of the drafts of a selection that nobody has approved yet. */
    ReviewSheet make(long propertyId, Selection selection) {
        Property property = clients.property(propertyId);
        List<FieldLine> waiting = waiting(propertyId, selection.resolve(propertyId, items));
        String id = UUID.randomUUID().toString();
        List<ReviewSheetMapper.Line> lines = waiting.stream()
                .map(text -> new ReviewSheetMapper.Line(id, text.id(), text.text()))
                .toList();
        List<ReviewSheet.Text> texts = texts(property, waiting);
        transaction.executeWithoutResult(status -> {
            mapper.insert(id, propertyId, lines.size());
            for (int start = 0; start < lines.size(); start += CHUNK) {
                ManyRows.each(lines.subList(start, Math.min(lines.size(), start + CHUNK)), mapper::insertLines);
            }
        });
        String client = clients.client(property.clientId()).name();
        return new ReviewSheet(id, client, property.name(), DAY.format(Instant.now()), texts);
    }

    /** The drafts in question, by item. */
    private List<FieldLine> waiting(long propertyId, long[] selected) {
        long[] ids = Arrays.stream(selected).sorted().toArray();
        Map<Field, long[]> drafted = items.inState(propertyId, ids, WAITING);
        int count = drafted.values().stream().mapToInt(of -> of.length).sum();
        if (count == 0) {
            throw Refusal.conflict("no draft of these items waits to be approved, so there is nothing to review");
        }
        if (count > MOST) {
            throw Refusal.badInput("a review sheet has at most " + MOST + " texts; select fewer items");
        }
        List<FieldLine> waiting = new ArrayList<>(count);
        drafted.forEach((field, of) -> waiting.addAll(drafts.fields(of, field)));
        waiting.sort(Comparator.comparingLong(FieldLine::id));
        return waiting;
    }

    private List<ReviewSheet.Text> texts(Property property, List<FieldLine> waiting) {
        long[] ids = waiting.stream().mapToLong(FieldLine::itemId).distinct().toArray();
        List<Long> list = Arrays.stream(ids).boxed().toList();
        Map<Long, String> addresses = items.addresses(list);
        Map<Long, String> sections = items.sections(list);
        ItemStandards.Held held = standards.of(property).held(ids);
        return waiting.stream()
                .map(text -> text(text, addresses, sections, held.standard(text.itemId())))
                .toList();
    }

    private static ReviewSheet.Text text(
            FieldLine text, Map<Long, String> addresses, Map<Long, String> sections, Standard standard) {
        boolean ofParts = PartTexts.areOf(text.field());
        List<PartTexts.Change> changes = ofParts ? PartTexts.changes(text.captured(), text.text()) : List.of();
        return new ReviewSheet.Text(
                Long.toString(text.id()),
                addresses.getOrDefault(text.itemId(), ""),
                sections.getOrDefault(text.itemId(), ""),
                text.field(),
                text.field().label(),
                ofParts ? inWords(changes, PartTexts.Change::before) : text.captured(),
                ofParts ? inWords(changes, PartTexts.Change::after) : text.text(),
                ReviewSheet.mayReword(text.field()),
                drawn(text, standard));
    }

    /** The images or links whose texts change, a line each. */
    private static String inWords(List<PartTexts.Change> changes, Function<PartTexts.Change, String> textOf) {
        return changes.stream()
                .map(change -> {
                    String text = textOf.apply(change);
                    return change.address() + ": " + (text == null ? "none" : text.isEmpty() ? "decoration" : text);
                })
                .collect(Collectors.joining("\n"));
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
}
