package lucidsweep.server.item.table;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.EvidenceMarks;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.Slug;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.draft.CapturedParts;
import lucidsweep.server.item.draft.DraftMapper;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.Indexing;

/** Makes rows of what is stored of items. */
final class ItemRowMaker {

    private final ItemStandards.Held held;
    private final Map<Long, DraftMapper.DraftRow> drafts;
    private final boolean changes;
    private final Words words;

    /**
     * @param drafts of the texts that only pages have, by the id of the field
     * @param changes whether rows say what drafts change
     */
    ItemRowMaker(Property property, ItemStandards.Held held, Map<Long, DraftMapper.DraftRow> drafts, boolean changes) {
        this.held = held;
        this.drafts = drafts;
        this.changes = changes;
        words = Words.in(property.language());
    }

    /** @param parts what stands only in the capture of a page; null where it was not asked for */
    ItemRow row(ItemLine line, CapturedParts parts, List<StoredFinding> findings, List<Stake> stakes) {
        Standard standard = held.standard(line.id());
        String aimsAt = line.aim() == null ? null : line.aim().keyword();
        Phrase keyword = aimsAt == null ? null : Phrase.of(aimsAt, words);
        Map<Field, ItemRow.Cell> cells = new EnumMap<>(Field.class);
        cells.put(Field.TITLE, cell(line.title(), standard.title(), keyword));
        cells.put(Field.DESCRIPTION, cell(line.description(), standard.description(), keyword));
        if (line.tags() != null) cells.put(Field.TAGS, cell(line.tags(), null, null));
        if (line.page().h1Count() >= 0) {
            String slug = Slug.of(line.address()).text();
            cells.put(Field.H1, cell(text(line, Field.H1, line.page().h1()), null, keyword));
            if (!slug.isEmpty()) cells.put(Field.SLUG, cell(text(line, Field.SLUG, slug), null, null));
            String indexing = Indexing.of(line.noindexReason());
            cells.put(Field.INDEXING, cell(text(line, Field.INDEXING, indexing), null, null));
        }
        for (Field field : parts == null ? Set.<Field>of() : CapturedParts.FIELDS) {
            String captured = parts.text(field, line.address());
            if (captured != null) cells.put(field, cell(text(line, field, captured), null, null));
        }
        return new ItemRow(
                line.id(),
                line.address(),
                line.section(),
                line.page(),
                line.listing(),
                ItemRow.Indexing.of(line.noindex()),
                held.names(line.id()),
                ItemRow.Texts.of(cells),
                line.aim(),
                shown(findings, stakes, standard, cells));
    }

    /** A text that only pages have, with what was written for it. */
    private ItemLine.Text text(ItemLine line, Field field, String captured) {
        DraftMapper.DraftRow own = drafts.get(FieldId.of(line.id(), field));
        return own == null
                ? new ItemLine.Text(captured, null, null, null)
                : new ItemLine.Text(captured, own.text(), own.state(), own.kept());
    }

    private ItemRow.Cell cell(ItemLine.Text field, Standard.TextLimits limits, Phrase keyword) {
        String text = field.draft() == null ? field.captured() : field.draft();
        LimitCheck fit = limits == null ? null : LimitCheck.of(text, limits);
        List<String> lacks = keyword == null || text.isBlank()
                ? List.of()
                : PhraseMatch.of(words.of(text), keyword).missing();
        ItemRow.TextChange change = !changes || field.draft() == null ? null : ItemRow.TextChange.of(field, limits);
        return new ItemRow.Cell(field.captured(), field.draft(), field.state(), field.kept(), fit, lacks, change);
    }

    private static List<ItemRow.Finding> shown(
            List<StoredFinding> findings, List<Stake> stakes, Standard standard, Map<Field, ItemRow.Cell> cells) {
        List<ItemRow.Finding> shown = new ArrayList<>(findings.size());
        for (int i = 0; i < findings.size(); i++) {
            StoredFinding finding = findings.get(i);
            Check check = Checks.of(finding.field(), finding.check());
            ItemRow.Cell cell = cells.get(finding.field());
            List<EvidenceMarks.Stretch> marks =
                    cell == null ? List.of() : EvidenceMarks.of(check, cell.text(), finding.evidence(), cell.fitting());
            shown.add(new ItemRow.Finding(
                    finding.field(),
                    finding.check(),
                    finding.evidence(),
                    check.limit(standard),
                    check.fix(),
                    marks,
                    stakes.get(i)));
        }
        return shown;
    }
}
