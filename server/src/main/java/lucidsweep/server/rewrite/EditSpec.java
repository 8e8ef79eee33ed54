package lucidsweep.server.rewrite;

import com.fasterxml.jackson.annotation.JsonInclude;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;
import lucidsweep.core.compose.LetterCase;
import lucidsweep.core.compose.Names;
import lucidsweep.core.compose.Recipe;
import lucidsweep.core.demand.Season;
import lucidsweep.core.edit.AddBlock;
import lucidsweep.core.edit.AddTags;
import lucidsweep.core.edit.AddToEnd;
import lucidsweep.core.edit.AddToStart;
import lucidsweep.core.edit.BulkEdit;
import lucidsweep.core.edit.ChangeCase;
import lucidsweep.core.edit.CutToFit;
import lucidsweep.core.edit.MergeTwinTags;
import lucidsweep.core.edit.OpenWithTitle;
import lucidsweep.core.edit.OrderTags;
import lucidsweep.core.edit.PlaceBrand;
import lucidsweep.core.edit.RemoveBeginning;
import lucidsweep.core.edit.RemoveBlock;
import lucidsweep.core.edit.RemoveEmoji;
import lucidsweep.core.edit.RemoveEnding;
import lucidsweep.core.edit.RemoveTags;
import lucidsweep.core.edit.RepairEncoding;
import lucidsweep.core.edit.Replace;
import lucidsweep.core.edit.ReplaceTag;
import lucidsweep.core.edit.ShortenEnding;
import lucidsweep.core.edit.SwitchIndexing;
import lucidsweep.core.edit.TidySpaces;
import lucidsweep.core.edit.YearForward;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Client;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.Indexing;
import lucidsweep.server.web.Refusal;

/**
 * A bulk edit or recipe as the interface sends it; what a tool does not need is null.
 *
 * @param tool recipe, recipes for those in force, writer for the writer's answers, or the code of a bulk edit
 * @param field one that can be drafted
 * @param find the text, tag, beginning, ending or block to find
 * @param with what replaces it, what is added, the year, what stands between brand and text, the name of the writer's column, or of a season a month from 1 to 12
 * @param way plain, whole-word or regex; null for plain
 * @param letterCase a letter case
 * @param place where the brand goes: first, last or none
 * @param atSentence whether it is cut at a sentence
 * @param tags those that are added or removed; of tag sets the words that none may contain
 * @param share of tag sets, how many of a hundred places may go to brand tags
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
record EditSpec(
        @NotNull String tool,
        @NotNull Field field,
        String find,
        String with,
        String way,
        Boolean matchCase,
        String letterCase,
        String place,
        Boolean atSentence,
        List<String> tags,
        Integer share,
        Recipe recipe) {

    private static final List<String> FOR_TAGS =
            List.of("add-tags", "remove-tags", "replace-tag", "merge-twins", "order-tags", "tag-sets", "season-tags");

    /** Whether texts are composed: by the recipe that was sent, or by those that are in force. */
    boolean isRecipe() {
        return tool.equals("recipe") || tool.equals("recipes");
    }

    /** Whether texts were written elsewhere. */
    boolean isWritten() {
        return tool.equals("writer");
    }

    /** Whether descriptions get the blocks that all share, or lose them. */
    boolean isBlocks() {
        return tool.equals("blocks") || tool.equals("blocks-off");
    }

    /** Whether tags are chosen for all items together. */
    boolean isTagSets() {
        return tool.equals("tag-sets") || isSeason();
    }

    /** Whether only the tags of a season are exchanged. */
    boolean isSeason() {
        return tool.equals("season-tags");
    }

    /** The month whose season it is, 1 to 12. */
    int month() {
        String given = needed(with, "a month");
        if (!given.matches("[1-9]|1[0-2]"))
            throw Refusal.badInput("expected a month from 1 to 12, got \"" + given + "\"");
        return Integer.parseInt(given);
    }

    /** How many of a hundred places may go to brand tags: a third unless it is said. */
    int brandPercent() {
        return share == null ? 33 : share;
    }

    /** Checks what can be checked before the first item. */
    void check() {
        if (!FieldId.FIELDS.contains(field)) {
            throw Refusal.badInput("the " + field.label() + " cannot be rewritten here");
        }
        if ((field == Field.INDEXING) != tool.equals("indexing")) {
            throw Refusal.badInput(tool + " does not go with " + field.label());
        }
        if (FOR_TAGS.contains(tool) != (field == Field.TAGS)) {
            throw Refusal.badInput(tool + " does not go with " + field.label());
        }
        if (tool.equals("open-with-title") && field != Field.DESCRIPTION) {
            throw Refusal.badInput("only a description can open with the title’s words");
        }
        if (brandPercent() < 0 || brandPercent() > 100) {
            throw Refusal.badInput("expected a share of brand tags from 0 to 100 percent, got " + share);
        }
        if (isBlocks() && field != Field.DESCRIPTION) throw Refusal.badInput("only descriptions have blocks");
        if (isSeason()) month();
        if (isWritten()) needed(with, "the name of a column of the writer");
        if (tool.equals("recipe") && recipe == null) throw Refusal.badInput("a recipe needs its parts");
    }

    /**
     * @param words of the property's language
     * @param searches a month, by phrase; asked for only where the edit goes by them
     */
    BulkEdit bulkEdit(Standard standard, Client client, Words words, Supplier<Map<String, Double>> searches) {
        return switch (tool) {
            case "replace" ->
                Replace.of(needed(find, "a text to find"), with == null ? "" : with, wayToFind(), on(matchCase));
            case "before" -> new AddToStart(needed(with, "a text to put before"));
            case "after" -> new AddToEnd(needed(with, "a text to put behind"));
            case "remove-beginning" -> new RemoveBeginning(needed(find, "a beginning to take away"));
            case "remove-ending" -> new RemoveEnding(needed(find, "an ending to take away"));
            case "shorten-ending" -> new ShortenEnding(needed(find, "an ending to shorten"), standard.limits(field));
            case "add-block" -> new AddBlock(needed(with, "a block to add").strip());
            case "remove-block" -> new RemoveBlock(needed(find, "a block to take away"));
            case "cut" -> new CutToFit(standard.limits(field), on(atSentence));
            case "case" ->
                new ChangeCase(
                        choice(LetterCase.class, letterCase, "a letter case"),
                        Names.of(client.names()),
                        words.language());
            case "brand" ->
                new PlaceBrand(
                        neededBrands(client),
                        with == null ? " | " : with,
                        choice(PlaceBrand.Place.class, place, "a place for the brand"));
            case "year" -> new YearForward(year());
            case "encoding" -> new RepairEncoding();
            case "emoji" -> new RemoveEmoji();
            case "spaces" -> new TidySpaces();
            case "open-with-title" -> new OpenWithTitle();
            case "indexing" -> new SwitchIndexing(needed(with, "index or noindex"));
            case "add-tags" -> new AddTags(neededTags());
            case "remove-tags" -> new RemoveTags(neededTags());
            case "replace-tag" ->
                new ReplaceTag(needed(find, "a tag to replace"), needed(with, "a tag to put in its place"));
            case "merge-twins" -> new MergeTwinTags(words);
            case "order-tags" -> new OrderTags(words, searches.get());
            default -> throw Refusal.badInput("there is no tool \"" + tool + "\"");
        };
    }

    /** What it does, in words. */
    String title() {
        String texts = field == Field.TAGS || field == Field.INDEXING ? field.label() : field.label() + "s";
        return switch (tool) {
            case "recipe" -> "Recipe for " + texts;
            case "recipes" -> "All recipes for " + texts;
            case "writer" -> capital(texts) + " of the writer, “" + with + "”";
            case "replace" -> "“" + find + "” replaced by “" + (with == null ? "" : with) + "” in " + texts;
            case "before" -> "“" + with + "” added to the start of " + texts;
            case "after" -> "“" + with + "” added to the end of " + texts;
            case "remove-beginning" -> "“" + firstLine(find) + "” removed from the start of " + texts;
            case "remove-ending" -> "“" + firstLine(find) + "” removed from the end of " + texts;
            case "shorten-ending" -> "“" + firstLine(find) + "” shortened at the end of " + texts;
            case "add-block" -> "Block “" + firstLine(with) + "” added to " + texts;
            case "remove-block" -> "Block “" + firstLine(find) + "” removed from " + texts;
            case "cut" -> capital(texts) + " cut to fit";
            case "case" -> capital(texts) + " in " + letterCase + " case";
            case "brand" -> "none".equals(place) ? "Brand taken off " + texts : "Brand put " + place + " in " + texts;
            case "year" -> "Years put forward to " + with + " in " + texts;
            case "encoding" -> "Broken characters repaired in " + texts;
            case "emoji" -> "Emoji removed from " + texts;
            case "spaces" -> "White space tidied in " + texts;
            case "open-with-title" -> "Descriptions opened with their titles’ words";
            case "indexing" -> "Indexing switched " + (Indexing.ON.equals(with) ? "on" : "off");
            case "add-tags" -> "Tags added: " + String.join(", ", tags == null ? List.of() : tags);
            case "remove-tags" -> "Tags removed: " + String.join(", ", tags == null ? List.of() : tags);
            case "replace-tag" -> "Tag “" + find + "” replaced by “" + with + "”";
            case "blocks" -> "Blocks put below descriptions";
            case "blocks-off" -> "Blocks taken off descriptions";
            case "merge-twins" -> "Tags that say the same merged";
            case "order-tags" -> "Tags ordered by searches";
            case "season-tags" -> "Tags of the season in " + Season.name(month());
            case "tag-sets" -> "Tag sets chosen by searches";
            default -> tool;
        };
    }

    private Replace.Way wayToFind() {
        return way == null ? Replace.Way.PLAIN : choice(Replace.Way.class, way, "a way to find");
    }

    private int year() {
        String given = needed(with, "a year");
        if (!given.matches("20\\d\\d"))
            throw Refusal.badInput("expected a year from 2000 to 2099, got \"" + given + "\"");
        return Integer.parseInt(given);
    }

    private List<String> neededTags() {
        if (tags == null || tags.isEmpty()) throw Refusal.badInput("at least one tag is needed");
        return tags;
    }

    private static List<String> neededBrands(Client client) {
        List<String> brands = client.brandNames();
        if (brands.isEmpty()) throw Refusal.badInput("the client has no brand words; add them to the client first");
        return brands;
    }

    private static String needed(String text, String what) {
        if (text == null || text.isEmpty()) throw Refusal.badInput("expected " + what + ", got none");
        return text;
    }

    private static <E extends Enum<E>> E choice(Class<E> of, String given, String what) {
        String code = needed(given, what).toUpperCase(Locale.ROOT).replace('-', '_');
        for (E each : of.getEnumConstants()) if (each.name().equals(code)) return each;
        throw Refusal.badInput("expected " + what + ", got \"" + given + "\"");
    }

    /** What stands for a text in a title; what is missing is refused where the edit is read. */
    private static String firstLine(String text) {
        return text == null ? "" : text.strip().lines().findFirst().orElse("");
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    private static boolean on(Boolean flag) {
        return Boolean.TRUE.equals(flag);
    }
}
