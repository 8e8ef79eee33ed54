package lucidsweep.server.gather;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** What a column of a listings file holds. */
enum ListingColumn {
    ID(Set.of("id", "listing id", "listing_id", "listingid", "sku", "item id", "product id", "number", "no")),
    ADDRESS(Set.of("address", "url", "link", "listing url", "page")),
    TITLE(Set.of("title", "name", "listing title", "product name", "item title", "heading")),
    DESCRIPTION(Set.of("description", "text", "listing description", "details", "body")),
    TAGS(Set.of("tags", "tag", "keywords", "labels")),
    PRICE(Set.of("price", "amount", "price gbp", "price eur", "price usd")),
    SECTION(Set.of("section", "category", "group", "shop section", "department", "collection")),
    UNUSED(Set.of());

    private final Set<String> names;

    ListingColumn(Set<String> names) {
        this.names = names;
    }

    /** Guesses what columns hold from their names; each meaning is given once, the first that fits gets it. */
    static List<ListingColumn> guess(List<String> header) {
        List<ListingColumn> found = new ArrayList<>();
        for (String name : header) {
            String plain = name.strip().toLowerCase(Locale.ROOT);
            ListingColumn meaning = UNUSED;
            for (ListingColumn column : values()) {
                if (column.names.contains(plain) && !found.contains(column)) meaning = column;
            }
            found.add(meaning);
        }
        return found;
    }
}
