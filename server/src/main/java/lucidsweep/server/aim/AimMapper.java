package lucidsweep.server.aim;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface AimMapper {

    @Select("select id, phrase, volume from keyword where property_id = #{propertyId} order by id")
    List<Keyword> keywords(long propertyId);

    @Select("select id from keyword where property_id = #{propertyId} and phrase_key = #{key}")
    Long find(long propertyId, String key);

    @Insert("""
            insert into keyword (property_id, phrase, phrase_key, volume, competition)
            values (#{propertyId}, #{phrase}, #{key}, #{volume}, #{competition})""")
    void insert(long propertyId, String phrase, String key, Long volume, String competition);

    @Update("""
            update keyword set volume = coalesce(#{volume}, volume),
                competition = case when #{competition} = '' then competition else #{competition} end where id = #{id}""")
    void update(long id, Long volume, String competition);

    @Delete("delete from keyword where id = #{id}")
    void delete(long id);

    @Delete("delete from target where keyword_id = #{id}")
    void deleteTargetsOf(long id);

    @Delete("delete from target where property_id = #{propertyId} and not by_hand")
    void deleteWorkedOut(long propertyId);

    @Delete("delete from target where keyword_id = #{keywordId} and not by_hand")
    void deleteWorkedOutOf(long keywordId);

    @Delete("delete from target where item_id = #{itemId}")
    void deleteTarget(long itemId);

    @Insert("""
            merge into target (item_id, property_id, keyword_id, by_hand, score, reason) key (item_id)
            values (#{itemId}, #{propertyId}, #{keywordId}, #{byHand}, #{score}, #{reason})""")
    void setTarget(
            @Param("itemId") long itemId,
            @Param("propertyId") long propertyId,
            @Param("keywordId") Long keywordId,
            @Param("byHand") boolean byHand,
            @Param("score") double score,
            @Param("reason") String reason);

    record ByHand(long itemId, Long keywordId) {}

    @Select("select item_id, keyword_id from target where property_id = #{propertyId} and by_hand")
    List<ByHand> byHand(long propertyId);

    String ROWS = """
            from keyword k left join (
                select r.keyword_id, count(*) items, min(r.item_id) item_id from target r join item i on i.id = r.item_id
                where r.property_id = #{propertyId} and not i.gone group by r.keyword_id) h on h.keyword_id = k.id
            left join target r on r.item_id = h.item_id
            left join item i on i.id = h.item_id
            where k.property_id = #{propertyId}
            <if test="q != null">and k.phrase ilike #{q} escape '\\'</if>
            <if test="home == 'with'">and h.items is not null</if>
            <if test="home == 'without'">and h.items is null</if>
            """;

    @Select("""
            <script>select k.id, k.phrase, k.volume, k.competition, coalesce(h.items, 0) items, h.item_id, i.address,
                r.by_hand, r.score, r.reason
            """ + ROWS + """
            order by
            <choose>
                <when test="sort == 'phrase'">k.phrase</when>
                <when test="sort == 'address'">i.address</when>
                <otherwise>k.volume</otherwise>
            </choose>
            <if test="descending">desc</if> nulls last, k.id limit #{count} offset #{from}</script>""")
    List<KeywordRow> rows(
            @Param("propertyId") long propertyId,
            @Param("q") String q,
            @Param("home") String home,
            @Param("sort") String sort,
            @Param("descending") boolean descending,
            @Param("from") int from,
            @Param("count") int count);

    @Select("<script>select count(*) " + ROWS + "</script>")
    long count(@Param("propertyId") long propertyId, @Param("q") String q, @Param("home") String home);
}
