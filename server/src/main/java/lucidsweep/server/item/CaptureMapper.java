package lucidsweep.server.item;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Writes what sweeps see. */
@Mapper
interface CaptureMapper {

    final class Key {
        long id;
    }

    record Known(long id, long captureId, long hash) {}

    @Select("""
            select i.id, i.capture_id, c.hash from item i join capture c on c.id = i.capture_id
            where i.property_id = #{propertyId} and i.address_hash = #{addressHash}""")
    Known find(long propertyId, long addressHash);

    @Insert("""
            insert into item (property_id, address, address_hash, section, status, content_type, obstacle, h1, h1_count,
                canonical, robots, language, opening, price, depth, capture_id, first_sweep, last_sweep)
            values (#{i.propertyId}, #{i.address}, #{hash}, #{i.section}, #{i.status}, #{i.contentType}, #{i.obstacle},
                #{i.h1}, #{i.h1Count}, #{i.canonical}, #{i.robots}, #{i.language}, #{i.opening}, #{i.price}, #{i.depth}, #{captureId},
                #{i.sweepId}, #{i.sweepId})""")
    @Options(useGeneratedKeys = true, keyProperty = "key.id", keyColumn = "id")
    void insert(
            @Param("key") Key key,
            @Param("i") CapturedItem item,
            @Param("hash") long hash,
            @Param("captureId") long captureId);

    @Update("""
            update item set section = #{i.section}, status = #{i.status}, content_type = #{i.contentType},
                obstacle = #{i.obstacle}, h1 = #{i.h1}, h1_count = #{i.h1Count}, canonical = #{i.canonical},
                robots = #{i.robots}, language = #{i.language}, opening = #{i.opening}, price = #{i.price}, depth = #{i.depth},
                last_sweep = #{i.sweepId}, gone = false, capture_id = #{captureId}
            where id = #{id}""")
    void update(@Param("id") long id, @Param("i") CapturedItem item, @Param("captureId") long captureId);

    @Update("update item set last_sweep = #{sweepId}, gone = false where id = #{id}")
    void seen(long id, long sweepId);

    @Select("select next value for capture_block")
    Long nextCaptureBlock();

    @Insert("""
            insert into capture (id, item_id, sweep_id, hash, facts)
            values (#{id}, #{itemId}, #{sweepId}, #{hash}, #{facts})""")
    void insertCapture(long id, long itemId, long sweepId, long hash, String facts);

    @Insert("insert into body (capture_id, copy, links) values (#{captureId}, #{copy}, #{links})")
    void insertBody(long captureId, byte[] copy, byte[] links);

    @Insert("""
            insert into field (id, item_id, name, property_id, captured_count, captured, px, chars, alike)
            values (#{id}, #{itemId}, #{t.name}, #{propertyId}, #{t.count}, #{t.text}, #{m.px}, #{m.chars}, #{m.alike})""")
    void insertField(
            @Param("id") long id,
            @Param("itemId") long itemId,
            @Param("propertyId") long propertyId,
            @Param("t") CapturedItem.Text text,
            @Param("m") TextMeasure measure);

    @Update("""
            update field set captured_count = #{t.count}, captured = #{t.text},
                px = case when draft is null then #{m.px} else px end,
                chars = case when draft is null then #{m.chars} else chars end,
                alike = case when draft is null then #{m.alike} else alike end
            where id = #{id}""")
    int updateField(@Param("id") long id, @Param("t") CapturedItem.Text text, @Param("m") TextMeasure measure);

    @Update("update item set gone = true where property_id = #{propertyId} and last_sweep <> #{sweepId} and not gone")
    int markGone(long propertyId, long sweepId);

    record Links(long itemId, long addressHash, String address, byte[] links) {}

    @Select("""
            select i.id item_id, i.address_hash, i.address, b.links from item i join body b on b.capture_id = i.capture_id
            where i.property_id = #{propertyId} and not i.gone and i.id > #{after} order by i.property_id, i.id limit #{limit}""")
    List<Links> links(long propertyId, long after, int limit);

    @Update("update item set links_in = #{linksIn}, link_texts = #{linkTexts}, depth = #{depth} where id = #{id}")
    void setLinks(long id, int linksIn, String linkTexts, int depth);
}
