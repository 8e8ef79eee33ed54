package lucidsweep.server.rewrite.writer;

import java.util.List;
import lucidsweep.core.item.Field;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores what the writer is asked. */
@Mapper
interface WriterColumnMapper {

    /** A column as it is stored: inputs by their codes, the columns before it by their names, one a line. */
    final class Line {
        long id;
        long propertyId;
        String name;
        Field makes;
        String words;
        String inputs;
        String afterNames;
        int maxChars;
        int place;
    }

    @Select("""
            select id, property_id, name, makes, words, inputs, after_names, max_chars, place
            from writer_column where property_id = #{propertyId} order by place, id""")
    List<Line> ofProperty(long propertyId);

    @Insert("""
            insert into writer_column (property_id, name, makes, words, inputs, after_names, max_chars, place)
            values (#{propertyId}, #{name}, #{makes}, #{words}, #{inputs}, #{afterNames}, #{maxChars}, #{place})""")
    @Options(useGeneratedKeys = true, keyProperty = "id")
    void insert(Line line);

    @Update("""
            update writer_column set name = #{name}, makes = #{makes}, words = #{words}, inputs = #{inputs},
                after_names = #{afterNames}, max_chars = #{maxChars} where id = #{id}""")
    void update(Line line);

    @Delete("delete from writer_column where property_id = #{propertyId} and id = #{id}")
    int delete(long propertyId, long id);
}
