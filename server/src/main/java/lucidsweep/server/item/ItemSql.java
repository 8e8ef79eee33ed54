package lucidsweep.server.item;

/** Pieces of queries that mappers share. */
final class ItemSql {

    static final String IDS = "any(#{ids})";

    private static final String FIELDS = """
            left join written t on t.id = i.id * 4
            left join written d on d.id = i.id * 4 + 1
            left join written g on g.id = i.id * 4 + 2
            left join target r on r.item_id = i.id
            left join keyword k on k.id = r.keyword_id
            """;

    /** What a table shows of an item. */
    static final String LINE = """
            select i.id, i.address, i.section, i.status, i.obstacle, i.h1, i.h1_count, i.canonical, i.robots, i.price, i.published, i.views, i.favourites,
                coalesce(l.depth, i.depth) depth, coalesce(l.links_in, 0) links_in,
                i.title, t.draft title_draft, coalesce(t.state, '') title_state, t.kept title_kept,
                i.description, d.draft description_draft, coalesce(d.state, '') description_state, d.kept description_kept,
                i.tags, g.draft tags_draft, coalesce(g.state, '') tags_state, g.kept tags_kept,
                r.item_id target_item, k.id keyword_id, k.phrase keyword, k.volume, r.by_hand, r.score, r.reason
            from item i left join item_link l on l.item_id = i.id
            """ + FIELDS;

    /** What a table is filtered and sorted by. */
    static final String TABLE_ITEM = """
            select id, address, section, status, obstacle is null indexable, h1, coalesce(l.depth, i.depth) depth,
                coalesce(l.links_in, 0) links_in, title, title_px, title_alike, description, description_px,
                description_alike, tags, tags_px, tags_alike
            from item i left join item_link l on l.item_id = i.id
            """;

    /** What rules, recipes, edits and the search for targets need of an item itself. */
    static final String CORE = """
            select id, address, obstacle, section, h1, h1_count, opening, price, published, title, title_count,
                title_alike, description, description_count, description_alike, tags, tags_alike from item
            """;

    static final String WRITTEN = "select id, draft, px, alike, state, batch_id, kept from written ";

    static final String AIM =
            "select r.item_id, r.keyword_id, k.phrase from target r join keyword k on k.id = r.keyword_id ";

    private ItemSql() {}
}
