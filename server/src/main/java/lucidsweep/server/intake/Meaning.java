package lucidsweep.server.intake;

import java.util.Locale;
import java.util.Set;

/** What a column holds. */
public enum Meaning {
    ID(Type.TEXT, "id", "listing id", "listingid", "sku", "item id", "product id", "video id", "number", "no", "key"),
    ADDRESS(
            Type.TEXT,
            "address",
            "url",
            "link",
            "loc",
            "location",
            "listing url",
            "video url",
            "page",
            "page url",
            "pages",
            "top pages",
            "landing page",
            "permalink"),
    TITLE(
            Type.TEXT,
            "title",
            "name",
            "listing title",
            "product name",
            "item title",
            "video title",
            "page title",
            "heading",
            "title tag"),
    DESCRIPTION(
            Type.TEXT,
            "description",
            "text",
            "listing description",
            "video description",
            "meta description",
            "details",
            "body",
            "summary",
            "snippet"),
    TAGS(Type.TAGS, "tags", "tag", "keywords", "labels", "hashtags"),
    PUBLISHED(
            Type.DATE,
            "published",
            "publish date",
            "published at",
            "publication date",
            "video publish time",
            "upload date",
            "uploaded",
            "date",
            "created",
            "created at",
            "creation date",
            "listed",
            "lastmod"),
    GROUP(
            Type.TEXT,
            "group",
            "section",
            "category",
            "shop section",
            "department",
            "collection",
            "playlist",
            "playlists",
            "series"),
    PRICE(Type.DECIMAL, "price", "amount", "price gbp", "price eur", "price usd", "cost"),
    VIEWS(Type.COUNT, "views", "view count", "viewcount", "visits", "plays"),
    FAVOURITES(Type.COUNT, "favourites", "favorites", "likes", "like count", "saves", "hearts"),
    QUERY(Type.TEXT, "query", "queries", "top queries", "search query", "search term", "keyword", "phrase", "term"),
    COUNTRY(Type.TEXT, "country", "market", "location", "region", "country code"),
    FROM(Type.DATE, "from", "date", "day", "week", "month", "start", "start date", "week starting", "period"),
    TO(Type.DATE, "to", "until", "end", "end date", "week ending"),
    CLICKS(Type.COUNT, "clicks", "click"),
    IMPRESSIONS(Type.COUNT, "impressions", "impr", "impression"),
    POSITION(Type.DECIMAL, "position", "average position", "avg position", "pos", "rank", "ranking", "place"),
    KEYWORD(Type.TEXT, "keyword", "keywords", "phrase", "query", "search term", "search query", "term"),
    VOLUME(
            Type.COUNT,
            "volume",
            "exact volume",
            "exact searches",
            "exact match volume",
            "searches",
            "monthly volume",
            "monthly searches",
            "search volume",
            "avg monthly searches",
            "average monthly searches"),
    BROAD(Type.COUNT, "broad volume", "broad searches", "broad match volume", "broad", "phrase match volume"),
    COMPETITION(Type.TEXT, "competition", "difficulty"),
    MONTH(Type.COUNT),
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
    private final Set<String> names;

    Meaning(Type type, String... names) {
        this.type = type;
        this.names = Set.of(names);
    }

    Type type() {
        return type;
    }

    /** Whether a column of this name, in lower case with single spaces, is likely to hold it. */
    boolean isNamed(String name) {
        return names.contains(name);
    }

    /** The name of our column. */
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
