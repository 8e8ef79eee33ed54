package lucidsweep.core.finding;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.page.Noindex;

/**
 * An item as the checks see it.
 *
 * @param address its address, or its id where it has none
 * @param noindex why it is not indexable; empty where it is
 * @param h1 its first H1; "" where it has none
 * @param h1Count how many H1 elements the page has; -1 for items that have none by nature, such as listings
 * @param tags null for items that have none by nature, such as pages
 * @param keyword its primary keyword, if any
 * @param kept fields that stay as they are, although a check may say otherwise
 */
public record InspectedItem(
        String address,
        Optional<Noindex> noindex,
        InspectedText title,
        InspectedText description,
        InspectedText h1,
        int h1Count,
        List<String> tags,
        Optional<Phrase> keyword,
        Set<Field> kept) {

    /** Its title, description or H1. */
    InspectedText text(Field field) {
        return switch (field) {
            case TITLE -> title;
            case DESCRIPTION -> description;
            case H1 -> h1;
            default -> throw new IllegalArgumentException("an item has no text of its " + field.label());
        };
    }

    /** Whether it is a page of a website, which has a heading and a slug by nature. */
    boolean isPage() {
        return h1Count >= 0;
    }
}
