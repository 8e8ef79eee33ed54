package lucidsweep.server.aim;

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

@Mapper
interface AimMapper {

    @Select("select id, phrase, volume from keyword where property_id = #{propertyId} and not removed order by id")
    List<Keyword> keywords(long propertyId);

    @Select("select count(*) > 0 from keyword where property_id = #{propertyId} and id = #{id} and not removed")
    boolean has(long propertyId, long id);

    @Select("select count(*) from keyword where property_id = #{propertyId} and not removed")
    long count(long propertyId);

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

    @Update("""
            update keyword set topic = #{topic}, topic_by_hand = #{topic} <> ''
            where property_id = #{propertyId} and id = any(#{ids})""")
    void setTopic(@Param("propertyId") long propertyId, @Param("ids") Object[] ids, @Param("topic") String topic);

    @Update("""
            update keyword set intent = #{intent}, intent_by_hand = #{intent} <> '', intent_reason = 'set by hand'
            where property_id = #{propertyId} and id = any(#{ids})""")
    void setIntent(@Param("propertyId") long propertyId, @Param("ids") Object[] ids, @Param("intent") String intent);

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
    record NewTarget(long itemId, long propertyId, long keywordId, double score, String reason) {}

    String NEW_TARGETS = """
            select item, property, keyword, false, score, reason from unnest(cast(#{itemId} as bigint array),
                cast(#{propertyId} as bigint array), cast(#{keywordId} as bigint array),
                cast(#{score} as double precision array), cast(#{reason} as varchar array))
                as u(item, property, keyword, score, reason)
            where exists (select 1 from keyword k where k.id = keyword and not k.removed)
            """;

    @Insert("insert into target (item_id, property_id, keyword_id, by_hand, score, reason) " + NEW_TARGETS
            + "and not exists (select 1 from target t where t.item_id = item)")
    void insertTargets(Map<String, Object[]> rows);

    @Insert("insert into second_target (item_id, property_id, keyword_id, by_hand, score, reason) " + NEW_TARGETS
            + "and not exists (select 1 from second_target t where t.keyword_id = keyword)")
    void insertSecondTargets(Map<String, Object[]> rows);

    @Delete("delete from second_target where property_id = #{propertyId} and not by_hand")
    void deleteSecondWorkedOut(long propertyId);

    @Delete("delete from second_target where keyword_id = any(#{ids})")
    void deleteSecondTargetsOf(@Param("ids") Object[] ids);

    @Delete("delete from second_target where item_id = any(#{ids})")
    void deleteSecondTargetsOfItems(@Param("ids") Object[] ids);

    /** Makes what was worked out a decision; the table is "target" or "second_target". */
    @Update("update ${table} set by_hand = true, reason = left('kept: ' || reason, 1000) where not by_hand"
            + " and property_id = #{propertyId} and keyword_id = any(#{ids})")
    void keepHomes(@Param("table") String table, @Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    @Update("update ${table} set by_hand = true, reason = left('kept: ' || reason, 1000) where not by_hand"
            + " and property_id = #{propertyId} and item_id = any(#{ids})")
    void keepTargets(@Param("table") String table, @Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    /** A better keyword as it is written. */
    record NewBetter(
            long propertyId,
            long itemId,
            String query,
            String aimed,
            double shown,
            double position,
            double positionBefore,
            double volume,
            double reachable,
            double rateNow,
            double rateReachable,
            double relevance,
            double gain,
            String youngUntil,
            String reason) {}

    @Lang(ManyRows.class)
    @Insert("insert into better (columns) values (rows)")
    void insertBetter(List<NewBetter> rows);

    @Delete("delete from better where property_id = #{propertyId}")
    void deleteBetter(long propertyId);

    String BETTER = """
            from better b join item i on i.id = b.item_id
            where b.property_id = #{propertyId} and not i.gone and (b.young_until <> '') = #{young}
                and not exists (select 1 from better_refused r where r.item_id = b.item_id and r.query = b.query) """;

    @Select("select b.*, i.address " + BETTER + "order by b.gain desc, b.id limit #{count} offset #{from}")
    List<BetterRow> better(long propertyId, boolean young, int from, int count);

    @Select("select count(*) " + BETTER)
    long countBetter(long propertyId, boolean young);

    @Select("""
            select b.*, i.address from better b join item i on i.id = b.item_id
            where b.property_id = #{propertyId} and b.id = any(#{ids}) order by b.gain desc, b.id""")
    List<BetterRow> betterOf(@Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    @Insert("merge into better_refused (item_id, query) key (item_id, query) values (#{itemId}, #{query})")
    void refuse(long itemId, String query);

    @Insert("merge into aim_summary (property_id, summary) key (property_id) values (#{propertyId}, #{summary})")
    void setSummary(long propertyId, String summary);

    @Select("select summary from aim_summary where property_id = #{propertyId}")
    String summary(long propertyId);

    @Update("update keyword set removed = #{removed} where property_id = #{propertyId} and id = any(#{ids})")
    void setRemoved(
            @Param("propertyId") long propertyId, @Param("ids") Object[] ids, @Param("removed") boolean removed);

    /** Puts what was decided of keywords aside. */
    @Insert("""
            insert into removed_target (keyword_id, item_id, property_id, is_primary, score, reason)
            select keyword_id, item_id, property_id, true, score, reason from target
            where by_hand and keyword_id = any(#{ids})
            union all select keyword_id, item_id, property_id, false, score, reason from second_target
            where by_hand and keyword_id = any(#{ids})""")
    void putTargetsAside(@Param("ids") Object[] ids);

    /** Brings it back, where nothing else was decided meanwhile. */
    @Insert("""
            merge into target t using (select * from removed_target
                where is_primary and property_id = #{propertyId} and keyword_id = any(#{ids})) r
            on t.item_id = r.item_id
            when matched and not t.by_hand then update set t.keyword_id = r.keyword_id, t.by_hand = true,
                t.score = r.score, t.reason = r.reason
            when not matched then insert (item_id, property_id, keyword_id, by_hand, score, reason)
            values (r.item_id, r.property_id, r.keyword_id, true, r.score, r.reason)""")
    void bringTargetsBack(@Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    @Insert("""
            insert into second_target (keyword_id, item_id, property_id, by_hand, score, reason)
            select keyword_id, item_id, property_id, true, score, reason from removed_target r
            where not is_primary and property_id = #{propertyId} and keyword_id = any(#{ids})
                and not exists (select 1 from second_target s where s.keyword_id = r.keyword_id)""")
    void bringSecondTargetsBack(@Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    @Delete("delete from removed_target where property_id = #{propertyId} and keyword_id = any(#{ids})")
    void forgetTargetsAside(@Param("propertyId") long propertyId, @Param("ids") Object[] ids);

    @Delete("delete from target where keyword_id = any(#{ids})")
    void deleteTargetsOf(@Param("ids") Object[] ids);

    @Delete("delete from target where property_id = #{propertyId} and not by_hand")
    void deleteWorkedOut(long propertyId);

    @Delete("delete from target where keyword_id = #{keywordId} and not by_hand")
    void deleteWorkedOutOf(long keywordId);

    @Delete("delete from target where item_id = any(#{ids})")
    void deleteTargetsOfItems(@Param("ids") Object[] ids);

    /** Sets what a person decided of items; a keyword of null keeps them without one. */
    @Insert("""
            merge into target (item_id, property_id, keyword_id, by_hand, score, reason) key (item_id)
            select item, #{propertyId}, cast(#{keywordId} as bigint), true, 0, #{reason}
            from unnest(cast(#{ids} as bigint array)) as u(item)""")
    void setTargets(
            @Param("ids") Object[] ids,
            @Param("propertyId") long propertyId,
            @Param("keywordId") Long keywordId,
            @Param("reason") String reason);

    record ByHand(long itemId, Long keywordId, boolean first) {}

    @Select("""
            select item_id, keyword_id, true as first from target where property_id = #{propertyId} and by_hand
            union all
            select item_id, keyword_id, false from second_target where property_id = #{propertyId} and by_hand""")
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
            select k.id keyword_id, k.phrase, k.volume, t.role, t.by_hand, t.reason from (
                select keyword_id, by_hand, reason, 'primary' as role, 0 as rank from target where item_id = #{itemId}
                union all
                select keyword_id, by_hand, reason, 'secondary', 1 from second_target where item_id = #{itemId}) t
            join keyword k on k.id = t.keyword_id where not k.removed
            order by t.rank, coalesce(k.volume, 0) desc, k.id""")
    List<ItemTarget> targetsOf(long itemId);

    /** All keywords of a property with their homes. */
    @Select("""
            select k.*, coalesce(h.items, 0) items, coalesce(r.item_id, s.item_id) item_id, i.address,
                case when r.item_id is not null then 'primary' when s.item_id is not null then 'secondary' end as role,
                coalesce(r.by_hand, s.by_hand) by_hand, coalesce(r.score, s.score) score,
                coalesce(r.reason, s.reason) reason
            from keyword k left join (
                select r.keyword_id, count(*) items, min(r.item_id) item_id from target r join item i on i.id = r.item_id
                where r.property_id = #{propertyId} and not i.gone group by r.keyword_id) h on h.keyword_id = k.id
            left join target r on r.item_id = h.item_id
            left join second_target s on s.keyword_id = k.id and h.item_id is null
            left join item i on i.id = coalesce(r.item_id, s.item_id)
            where k.property_id = #{propertyId} and not k.removed order by k.id""")
    List<KeywordLine> lines(long propertyId);
}
