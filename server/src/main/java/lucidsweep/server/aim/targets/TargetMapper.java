package lucidsweep.server.aim.targets;

import java.util.List;
import java.util.Map;
import lucidsweep.server.database.ManyRows;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores what items aim at and what was worked out with it. */
@Mapper
public interface TargetMapper {

    @Select("select id, phrase, volume from keyword where property_id = #{propertyId} and not removed order by id")
    List<Keyword> keywords(long propertyId);

    /** What is worked out of a keyword. */
    record WorkedOut(
            long id,
            String topic,
            String intent,
            String intentReason,
            boolean brand,
            String place,
            long clicks,
            long impressions,
            double position) {}

    @Update("""
            merge into keyword k using (select * from unnest(cast(#{id} as bigint array), cast(#{topic} as varchar array),
                cast(#{intent} as varchar array), cast(#{intentReason} as varchar array),
                cast(#{brand} as boolean array), cast(#{place} as varchar array), cast(#{clicks} as bigint array),
                cast(#{impressions} as bigint array), cast(#{position} as double precision array))
                as u(id, topic, intent, reason, brand, place, clicks, impressions, position)) s on k.id = s.id
            when matched then update set k.topic = case when k.topic_by_hand then k.topic else s.topic end,
                k.intent = case when k.intent_by_hand then k.intent else s.intent end,
                k.intent_reason = case when k.intent_by_hand then k.intent_reason else s.reason end,
                k.brand = s.brand, k.place = s.place, k.clicks = s.clicks, k.impressions = s.impressions,
                k.position = s.position""")
    void setWorkedOut(Map<String, Object[]> rows);

    /** A target that was worked out; what was decided or removed meanwhile goes before it. */
    record NewTarget(long itemId, long propertyId, long keywordId, String role, double score, String reason) {}

    @Insert("""
            insert into target (item_id, property_id, keyword_id, role, by_hand, score, reason)
            select item, property, keyword, u.role, false, score, reason from unnest(cast(#{itemId} as bigint array),
                cast(#{propertyId} as bigint array), cast(#{keywordId} as bigint array), cast(#{role} as varchar array),
                cast(#{score} as double precision array), cast(#{reason} as varchar array))
                as u(item, property, keyword, role, score, reason)
            where exists (select 1 from keyword k where k.id = keyword and not k.removed)
                and not exists (select 1 from target t where u.role = 'primary' and t.primary_of = item)
                and not exists (select 1 from target t where u.role = 'secondary' and t.secondary_keyword = keyword)""")
    void insertTargets(Map<String, Object[]> rows);

    /** Makes what was worked out for keywords a decision. */
    @Update("update target set by_hand = true, reason = left('kept: ' || reason, 1000) where not by_hand"
            + " and property_id = #{propertyId} and keyword_id = any(#{ids})")
    void keepHomes(@Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    /** Makes what was worked out for items a decision. */
    @Update("update target set by_hand = true, reason = left('kept: ' || reason, 1000) where not by_hand"
            + " and property_id = #{propertyId} and item_id = any(#{ids})")
    void keepTargets(@Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    /** A better keyword as it is written. */
    record NewBetter(
            long propertyId, long itemId, String query, String aimed, Worth worth, String youngUntil, String reason) {}

    @Lang(ManyRows.class)
    @Insert("insert into better (columns) values (rows)")
    void insertBetter(List<NewBetter> rows);

    @Delete("delete from better where property_id = #{propertyId}")
    void deleteBetter(long propertyId);

    @Insert("merge into aim_summary (property_id, summary) key (property_id) values (#{propertyId}, #{summary})")
    void setSummary(long propertyId, String summary);

    @Select("select summary from aim_summary where property_id = #{propertyId}")
    String summary(long propertyId);

    @Delete("delete from target where keyword_id = any(#{ids})")
    void deleteTargetsOf(@Param("ids") Object[] ids);

    @Delete("delete from target where property_id = #{propertyId} and not by_hand")
    void deleteWorkedOut(long propertyId);

    /** Frees a keyword for a decision: what was worked out for it goes, and what it is secondary for. */
    @Delete("delete from target where keyword_id = #{keywordId} and (role = 'secondary' or not by_hand)")
    void freeKeyword(long keywordId);

    @Delete("delete from target where item_id = any(#{ids})")
    void deleteTargetsOfItems(@Param("ids") Object[] ids);

    /** Sets what a person decided of items; a keyword of null keeps them without one. */
    @Insert("""
            merge into target t using (select item from unnest(cast(#{ids} as bigint array)) as u(item)) s
            on t.primary_of = s.item
            when matched then update set t.keyword_id = cast(#{keywordId} as bigint), t.by_hand = true, t.score = 0,
                t.reason = #{reason}
            when not matched then insert (item_id, property_id, keyword_id, role, by_hand, score, reason)
            values (s.item, #{propertyId}, cast(#{keywordId} as bigint), 'primary', true, 0, #{reason})""")
    void setTargets(
            @Param("ids") Object[] ids,
            @Param("propertyId") long propertyId,
            @Param("keywordId") Long keywordId,
            @Param("reason") String reason);

    record Primary(long itemId, long keywordId) {}

    @Select("""
            select primary_of item_id, keyword_id from target
            where property_id = #{propertyId} and primary_of is not null and keyword_id is not null""")
    List<Primary> primaries(long propertyId);

    record ByHand(long itemId, Long keywordId, String role) {}

    @Select("select item_id, keyword_id, role from target where property_id = #{propertyId} and by_hand")
    List<ByHand> byHand(long propertyId);

    @Select("select services from place_services where property_id = #{propertyId}")
    String services(long propertyId);

    @Insert("merge into place_services (property_id, services) key (property_id) values (#{propertyId}, #{services})")
    void setServices(long propertyId, String services);

    /** Says that keywords, items or demand of a property changed. */
    @Insert("""
            merge into aim_due d using (values (#{propertyId})) as v(property_id) on d.property_id = v.property_id
            when matched then update set d.changes = d.changes + 1
            when not matched then insert (property_id, changes, done) values (v.property_id, 1, 0)""")
    void setDue(long propertyId);

    /** How often they changed; null where they never did. */
    @Select("select changes from aim_due where property_id = #{propertyId}")
    Long changes(long propertyId);

    @Update("update aim_due set done = greatest(done, #{changes}) where property_id = #{propertyId}")
    void setDone(long propertyId, long changes);

    /** The properties whose last change was not worked out yet. */
    @Select("select property_id from aim_due where done < changes order by property_id")
    List<Long> allDue();

    record TopicByHand(long id, String topic) {}

    @Select("select id, topic from keyword where property_id = #{propertyId} and topic_by_hand and not removed")
    List<TopicByHand> topicsByHand(long propertyId);

    record AddressOf(long id, String address) {}

    @Select("select id, address from item where id = any(#{ids})")
    List<AddressOf> addresses(@Param("ids") Object[] ids);

    /** A keyword of an item as it is stored. */
    record ItemTarget(long keywordId, String phrase, Long volume, String role, boolean byHand, String reason) {}

    @Select("""
            select k.id keyword_id, k.phrase, k.volume, t.role, t.by_hand, t.reason
            from target t join keyword k on k.id = t.keyword_id where t.item_id = #{itemId} and not k.removed
            order by t.role, coalesce(k.volume, 0) desc, k.id""")
    List<ItemTarget> targetsOf(long itemId);

    @Select("""
            select t.item_id, k.phrase, k.volume, t.role = 'primary' "primary", null intent, null place
            from target t join keyword k on k.id = t.keyword_id where t.property_id = #{propertyId} and not k.removed
            order by t.item_id, t.role, k.id""")
    List<ItemKeywords.Aim> aims(long propertyId);

    @Select("""
            select t.item_id, k.phrase, k.volume, t.role = 'primary' "primary", k.intent, k.place
            from target t join keyword k on k.id = t.keyword_id
            where t.item_id between #{first} and #{last} and not k.removed order by t.item_id, t.role, k.id""")
    List<ItemKeywords.Aim> aimsBetween(long first, long last);

    @Select("select count(*) > 0 from keyword where property_id = #{propertyId} and id = #{id} and not removed")
    boolean has(long propertyId, long id);

    @Update("""
            update keyword set topic = #{topic}, topic_by_hand = #{topic} <> ''
            where property_id = #{propertyId} and id = any(#{ids})""")
    void setTopic(@Param("propertyId") long propertyId, @Param("ids") Object[] ids, @Param("topic") String topic);

    @Update("""
            update keyword set intent = #{intent}, intent_by_hand = #{intent} <> '', intent_reason = 'set by hand'
            where property_id = #{propertyId} and id = any(#{ids})""")
    void setIntent(@Param("propertyId") long propertyId, @Param("ids") Object[] ids, @Param("intent") String intent);
}
