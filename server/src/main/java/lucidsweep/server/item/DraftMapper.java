package lucidsweep.server.item;

import java.util.List;
import java.util.Map;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Writes drafts, their states and keeps. */
@Mapper
interface DraftMapper {

    @Select(ItemSql.FIELD + "where id = " + ItemSql.IDS + " order by id")
    List<FieldLine> fields(@Param("ids") Object[] ids);

    /** A draft and the measure of the text that is then in force. */
    record DraftValues(long id, String draft, String state, Long batchId, int px, int chars, long alike) {}

    @Update("""
            merge into field f using unnest(
                cast(#{id} as bigint array), cast(#{draft} as varchar array), cast(#{state} as varchar array),
                cast(#{batchId} as bigint array), cast(#{px} as int array), cast(#{chars} as int array),
                cast(#{alike} as bigint array)) as n (id, draft, state, batch_id, px, chars, alike) on f.id = n.id
            when matched then update set draft = n.draft, state = n.state, batch_id = n.batch_id, px = n.px,
                chars = n.chars, alike = n.alike""")
    void setDrafts(Map<String, Object[]> drafts);

    @Update("update field set state = #{state} where draft is not null and id = " + ItemSql.IDS)
    int setState(@Param("ids") Object[] ids, @Param("state") String state);

    @Update("update field set kept = #{reason} where id = " + ItemSql.IDS)
    int setKept(@Param("ids") Object[] ids, @Param("reason") String reason);
}
