package lucidsweep.server.gather.imports;

import java.util.List;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
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

    @Lang(ManyRows.class)
    @Insert("insert into demand (columns) values (rows)")
    void insertDemand(List<? extends Record> rows);

    @Lang(ManyRows.class)
    @Insert("merge into demand (columns) key (id) values (rows)")
    void changeDemand(List<? extends Record> rows);

    String DEMAND_COLUMNS =
            "id, property_id, row_hash, address, query, country, from_day, to_day, clicks, impressions, position";

    /** Who ranks for a query. */
    record ResultRow(
            long id,
            long propertyId,
            long rowHash,
            String query,
            double position,
            String address,
            String title,
            String description,
            String looked) {}

    @Lang(ManyRows.class)
    @Insert("insert into result (columns) values (rows)")
    void insertResults(List<? extends Record> rows);

    @Lang(ManyRows.class)
    @Insert("merge into result (columns) key (id) values (rows)")
    void changeResults(List<? extends Record> rows);

    String RESULT_COLUMNS = "id, property_id, row_hash, query, position, address, title, description, looked";

    /** The imports of demand and of results of a property. */
    @Select("select id from sweep where property_id = #{propertyId} and not of_items order by id")
    List<Long> imports(long propertyId);

    String IN_RANGE = " id between #{first} and #{last} ";

    @Select("select coalesce(max(to_day), '') from demand where" + IN_RANGE)
    String lastDay(IdRange range);

    @Select("select exists (select 1 from demand where" + IN_RANGE + "and address <> '' and query <> '')")
    boolean namesItemsAndQueries(IdRange range);

    @Select("select distinct country from demand where" + IN_RANGE)
    List<String> countries(IdRange range);

    String SOME = " where id > #{after} and id <= #{last} order by id limit #{limit}";

    String DEMAND = "select id, address, query, country, from_day, to_day, clicks, impressions, position from demand ";

    @Select(DEMAND + SOME)
    List<Reports.Demand> demand(long after, long last, int limit);

    String RESULT = "select query, position, address, title, description, looked from result ";

    @Select(RESULT + "where id between #{range.first} and #{range.last} and lower(query) = lower(#{query}) order by id")
    List<Reports.Result> looks(IdRange range, String query);

    @Select(RESULT + """
            where id between #{range.first} and #{range.last} and lower(query) <> lower(#{query}) order by id limit #{limit}""")
    List<Reports.Result> resultsOfOthers(IdRange range, String query, int limit);

    @Select("select id, query, position, address, title, description, looked from result" + SOME)
    List<NumberedResult> resultRows(long after, long last, int limit);

    /** A result by its id. */
    record NumberedResult(
            long id, String query, double position, String address, String title, String description, String looked) {

        Reports.Result result() {
            return new Reports.Result(query, position, address, title, description, looked);
        }
    }

    record Stored(long id, long rowHash) {}

    @Select("select id, row_hash from demand" + SOME)
    List<Stored> storedDemand(long after, long last, int limit);

    @Select("select id, row_hash from result" + SOME)
    List<Stored> storedResults(long after, long last, int limit);

    /** Keeps rows as they are before they are changed; the table is "demand" or "result". */
    @Insert("insert into ${table}_before select #{sweepId}, t.* from ${table} t where id = any(#{ids})")
    void keep(@Param("table") String table, @Param("sweepId") long sweepId, @Param("ids") Object[] ids);

    /** How many rows of demand have other figures than before they were changed. */
    @Select("""
            select count(*) from demand d join demand_before b on b.id = d.id and b.sweep_id = #{sweepId}
            where d.id = any(#{ids}) and (d.clicks <> b.clicks or d.impressions <> b.impressions)""")
    int contradicted(@Param("sweepId") long sweepId, @Param("ids") Object[] ids);

    @Select("select id from ${table}_before where sweep_id = #{sweepId} order by id limit #{limit}")
    List<Long> keptSome(String table, long sweepId, int limit);

    @Insert("merge into ${table} (${columns}) key (id) select ${columns} from ${table}_before"
            + " where sweep_id = #{sweepId} and id = any(#{ids})")
    void putBack(
            @Param("table") String table,
            @Param("columns") String columns,
            @Param("sweepId") long sweepId,
            @Param("ids") Object[] ids);

    @Delete("delete from ${table}_before where sweep_id = #{sweepId} and id = any(#{ids})")
    void forgetKept(@Param("table") String table, @Param("sweepId") long sweepId, @Param("ids") Object[] ids);

    /** Removes some of the rows that an import added; returns how many. */
    @Delete("delete from ${table} where id between #{range.first} and #{range.last} limit #{limit}")
    int removeSome(@Param("table") String table, @Param("range") IdRange range, @Param("limit") int limit);
}
