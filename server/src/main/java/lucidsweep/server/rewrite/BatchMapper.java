package lucidsweep.server.rewrite;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.FieldLine;
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
            insert into batch (property_id, title, state, under_way, items, created)
            values (#{propertyId}, #{title}, 'applied', true, 0, now())""")
    @Options(useGeneratedKeys = true, keyProperty = "key.id", keyColumn = "id")
    void insert(@Param("key") Key key, @Param("propertyId") long propertyId, @Param("title") String title);

    @Delete("delete from batch where id = #{id}")
    void delete(long id);

    @Update("""
            update batch set state = #{state}, under_way = true, undone = case when #{state} = 'undone' then now() end
            where id = #{id}""")
    void beginTurn(long id, String state);

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

    @Insert("""
            insert into change (id, field_id, before_text, before_state, before_batch, after_text)
            select * from unnest(
                cast(#{id} as bigint array), cast(#{fieldId} as bigint array), cast(#{beforeText} as varchar array),
                cast(#{beforeState} as varchar array), cast(#{beforeBatch} as bigint array),
                cast(#{afterText} as varchar array))""")
    void insertChanges(Map<String, Object[]> changes);

    @Select("select count(*) from change where id between #{first} and #{last}")
    int countChanges(IdRange range);

    @Delete("delete from change where id between #{first} and #{last}")
    void deleteChanges(IdRange range);

    /** A change and the field as it is now. */
    record Changed(
            long id,
            String beforeText,
            String beforeState,
            Long beforeBatch,
            String afterText,
            long itemId,
            String field,
            String captured,
            int count,
            String draft,
            String state,
            Long batchId,
            String kept,
            long alike) {

        FieldLine line() {
            return new FieldLine(itemId, field, captured, count, draft, state, batchId, kept, alike);
        }
    }

    @Select("""
            select c.id, c.before_text, c.before_state, c.before_batch, c.after_text, f.item_id, f.name field, f.captured,
                f.captured_count count, f.draft, f.state, f.batch_id, f.kept, f.alike
            from change c join field f on f.id = c.field_id
            where c.id between #{first} and #{last} order by c.id""")
    List<Changed> changes(long first, long last);

    record Conflict(String title, int fields) {}

    @Select("""
            select coalesce(b.title, 'Edits') title, count(*) fields
            from change c join field f on f.id = c.field_id
            left join batch b on b.id = f.batch_id
            where c.id between #{range.first} and #{range.last} and f.batch_id is distinct from #{batchId}
            group by b.id, b.title order by max(b.id) desc limit 3""")
    List<Conflict> conflictsOfUndo(@Param("batchId") long batchId, @Param("range") IdRange range);

    @Select("""
            select coalesce(b.title, 'Edits') title, count(*) fields
            from change c join field f on f.id = c.field_id
            left join batch b on b.id = f.batch_id
            where c.id between #{range.first} and #{range.last} and f.batch_id is distinct from c.before_batch
            group by b.id, b.title order by max(b.id) desc limit 3""")
    List<Conflict> conflictsOfRedo(@Param("range") IdRange range);

    /** A past change of an item. */
    record Past(String title, String state, Instant created, String field, String beforeText, String afterText) {}

    @Select("""
            select b.title, b.state, b.created, f.name field, c.before_text, c.after_text
            from change c join batch b on b.id = c.id / 2147483648 join field f on f.id = c.field_id
            where c.field_id between #{firstField} and #{lastField} order by b.id desc limit 50""")
    List<Past> history(long firstField, long lastField);
}
