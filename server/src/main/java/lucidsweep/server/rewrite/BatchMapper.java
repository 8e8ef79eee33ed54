package lucidsweep.server.rewrite;

import java.time.Instant;
import java.util.List;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.DraftMapper;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
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
            insert into batch (property_id, title, state, under_way, items, created)
            values (#{propertyId}, #{title}, 'applied', true, 0, now())""")
    @Options(useGeneratedKeys = true, keyProperty = "key.id", keyColumn = "id")
    void insert(@Param("key") Key key, @Param("propertyId") long propertyId, @Param("title") String title);

    @Delete("delete from batch where id = #{id}")
    void delete(long id);

    @Update("""
            update batch set state = #{state}, under_way = true, undone = case when #{state} = 'undone' then now() end
            where id = #{id}""")
    void beginTurn(long id, Batch.State state);

    @Update("update batch set under_way = false, items = #{items} where id = #{id}")
    void end(long id, int items);

    /** Batches that were cut short; those with no items yet were being applied for the first time. */
    @Select("select * from batch where under_way order by id")
    List<Batch> underWay();

    @Select("select * from batch where id = #{id}")
    Batch find(long id);

    @Select("select * from batch where property_id = #{propertyId} and items > 0 order by id desc limit 100")
    List<Batch> ofProperty(long propertyId);

    /** A change of one field. */
    record ChangeValues(
            long id, long fieldId, String beforeText, String beforeState, Long beforeBatch, String afterText) {}

    @Lang(ManyRows.class)
    @Insert("insert into change (columns) values (rows)")
    void insertChanges(List<ChangeValues> changes);

    @Select("select count(*) from change where id between #{first} and #{last}")
    int countChanges(IdRange range);

    @Delete("delete from change where id between #{first} and #{last}")
    void deleteChanges(IdRange range);

    @Select("""
            select id, field_id, before_text, before_state, before_batch, after_text from change
            where id between #{first} and #{last} order by id""")
    List<ChangeValues> changes(long first, long last);

    @Select("select field_id from change where id between #{first} and #{last} order by id")
    List<Long> changedFields(IdRange range);

    record Conflict(String title, int fields) {}

    @Select("select not exists (select 1 from batch where property_id = #{propertyId} and id > #{id})")
    boolean isLatest(long id, long propertyId);

    @Select("""
            select coalesce(b.title, 'Edits') title, count(*) fields
            from change c left join draft w on w.id = c.field_id
            left join batch b on b.id = w.batch_id
            where c.id between #{range.first} and #{range.last} and w.batch_id is distinct from #{batchId}
            group by b.id, b.title order by max(b.id) desc limit 3""")
    List<Conflict> conflictsOfUndo(@Param("batchId") long batchId, @Param("range") IdRange range);

    @Select("""
            select coalesce(b.title, 'Edits') title, count(*) fields
            from change c left join draft w on w.id = c.field_id
            left join draft_state s on s.field_id = c.field_id
            left join batch b on b.id = w.batch_id
            where c.id between #{range.first} and #{range.last} and w.batch_id is distinct from c.before_batch
                and coalesce(s.state, '') not in ('delivered', 'live')
            group by b.id, b.title order by max(b.id) desc limit 3""")
    List<Conflict> conflictsOfRedo(@Param("range") IdRange range);

    @Select("select exists (select 1 from handover where property_id = #{propertyId})")
    boolean anythingDelivered(long propertyId);

    @Select("""
            select s.handover_id, h.created delivered, count(*) texts
            from change c join draft d on d.id = c.field_id join draft_state s on s.field_id = d.id
            join handover h on h.id = s.handover_id
            where c.id between #{range.first} and #{range.last} and s.state in ('delivered', 'live')
                and d.batch_id = #{batchId}
            group by s.handover_id, h.created order by s.handover_id""")
    List<Batches.Left> deliveredOf(@Param("batchId") long batchId, @Param("range") IdRange range);

    /** Which field a change was of. */
    record ChangeOf(long id, long fieldId) {}

    /** The next changes of batches that stand, from after one batch up to another. */
    @Select("""
            select c.id, c.field_id from change c join batch b on b.id = c.id / 2147483648
            where b.property_id = #{propertyId} and b.state = 'applied' and c.id > #{after} and c.id <= #{last}
            order by c.id limit #{limit}""")
    List<ChangeOf> changesOf(long propertyId, long after, long last, int limit);

    @Select("select id, field_id, before_text, before_state, before_batch, after_text from change "
            + DraftMapper.AMONG_IDS + "id")
    List<ChangeValues> changesById(@Param("ids") Object[] ids);

    /** A past change of an item. */
    record PastLine(
            String title, Batch.State state, Instant created, long fieldId, String beforeText, String afterText) {}

    @Select("""
            select b.title, b.state, b.created, c.field_id, c.before_text, c.after_text
            from change c join batch b on b.id = c.id / 2147483648
            where c.field_id between #{firstField} and #{lastField} order by b.id desc limit 50""")
    List<PastLine> history(long firstField, long lastField);
}
