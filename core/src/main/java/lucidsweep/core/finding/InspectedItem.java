package lucidsweep.core.finding;

import java.util.List;
import java.util.Optional;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.PageLanguage;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.page.Noindex;

/**
 * An item as the checks see it.
 *
 * @param address its address, or its id where it has none
 * @param noindex why it is not indexable; empty where it is
 * @param h1 its first H1; captured -1 times of items that have none by nature, such as listings
 * @param tags null for items that have none by nature, such as pages
 * @param keyword its primary keyword, if any
 * @param notes what its markup and its site say of it
 * @param inbound how other pages link to it
 * @param searched whether searchers were shown it
 * @param language of the page
 * @param exempt what stands as it is, although a check may say otherwise
 */
public record InspectedItem(
        InspectedAddress address,
        Optional<Noindex> noindex,
        InspectedText title,
        InspectedText description,
        InspectedText h1,
        List<String> tags,
        Optional<Phrase> keyword,
        PageNotes notes,
        Inbound inbound,
        boolean searched,
        PageLanguage language,
        Exempt exempt) {

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
        return h1.captured() >= 0;
    }
}
