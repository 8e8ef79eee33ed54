package lucidsweep.server.rewrite;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface BatchMapper {

    final class Key {
        long id;
    }

    @Insert("""
            insert into batch (property_id, title, state, items, created)
            values (#{propertyId}, #{title}, 'applied', 0, now())""")
    @Options(useGeneratedKeys = true, keyProperty = "key.id", keyColumn = "id")
    void insert(@Param("key") Key key, @Param("propertyId") long propertyId, @Param("title") String title);

    @Update("update batch set items = #{items} where id = #{id}")
    void setItems(long id, int items);

    @Delete("delete from batch where id = #{id}")
    void delete(long id);

    @Update("update batch set state = #{state}, undone = case when #{state} = 'undone' then now() end where id = #{id}")
    void setState(long id, String state);

    @Select("select * from batch where id = #{id}")
    Batch find(long id);

    @Select("select * from batch where property_id = #{propertyId} order by id desc limit 100")
    List<Batch> ofProperty(long propertyId);

    /** A change of one field. */
    record Change(
            long batchId, long fieldId, String beforeText, String beforeState, Long beforeBatch, String afterText) {}

    @Insert("""
            insert into change (batch_id, field_id, before_text, before_state, before_batch, after_text)
            select #{batchId}, * from unnest(
                cast(#{fieldIds, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as bigint array),
                cast(#{beforeTexts, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as varchar array),
                cast(#{beforeStates, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as varchar array),
                cast(#{beforeBatches, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as bigint array),
                cast(#{afterTexts, typeHandler=org.apache.ibatis.type.ArrayTypeHandler} as varchar array))""")
    void insertChanges(
            @Param("batchId") long batchId,
            @Param("fieldIds") Object[] fieldIds,
            @Param("beforeTexts") Object[] beforeTexts,
            @Param("beforeStates") Object[] beforeStates,
            @Param("beforeBatches") Object[] beforeBatches,
            @Param("afterTexts") Object[] afterTexts);

    @Select("""
            select * from change where batch_id = #{batchId} and field_id > #{after}
            order by batch_id, field_id limit #{limit}""")
    List<Change> changes(long batchId, long after, int limit);

    record Conflict(String title, int fields) {}

    @Select("""
            select coalesce(b.title, 'Edits') title, count(*) fields
            from change c join field f on f.id = c.field_id
            left join batch b on b.id = f.batch_id
            where c.batch_id = #{batchId} and f.batch_id is distinct from #{batchId}
            group by b.id, b.title order by max(b.id) desc limit 3""")
    List<Conflict> conflictsOfUndo(long batchId);

    @Select("""
            select coalesce(b.title, 'Edits') title, count(*) fields
            from change c join field f on f.id = c.field_id
            left join batch b on b.id = f.batch_id
            where c.batch_id = #{batchId} and f.batch_id is distinct from c.before_batch
            group by b.id, b.title order by max(b.id) desc limit 3""")
    List<Conflict> conflictsOfRedo(long batchId);

    /** A past change of an item. */
    record Past(String title, String state, Instant created, String field, String beforeText, String afterText) {}

    @Select("""
            select b.title, b.state, b.created, f.name field, c.before_text, c.after_text
            from change c join batch b on b.id = c.batch_id join field f on f.id = c.field_id
            where c.field_id between #{firstField} and #{lastField} order by b.id desc limit 50""")
    List<Past> history(long firstField, long lastField);
}
