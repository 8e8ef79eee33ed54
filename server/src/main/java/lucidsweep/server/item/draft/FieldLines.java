package lucidsweep.server.item.draft;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.ItemText;
import lucidsweep.core.page.Slug;

/** Puts fields together from what was captured of them and what was written for them. */
public final class FieldLines {

    private final Map<Long, DraftMapper.DraftRow> drafts = new HashMap<>();
    private final Map<Long, CapturedParts> parts = new HashMap<>();

    public FieldLines(List<DraftMapper.DraftRow> drafts) {
        this(drafts, List.of());
    }

    /** @param pages what was captured of them, where fields are asked for that only stand there */
    public FieldLines(List<DraftMapper.DraftRow> drafts, List<DraftMapper.Page> pages) {
        drafts.forEach(each -> this.drafts.put(each.id(), each));
        pages.forEach(each -> parts.put(each.itemId(), new CapturedParts(each)));
    }

    /** The same as if nothing were drafted; what is kept stays kept. */
    public FieldLines withoutDrafts() {
        FieldLines captured = new FieldLines(drafts.values().stream()
                .map(own -> new DraftMapper.DraftRow(own.id(), null, null, null, null, null, own.kept()))
                .toList());
        captured.parts.putAll(parts);
        return captured;
    }

    /** A field of an item; null where it has none such by nature. */
    public FieldLine of(DraftMapper.Core item, Field field) {
        return switch (field) {
            case TITLE -> line(item.id(), field, item.title());
            case DESCRIPTION -> line(item.id(), field, item.description());
            case TAGS -> item.tags().text() == null ? null : line(item.id(), field, item.tags());
            default -> item.seen().h1Count() < 0 ? null : ofPage(item, field);
        };
    }

    /** What only pages have. The page that a site opens with has no slug. */
    private FieldLine ofPage(DraftMapper.Core item, Field field) {
        return switch (field) {
            case H1 ->
                line(item.id(), field, captured(item.seen().h1(), item.seen().h1Count()));
            case SLUG -> {
                Slug slug = Slug.of(item.address());
                yield slug.isEmpty() ? null : line(item.id(), field, captured(slug.text(), 1));
            }
            case INDEXING -> line(item.id(), field, captured(Indexing.of(item.noindexReason()), 1));
            default -> ofParts(item, field);
        };
    }

    private FieldLine ofParts(DraftMapper.Core item, Field field) {
        CapturedParts captured = parts.get(item.id());
        String text = captured == null ? null : captured.text(field, item.address());
        if (text == null) return null;
        return line(item.id(), field, captured(text, text.isEmpty() ? 0 : 1));
    }

    /** Which of them are alike is looked at once, when a site was swept. */
    private static DraftMapper.Core.Text captured(String text, int count) {
        return new DraftMapper.Core.Text(text, count, 0);
    }

    /** What is drafted for a field of an item; null for nothing. */
    public String draft(long item, Field field) {
        DraftMapper.DraftRow own = drafts.get(FieldId.of(item, field));
        return own == null ? null : own.text();
    }

    /** Whether a field of an item stays as it is. */
    public boolean isKept(long item, Field field) {
        DraftMapper.DraftRow own = drafts.get(FieldId.of(item, field));
        return own != null && own.kept() != null;
    }

    private FieldLine line(long item, Field field, DraftMapper.Core.Text captured) {
        DraftMapper.DraftRow own = drafts.get(FieldId.of(item, field));
        if (own == null)
            return new FieldLine(
                    item, ItemText.captured(field, captured.text()), captured.count(), null, captured.alike());
        ItemText text = new ItemText(field, captured.text(), own.text(), own.state(), own.kept());
        long alike = own.alike() == null ? captured.alike() : own.alike();
        return new FieldLine(item, text, captured.count(), own.batchId(), alike);
    }
}
