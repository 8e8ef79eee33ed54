package lucidsweep.server.item;

import java.util.Map;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Update;

/** Writes drafts, their states and keeps. */
@Mapper
interface DraftMapper {

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

    @Update("update written set state = #{state} where draft is not null and id = " + ItemSql.IDS)
    int setState(@Param("ids") Object[] ids, @Param("state") String state);

    @Insert("""
            merge into written w using unnest(cast(#{ids} as bigint array)) as n (id) on w.id = n.id
            when matched then update set kept = #{reason}
            when not matched then insert (id, kept) values (n.id, #{reason})""")
    int keep(@Param("ids") Object[] ids, @Param("reason") String reason);

    @Update("update written set kept = null where id = " + ItemSql.IDS)
    int letGo(@Param("ids") Object[] ids);
}
