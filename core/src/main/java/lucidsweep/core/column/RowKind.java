package lucidsweep.core.column;

import static lucidsweep.core.column.Meaning.*;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** What the rows of a file are. */
public enum RowKind {
    PAGES(Items.COLUMNS, List.of(List.of(ADDRESS)), List.of(ADDRESS)),
    LISTINGS(Items.COLUMNS, List.of(List.of(ID, ADDRESS, TITLE)), List.of(ID, ADDRESS, TITLE)),
    VIDEOS(Items.COLUMNS, List.of(List.of(ID, ADDRESS, TITLE)), List.of(ID, ADDRESS, TITLE)),
    DEMAND(
            List.of(ADDRESS, QUERY, COUNTRY, FROM, TO, CLICKS, IMPRESSIONS, POSITION),
            List.of(List.of(QUERY, ADDRESS), List.of(IMPRESSIONS, CLICKS)),
            List.of()),
    KEYWORDS(List.of(KEYWORD, VOLUME, COMPETITION, COUNTRY), List.of(List.of(KEYWORD)), List.of()),
    RESULTS(
            List.of(QUERY, POSITION, ADDRESS, TITLE, DESCRIPTION, DAY),
            List.of(List.of(QUERY), List.of(POSITION), List.of(ADDRESS)),
            List.of());

    private final List<Meaning> columns;
    private final List<List<Meaning>> needed;
    private final List<Meaning> identity;

    RowKind(List<Meaning> columns, List<List<Meaning>> needed, List<Meaning> identity) {
        this.columns = columns;
        this.needed = needed;
        this.identity = identity;
    }

    private static final class Items {
        private static final List<Meaning> COLUMNS =
                List.of(ADDRESS, TITLE, DESCRIPTION, TAGS, PUBLISHED, MODIFIED, GROUP, PRICE, VIEWS, FAVOURITES);
    }

    /** The kind of a name such as "pages". */
    public static Optional<RowKind> named(String name) {
        return Stream.of(values())
                .filter(kind -> kind.name().toLowerCase(Locale.ROOT).equals(name))
                .findFirst();
    }

    /** Our columns, in their order; keywords have their months besides. */
    public List<Meaning> columns() {
        return columns;
    }

    /** Whether its rows are items of a property. */
    public boolean isItem() {
        return !identity.isEmpty();
    }

    /** What rows of this kind cannot do without; of each list one is enough. */
    public List<List<Meaning>> needed() {
        return needed;
    }

    /** What tells an item from the others: the first of these that it has. */
    public List<Meaning> identity() {
        return identity;
    }

    /** The texts that most files of items are imported for; where no column holds one, somebody is asked. */
    public List<Meaning> expected() {
        if (!isItem()) return List.of();
        return this == PAGES ? List.of(TITLE, DESCRIPTION) : List.of(TITLE, DESCRIPTION, TAGS);
    }

    /** What a column of such a file may be taken for. */
    public List<Meaning> meanings() {
        Stream<Meaning> more = this == KEYWORDS
                ? Stream.of(MONTH, BROAD)
                : this == DEMAND ? Stream.of(CTR) : isItem() ? Stream.of(ID) : Stream.empty();
        return Stream.concat(more, columns.stream()).toList();
    }
}
