package lucidsweep.server.rewrite;

import java.util.Collections;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.text.Spaces;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.draft.Indexing;
import lucidsweep.server.web.Refusal;

/** A text that was typed or pasted, as it is stored: with single spaces and none at its ends. */
final class TidyText {

    private TidyText() {}

    /**
     * Descriptions of listings and videos have lines; everything else is one. A slug has small letters and hyphens.
     *
     * @throws Refusal of an indexing switch that is neither on nor off, and of a slug without a letter
     */
    static String of(Property property, Field field, String text) {
        return switch (field) {
            case DESCRIPTION ->
                property.kind() == PropertyKind.WEBSITE ? Spaces.closedUp(text) : Spaces.closedUpInLines(text);
            case SLUG -> slug(property, text);
            case INDEXING -> indexing(text.strip());
            default -> Spaces.closedUp(text);
        };
    }

    /**
     * The same for a field of an item: what is given for parts of a page is put in their places.
     *
     * @throws Refusal where it is given for none of them
     */
    static String of(Property property, FieldLine line, String text) {
        if (!PartTexts.areOf(line.field())) return of(property, line.field(), text);
        Set<String> own = addresses(line.text());
        if (!text.isEmpty() && Collections.disjoint(own, addresses(text))) {
            throw Refusal.badInput(
                    "expected a line for each " + line.field().label() + ": the address, a tab and the text; got \""
                            + text.lines().findFirst().orElse("") + "\"");
        }
        return PartTexts.changed(PartTexts.merged(line.text(), text), Spaces::closedUp);
    }

    private static Set<String> addresses(String parts) {
        return PartTexts.of(parts).stream().map(PartTexts.Part::address).collect(Collectors.toSet());
    }

    private static String slug(Property property, String text) {
        String slug = Language.of(property.language()).slug(text);
        if (slug.isEmpty()) throw Refusal.badInput("expected a slug such as “kayak-hire”, got \"" + text + "\"");
        return slug;
    }

    private static String indexing(String text) {
        if (!text.equals(Indexing.ON) && !text.equals(Indexing.OFF)) {
            throw Refusal.badInput("expected index or noindex, got \"" + text + "\"");
        }
        return text;
    }
}
