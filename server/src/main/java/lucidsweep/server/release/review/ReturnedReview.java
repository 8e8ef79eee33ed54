package lucidsweep.server.release.review;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.web.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What came back of a review sheet: the id of the sheet, and what was decided, by field.
 *
 * @param unreadable how many entries say nothing that can be read
 */
record ReturnedReview(String sheet, Map<Long, ReviewSheet.Decided> decided, int unreadable) {

    private static final int MOST = 20_000;
    private static final int LONGEST_TEXT = 100_000;
    private static final int LONGEST_NOTE = 2_000;

    /** @throws Refusal of a file that is none */
    static ReturnedReview of(byte[] file, JsonMapper json) {
        if (ReviewWorkbook.isOne(file)) return ReviewWorkbook.read(file);
        JsonNode root;
        try {
            root = json.readTree(new String(file, StandardCharsets.UTF_8));
        } catch (JacksonException e) {
            throw Refusal.badInput("this is not the file that a review sheet saves; it cannot be read as JSON");
        }
        String sheet = root.path("sheet").asString("");
        if (sheet.isEmpty() || !root.path("decisions").isArray()) {
            throw Refusal.badInput(
                    "this is not the file that a review sheet saves; it names no sheet and no decisions");
        }
        if (root.path("decisions").size() > MOST) {
            throw Refusal.badInput("expected at most " + MOST + " decisions, got "
                    + root.path("decisions").size());
        }
        Map<Long, ReviewSheet.Decided> decided = new LinkedHashMap<>();
        int unreadable = 0;
        for (JsonNode entry : root.path("decisions")) {
            ReviewSheet.Decided one = decided(entry);
            if (one == null || decided.putIfAbsent(one.fieldId(), one) != null) unreadable++;
        }
        return new ReturnedReview(sheet, decided, unreadable);
    }

    /** The same after the property has moved to another machine since the sheet was made: its fields keep their places there. */
    ReturnedReview in(long propertyId) {
        IdRange items = IdRange.of(propertyId);
        long shift = FieldId.first(items.first());
        long size = FieldId.last(items.last()) - shift + 1;
        Map<Long, ReviewSheet.Decided> here = new LinkedHashMap<>();
        decided.forEach((field, one) -> {
            long moved = shift + field % size;
            here.putIfAbsent(moved, new ReviewSheet.Decided(moved, one.decision(), one.text(), one.note()));
        });
        return new ReturnedReview(sheet, here, unreadable + decided.size() - here.size());
    }

    private static ReviewSheet.Decided decided(JsonNode entry) {
        return decided(
                entry.path("id").asString(""),
                entry.path("decision").asString(""),
                entry.path("text").isString() ? entry.path("text").asString() : "",
                entry.path("note").asString(""));
    }

    /** What was decided of a text; null where it says nothing that can be read. @param text "" for no other wording */
    static ReviewSheet.Decided decided(String id, String decided, String text, String note) {
        ReviewSheet.Decision decision = decision(decided);
        boolean reworded = decision == ReviewSheet.Decision.REWORD;
        boolean tooLong = text.length() > LONGEST_TEXT || note.length() > LONGEST_NOTE;
        if (!id.matches("\\d{1,18}") || decision == null || reworded && text.isBlank() || tooLong) return null;
        return new ReviewSheet.Decided(Long.parseLong(id), decision, reworded ? text : null, note.strip());
    }

    private static ReviewSheet.Decision decision(String written) {
        String name = written.toUpperCase(Locale.ROOT).replace('-', '_');
        for (ReviewSheet.Decision each : ReviewSheet.Decision.values())
            if (each.name().equals(name)) return each;
        return null;
    }
}
