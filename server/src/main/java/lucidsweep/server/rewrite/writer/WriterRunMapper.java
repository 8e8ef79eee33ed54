package lucidsweep.server.rewrite.writer;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores runs of the writer, so that they go on after a kill. */
@Mapper
interface WriterRunMapper {

    /**
     * A run.
     *
     * @param ceiling the most that it may cost; null for no limit
     * @param underWay whether it shall go on by itself
     */
    record Line(long jobId, long propertyId, Double ceiling, double spent, boolean underWay) {}

    @Insert("""
            insert into writer_run (job_id, property_id, ceiling, spent, under_way)
            values (#{jobId}, #{propertyId}, #{ceiling}, #{spent}, #{underWay})""")
    void insert(Line line);

    @Select("select * from writer_run where job_id = #{jobId}")
    Line find(long jobId);

    @Select("select * from writer_run where under_way")
    List<Line> underWay();

    /** The last run of a property that has cells left which wait. */
    @Select("""
            select r.* from writer_run r where r.property_id = #{propertyId}
            and exists (select 1 from writer_cell c where c.job_id = r.job_id and c.state = 'waiting')
            order by r.job_id desc limit 1""")
    Line unfinished(long propertyId);

    @Update("update writer_run set under_way = #{underWay} where job_id = #{jobId}")
    void setUnderWay(long jobId, boolean underWay);

    @Update("update writer_run set ceiling = #{ceiling} where job_id = #{jobId}")
    void setCeiling(long jobId, Double ceiling);

    @Update("update writer_run set spent = spent + #{cost} where job_id = #{jobId}")
    void spend(long jobId, double cost);
}
