package lucidsweep.server.rewrite.blocks;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface TextBlockMapper {

    /** @param earlier what the block said before, as a JSON list */
    record Line(
            long id,
            String name,
            TextBlock.Kind kind,
            String language,
            String text,
            String earlier,
            Integer place,
            boolean gone) {

        TextBlock block() {
            return new TextBlock(id, name, kind, language, text, place);
        }
    }

    @Select("""
            select id, name, kind, language, text, earlier, place, gone from text_block where property_id = #{propertyId}
            order by case when place is null then 1 else 0 end, place, id""")
    List<Line> ofProperty(long propertyId);

    @Insert("""
            insert into text_block (property_id, name, kind, language, text, place)
            values (#{propertyId}, #{name}, #{kind}, #{language}, #{text}, #{place})""")
    void insert(long propertyId, String name, TextBlock.Kind kind, String language, String text, int place);

    @Update("""
            update text_block set name = #{name}, kind = #{kind}, language = #{language}, text = #{text},
                earlier = #{earlier} where id = #{id}""")
    void update(long id, String name, TextBlock.Kind kind, String language, String text, String earlier);

    @Update("update text_block set gone = true, place = null where id = #{id}")
    void remove(long id);

    @Update("update text_block set place = #{place} where id = #{id}")
    void setPlace(long id, Integer place);

    @Select("""
            select description, keywords, max_chars, max_keyword_chars from channel_text
            where property_id = #{propertyId}""")
    ChannelText channel(long propertyId);

    @Insert("""
            merge into channel_text (property_id, description, keywords, max_chars, max_keyword_chars) key (property_id)
            values (#{propertyId}, #{text.description}, #{text.keywords}, #{text.maxChars}, #{text.maxKeywordChars})""")
    void setChannel(long propertyId, ChannelText text);
}
