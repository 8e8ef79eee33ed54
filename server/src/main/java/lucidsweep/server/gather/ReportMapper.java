package lucidsweep.server.gather;

import java.util.List;
import java.util.Map;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Writes what search engines report, many rows at a time. */
@Mapper
interface ReportMapper {

    /** What a search engine reports of an item, a query, a country and a period. */
    record DemandRow(
            long id,
            long propertyId,
            long rowHash,
            String address,
            String query,
            String country,
            String fromDay,
            String toDay,
            long clicks,
            long impressions,
            Double position) {}

    @Insert("""
            insert into demand (id, property_id, row_hash, address, query, country, from_day, to_day, clicks,
                impressions, position)
            select * from unnest(cast(#{id} as bigint array), cast(#{propertyId} as bigint array),
                cast(#{rowHash} as bigint array), cast(#{address} as varchar array), cast(#{query} as varchar array),
                cast(#{country} as varchar array), cast(#{fromDay} as varchar array), cast(#{toDay} as varchar array),
                cast(#{clicks} as bigint array), cast(#{impressions} as bigint array),
                cast(#{position} as double precision array))""")
    void insertDemand(Map<String, Object[]> rows);

    /** Who ranks for a query. */
    record ResultRow(
            long id,
            long propertyId,
            long rowHash,
            String query,
            double position,
            String address,
            String title,
            String description) {}

    @Insert("""
            insert into result (id, property_id, row_hash, query, position, address, title, description)
            select * from unnest(cast(#{id} as bigint array), cast(#{propertyId} as bigint array),
                cast(#{rowHash} as bigint array), cast(#{query} as varchar array),
                cast(#{position} as double precision array), cast(#{address} as varchar array),
                cast(#{title} as varchar array), cast(#{description} as varchar array))""")
    void insertResults(Map<String, Object[]> rows);

    record Stored(long id, long rowHash) {}

    @Select(
            "select id, row_hash from demand where property_id = #{propertyId} and id > #{after} order by id limit #{limit}")
    List<Stored> demandAfter(long propertyId, long after, int limit);

    @Select(
            "select id, row_hash from result where property_id = #{propertyId} and id > #{after} order by id limit #{limit}")
    List<Stored> resultsAfter(long propertyId, long after, int limit);

    @Delete("delete from demand where id = any(#{ids})")
    void deleteDemand(@Param("ids") Object[] ids);

    @Delete("delete from result where id = any(#{ids})")
    void deleteResults(@Param("ids") Object[] ids);
}
