package lucidsweep.server.item.draft;

import java.util.List;
import java.util.Map;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Reads the texts of items, captured and drafted; writes drafts, their states and keeps. */
@Mapper
public interface DraftMapper {

    String IDS = "any(#{ids})";

    /** What rules, recipes, edits and the search for targets need of an item itself. */
    String CORE = """
            select id, address, obstacle, section, h1, h1_count, opening, price, published, title, title_count,
                title_alike, description, description_count, description_alike, tags, tags_alike from item
            """;

    String WRITTEN = "select id, draft, px, alike, state, batch_id, kept from written ";

    /** What was written for a field; px and alike are null where the captured text is in force. */
    record Written(long id, String draft, Integer px, Long alike, String state, Long batchId, String kept) {}

    @Select(WRITTEN + "where id between #{first} and #{last}")
    List<Written> written(long first, long last);

    @Select(WRITTEN + "where id = " + IDS)
    List<Written> writtenOf(@Param("ids") Object[] ids);

    /** An item as it was captured. */
    record Core(
            long id,
            String address,
            String obstacle,
            String section,
            String h1,
            int h1Count,
            String opening,
            String price,
            String published,
            String title,
            int titleCount,
            long titleAlike,
            String description,
            int descriptionCount,
            long descriptionAlike,
            String tags,
            long tagsAlike) {}

    @Select(CORE + """
            where id > #{after} and id <= #{last} and not gone order by id limit #{limit}""")
    List<Core> cores(long after, long last, int limit);

    @Select(CORE + "where id between #{first} and #{last} and not gone order by id")
    List<Core> coresBetween(long first, long last);

    @Select(CORE + "where not gone and id = " + IDS + " order by id")
    List<Core> coresOf(@Param("ids") Object[] ids);

    @Select(CORE + "where id = " + IDS + " order by id")
    List<Core> coresOfGoneToo(@Param("ids") Object[] ids);

    /** A draft and the measure of the text that is then in force. */
    record DraftValues(long id, String draft, String state, Long batchId, int px, long alike) {}

    @Insert("""
            merge into written w using unnest(
                cast(#{id} as bigint array), cast(#{draft} as varchar array), cast(#{state} as varchar array),
                cast(#{batchId} as bigint array), cast(#{px} as int array), cast(#{alike} as bigint array))
                as n (id, draft, state, batch_id, px, alike) on w.id = n.id
            when matched then update set draft = n.draft, state = n.state, batch_id = n.batch_id, px = n.px, alike = n.alike
            when not matched then insert (id, draft, state, batch_id, px, alike)
                values (n.id, n.draft, n.state, n.batch_id, n.px, n.alike)""")
    void setDrafts(Map<String, Object[]> drafts);

    @Update("update written set state = #{state} where draft is not null and id = " + IDS)
    int setState(@Param("ids") Object[] ids, @Param("state") String state);

    @Insert("""
            merge into written w using unnest(cast(#{ids} as bigint array)) as n (id) on w.id = n.id
            when matched then update set kept = #{reason}
            when not matched then insert (id, kept) values (n.id, #{reason})""")
    int keep(@Param("ids") Object[] ids, @Param("reason") String reason);

    @Update("update written set kept = null where id = " + IDS)
    int letGo(@Param("ids") Object[] ids);
}
