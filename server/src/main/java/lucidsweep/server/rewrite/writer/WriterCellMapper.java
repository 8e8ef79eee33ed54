package lucidsweep.server.rewrite.writer;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores what was answered for each item, what still waits, and what was paid for. */
@Mapper
interface WriterCellMapper {

    /**
     * A cell.
     *
     * @param answer null where there is none yet
     * @param problems of a failed one, as JSON; null else
     * @param asked how many answers were looked at, retried how often the service had to be asked again
     */
    record Line(
            long columnId,
            long itemId,
            CellState state,
            String answer,
            String problems,
            int asked,
            int retried,
            double cost) {}

    /** Makes cells wait for a run; what was answered before stays until then. */
    @Update("""
            merge into writer_cell c using (select * from unnest(cast(#{ids} as bigint array)) as u(item)) s
                on c.column_id = #{columnId} and c.item_id = s.item
            when matched then update set state = 'waiting', job_id = #{jobId}
            when not matched then insert (column_id, item_id, state, job_id) values (#{columnId}, s.item, 'waiting', #{jobId})""")
    void await(long columnId, long jobId, @Param("ids") Object[] ids);

    @Select("select count(*) from writer_cell where job_id = #{jobId} and state = 'waiting'")
    long countWaiting(long jobId);

    @Select("""
            select distinct item_id from writer_cell
            where job_id = #{jobId} and item_id > #{after} and state = 'waiting' order by item_id limit #{limit}""")
    List<Long> waitingItems(long jobId, long after, int limit);

    String CELLS = """
            select c.column_id, c.item_id, c.state, c.answer, c.problem as problems, c.asked, c.retried, c.cost
            from writer_cell c join writer_column w on w.id = c.column_id
            """;

    @Select(CELLS + """
            join unnest(cast(#{ids} as bigint array)) as u(item) on c.item_id = u.item
            where w.property_id = #{propertyId} order by c.item_id, c.column_id""")
    List<Line> cells(long propertyId, @Param("ids") Object[] ids);

    @Select(CELLS + "where c.column_id = #{columnId} and c.item_id = #{itemId}")
    Line cell(long columnId, long itemId);

    @Update("""
            update writer_cell set state = #{state}, job_id = null, answer = #{answer}, problem = #{problems},
                asked = #{asked}, retried = #{retried}, cost = cost + #{cost}
            where column_id = #{columnId} and item_id = #{itemId}""")
    void set(Line line);

    /** Cells that nobody waits for any more are as before: with their answer, or not there. */
    @Delete("delete from writer_cell where job_id = #{jobId} and state = 'waiting' and answer is null")
    void deleteWaiting(long jobId);

    @Update("""
            update writer_cell set job_id = null, state = case when problem is null then 'done' else 'failed' end
            where job_id = #{jobId} and state = 'waiting'""")
    void endWaiting(long jobId);

    String FOR_NONE =
            " where state = 'waiting' and not exists (select 1 from writer_run r where r.job_id = writer_cell.job_id)";

    @Delete("delete from writer_cell" + FOR_NONE + " and answer is null")
    void deleteWaitingForNone();

    @Update("update writer_cell set job_id = null, state = case when problem is null then 'done' else 'failed' end"
            + FOR_NONE)
    void endWaitingForNone();

    /** How many cells of a column are in a state, and what they cost. */
    record Count(long columnId, CellState state, int cells, double cost) {}

    @Select("""
            select c.column_id, c.state, count(*) as cells, sum(c.cost) as cost
            from writer_cell c join writer_column w on w.id = c.column_id
            where w.property_id = #{propertyId} group by c.column_id, c.state""")
    List<Count> counts(long propertyId);

    @Select("""
            select item_id from writer_cell where column_id = #{columnId} and state = #{state} order by item_id""")
    List<Long> items(long columnId, CellState state);

    /** An answer that was paid for. */
    record Paid(String answer, int tokensIn, int tokensOut) {}

    @Select("select answer, tokens_in, tokens_out from writer_answer where request = #{request}")
    Paid paid(byte[] request);

    @Insert("""
            merge into writer_answer (request, property_id, answer, tokens_in, tokens_out) key (request)
            values (#{request}, #{propertyId}, #{paid.answer}, #{paid.tokensIn}, #{paid.tokensOut})""")
    void pay(byte[] request, long propertyId, Paid paid);
}
