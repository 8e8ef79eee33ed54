package lucidsweep.server.rewrite;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Locale;
import lucidsweep.core.compose.BulkEdit;
import lucidsweep.core.compose.LetterCase;
import lucidsweep.core.compose.Names;
import lucidsweep.core.compose.Recipe;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.web.Refusal;

/**
 * A bulk edit or recipe as the interface sends it; what a tool does not need is null.
 *
 * @param tool recipe, replace, before, after, cut, case, add-tags, remove-tags, replace-tag, remove-beginning or remove-ending
 * @param field title, description or tags
 * @param find the text, tag, beginning or ending to find
 * @param with what replaces it, or what is put before or after
 */
record EditSpec(
        @NotNull String tool,
        @NotNull Field field,
        String find,
        String with,
        Boolean regex,
        Boolean matchCase,
        String letterCase,
        List<String> tags,
        Recipe recipe) {

    boolean isRecipe() {
        return tool.equals("recipe");
    }

    /** Checks what can be checked before the first item. */
    void check() {
        if (!FieldId.FIELDS.contains(field)) {
            throw Refusal.badInput("the " + field.label() + " cannot be rewritten here");
        }
        boolean forTags = List.of("add-tags", "remove-tags", "replace-tag").contains(tool);
        if (forTags != (field == Field.TAGS)) throw Refusal.badInput(tool + " does not go with " + field.label());
        if (isRecipe() && recipe == null) throw Refusal.badInput("a recipe needs its parts");
    }

    BulkEdit bulkEdit(Standard standard, Names names, Language language) {
        return switch (tool) {
            case "replace" ->
                BulkEdit.Replace.of(needed(find, "a text to find"), with == null ? "" : with, on(regex), on(matchCase));
            case "before" -> new BulkEdit.AddBefore(needed(with, "a text to put before"));
            case "after" -> new BulkEdit.AddAfter(needed(with, "a text to put behind"));
            case "remove-beginning" -> new BulkEdit.RemoveBeginning(needed(find, "a beginning to take away"));
            case "remove-ending" -> new BulkEdit.RemoveEnding(needed(find, "an ending to take away"));
            case "cut" -> new BulkEdit.CutToFit(standard.limits(field));
            case "case" ->
                new BulkEdit.ChangeCase(
                        LetterCase.valueOf(needed(letterCase, "a letter case")
                                .toUpperCase(Locale.ROOT)
                                .replace('-', '_')),
                        names,
                        language);
            case "add-tags" -> new BulkEdit.AddTags(neededTags());
            case "remove-tags" -> new BulkEdit.RemoveTags(neededTags());
            case "replace-tag" ->
                new BulkEdit.ReplaceTag(needed(find, "a tag to replace"), needed(with, "a tag to put in its place"));
            default -> throw Refusal.badInput("there is no tool \"" + tool + "\"");
        };
    }

    /** What it does, in words. */
    String title() {
        String texts = field == Field.TAGS ? "tags" : field.label() + "s";
        return switch (tool) {
            case "recipe" -> "Recipe for " + texts;
            case "replace" -> "“" + find + "” replaced by “" + (with == null ? "" : with) + "” in " + texts;
            case "before" -> "“" + with + "” added to the start of " + texts;
            case "after" -> "“" + with + "” added to the end of " + texts;
            case "remove-beginning" -> "“" + find.strip() + "” removed from the start of " + texts;
            case "remove-ending" -> "“" + find.strip() + "” removed from the end of " + texts;
            case "cut" -> capital(texts) + " cut to fit";
            case "case" -> capital(texts) + " in " + letterCase + " case";
            case "add-tags" -> "Tags added: " + String.join(", ", tags);
            case "remove-tags" -> "Tags removed: " + String.join(", ", tags);
            case "replace-tag" -> "Tag “" + find + "” replaced by “" + with + "”";
            default -> tool;
        };
    }

    private List<String> neededTags() {
        if (tags == null || tags.isEmpty()) throw Refusal.badInput("at least one tag is needed");
        return tags;
    }

    private static String needed(String text, String what) {
        if (text == null || text.isEmpty()) throw Refusal.badInput("expected " + what + ", got none");
        return text;
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    private static boolean on(Boolean flag) {
        return Boolean.TRUE.equals(flag);
    }
}
