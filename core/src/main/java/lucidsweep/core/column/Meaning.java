package lucidsweep.core.column;

import java.util.Locale;

/** What a column holds. */
public enum Meaning {
    ID(Type.TEXT),
    ADDRESS(Type.TEXT),
    TITLE(Type.TEXT),
    DESCRIPTION(Type.TEXT),
    TAGS(Type.TAGS),
    PUBLISHED(Type.DATE),
    MODIFIED(Type.DATE),
    GROUP(Type.TEXT),
    PRICE(Type.DECIMAL),
    VIEWS(Type.COUNT),
    FAVOURITES(Type.COUNT),
    QUERY(Type.TEXT),
    COUNTRY(Type.TEXT),
    FROM(Type.DATE),
    TO(Type.DATE),
    CLICKS(Type.COUNT),
    IMPRESSIONS(Type.COUNT),
    CTR(Type.DECIMAL),
    POSITION(Type.DECIMAL),
    KEYWORD(Type.TEXT),
    VOLUME(Type.COUNT),
    BROAD(Type.COUNT),
    COMPETITION(Type.TEXT),
    MONTH(Type.COUNT),
    DAY(Type.DATE),
    UNUSED(Type.TEXT);

    /** How the cells of a column are read. */
    public enum Type {
        TEXT,
        TAGS,
        COUNT,
        DECIMAL,
        DATE
    }

    private final Type type;

    Meaning(Type type) {
        this.type = type;
    }

    public Type type() {
        return type;
    }

    /** The name of our column. */
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
