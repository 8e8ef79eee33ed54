package lucidsweep.server.item;

import java.util.Set;
import org.apache.ibatis.jdbc.SQL;

/** Puts together the query for the items that a filter means, in an order; only the tables it needs are joined. */
public final class ItemSql {

    static final String IDS = "any(#{ids, typeHandler=org.apache.ibatis.type.ArrayTypeHandler})";

    private static final String FIELDS = """
            left join field t on t.id = i.id * 4
            left join field d on d.id = i.id * 4 + 1
            left join field g on g.id = i.id * 4 + 2
            left join target r on r.item_id = i.id
            left join keyword k on k.id = r.keyword_id
            """;

    /** What a table shows of an item. */
    static final String LINE = """
            select i.id, i.address, i.section, i.status, i.obstacle, i.h1, i.h1_count, i.canonical, i.robots, i.price,
                i.depth, i.links_in,
                t.captured title_captured, t.draft title_draft, t.state title_state, t.kept title_kept,
                d.captured description_captured, d.draft description_draft, d.state description_state,
                d.kept description_kept,
                g.captured tags_captured, g.draft tags_draft, g.state tags_state, g.kept tags_kept,
                r.item_id target_item, k.id keyword_id, k.phrase keyword, k.volume, r.by_hand, r.score, r.reason
            from item i
            """ + FIELDS;

    /** What rules, recipes and the search for targets need of an item itself. */
    static final String CORE = """
            select i.id, i.address, i.obstacle, i.section, i.h1, i.h1_count, i.links_in, i.link_texts, i.opening, i.price
            """;

    static final String FIELD = "select id, item_id, captured, captured_count count, text, alike, kept from field ";

    static final String AIM = "select r.item_id, k.phrase from target r join keyword k on k.id = r.keyword_id ";

    private static final Set<String> STATES = Set.of("drafted", "approved", "sent-back", "handed-over");

    public static String ids(ItemFilter filter, ItemSort sort, boolean descending) {
        SQL sql = new SQL().SELECT("i.id").FROM("item i");
        boolean text = given(filter.q());
        if (text || sort.uses("t")) sql.LEFT_OUTER_JOIN("field t on t.id = i.id * 4");
        if (text || sort.uses("d")) sql.LEFT_OUTER_JOIN("field d on d.id = i.id * 4 + 1");
        if (sort.uses("g")) sql.LEFT_OUTER_JOIN("field g on g.id = i.id * 4 + 2");
        if (sort.uses("k") || given(filter.target())) sql.LEFT_OUTER_JOIN("target r on r.item_id = i.id");
        if (sort.uses("k")) sql.LEFT_OUTER_JOIN("keyword k on k.id = r.keyword_id");
        if (sort.uses("f")) {
            sql.LEFT_OUTER_JOIN("(select item_id, count(*) findings from finding where property_id = #{propertyId}"
                    + " group by item_id) f on f.item_id = i.id");
        }
        sql.WHERE("i.property_id = #{propertyId}", "not i.gone");
        if (text) {
            sql.WHERE("(i.address ilike #{like} escape '\\' or t.text ilike #{like} escape '\\'"
                    + " or d.text ilike #{like} escape '\\' or exists (select 1 from field n where n.id = i.id * 4 + 2"
                    + " and n.text ilike #{like} escape '\\'))");
        }
        if (given(filter.section())) sql.WHERE("i.section = #{filter.section}");
        if ("yes".equals(filter.indexable())) sql.WHERE("i.obstacle is null");
        if ("no".equals(filter.indexable())) sql.WHERE("i.obstacle is not null");
        if (given(filter.kind())) sql.WHERE(finding(filter));
        if (given(filter.state())) sql.WHERE(draft(filter));
        if (given(filter.target())) sql.WHERE(target(filter.target()));
        if (filter.ids() != null) sql.WHERE("i.id = " + IDS);
        String direction = descending ? " desc" : "";
        return sql.ORDER_BY(sort.column() + direction + " nulls last", "i.id" + direction)
                .toString();
    }

    private static String finding(ItemFilter filter) {
        return "i.id in (select item_id from finding where property_id = #{propertyId} and kind = #{filter.kind}"
                + (given(filter.field()) ? " and field = #{filter.field}" : "")
                + (given(filter.shared()) ? " and shared = #{filter.shared}" : "")
                + ("not-indexable".equals(filter.kind()) ? "" : " and counted")
                + ")";
    }

    private static String draft(ItemFilter filter) {
        String state = STATES.contains(filter.state()) ? "state = #{filter.state}" : "state <> ''";
        return "i.id in (select item_id from field where property_id = #{propertyId} and " + state
                + (given(filter.field()) ? " and name = #{filter.field}" : "")
                + ")";
    }

    private static String target(String target) {
        return switch (target) {
            case "with" -> "r.keyword_id is not null";
            case "without" -> "r.keyword_id is null";
            default -> "r.keyword_id = cast(#{filter.target} as bigint)";
        };
    }

    private static boolean given(String text) {
        return text != null && !text.isEmpty();
    }
}
