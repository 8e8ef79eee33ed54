package lucidsweep.server.aim.keywords;

import java.util.List;
import java.util.Map;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores the keywords of properties. */
@Mapper
interface KeywordRowMapper {

    /** How many keywords a property has. */
    record KeywordCount(long propertyId, long keywords) {}

    @Select("""
            select property_id, count(*) keywords from keyword
            where property_id = any(#{ids}) and not removed group by property_id""")
    List<KeywordCount> counts(@Param("ids") Object[] ids);

    record Key(long id, String phraseKey) {}

    @Select("select id, phrase_key from keyword where property_id = #{propertyId}")
    List<Key> keys(long propertyId);

    /** A new keyword, of which nothing is known yet. */
    record NewRow(long propertyId, String phrase, String key) {}

    @Insert("""
            insert into keyword (property_id, phrase, phrase_key, competition)
            select *, '' from unnest(cast(#{propertyId} as bigint array), cast(#{phrase} as varchar array),
                cast(#{key} as varchar array))""")
    void insertAll(Map<String, Object[]> rows);

    @Update("update keyword set removed = #{removed} where property_id = #{propertyId} and id = any(#{ids})")
    void setRemoved(
            @Param("propertyId") long propertyId, @Param("ids") Object[] ids, @Param("removed") boolean removed);

    /** Puts what was decided of keywords aside. */
    @Insert("""
            insert into removed_target (keyword_id, item_id, property_id, role, score, reason)
            select keyword_id, item_id, property_id, role, score, reason from target
            where by_hand and keyword_id = any(#{ids})""")
    void putTargetsAside(@Param("ids") Object[] ids);

    /** Brings it back, where nothing else was decided meanwhile. */
    @Insert("""
            merge into target t using (select * from removed_target
                where role = 'primary' and property_id = #{propertyId} and keyword_id = any(#{ids})) r
            on t.primary_of = r.item_id
            when matched and not t.by_hand then update set t.keyword_id = r.keyword_id, t.by_hand = true,
                t.score = r.score, t.reason = r.reason
            when not matched then insert (item_id, property_id, keyword_id, role, by_hand, score, reason)
            values (r.item_id, r.property_id, r.keyword_id, r.role, true, r.score, r.reason)""")
    void bringPrimaryBack(@Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    @Insert("""
            insert into target (item_id, property_id, keyword_id, role, by_hand, score, reason)
            select item_id, property_id, keyword_id, role, true, score, reason from removed_target r
            where role = 'secondary' and property_id = #{propertyId} and keyword_id = any(#{ids})
                and not exists (select 1 from target t where t.secondary_keyword = r.keyword_id)""")
    void bringSecondaryBack(@Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    @Delete("delete from removed_target where property_id = #{propertyId} and keyword_id = any(#{ids})")
    void forgetTargetsAside(@Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    /** All keywords of a property with their homes. */
    @Select("""
            select k.*, coalesce(h.items, 0) items, coalesce(r.item_id, s.item_id) item_id, i.address,
                coalesce(r.role, s.role) as role,
                coalesce(r.by_hand, s.by_hand) by_hand, coalesce(r.score, s.score) score,
                coalesce(r.reason, s.reason) reason
            from keyword k left join (
                select r.keyword_id, count(*) items, min(r.item_id) item_id from target r join item i on i.id = r.primary_of
                where r.property_id = #{propertyId} and not i.gone group by r.keyword_id) h on h.keyword_id = k.id
            left join target r on r.primary_of = h.item_id
            left join target s on s.secondary_keyword = k.id and h.item_id is null
            left join item i on i.id = coalesce(r.item_id, s.item_id)
            where k.property_id = #{propertyId} and not k.removed order by k.id""")
    List<KeywordLine> lines(long propertyId);
}
