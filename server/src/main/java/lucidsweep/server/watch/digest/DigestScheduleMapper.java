package lucidsweep.server.watch.digest;

import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.server.gather.schedule.Plans;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Stores to whom the digests of clients go, and when next. */
@Mapper
interface DigestScheduleMapper extends Plans {

    /**
     * To whom a digest goes.
     *
     * @param problem why it could not be sent the last time; null where it was
     */
    record Recipient(String recipient, @Nullable String problem) {}

    @Select("select recipient, problem from digest_schedule where client_id = #{clientId}")
    Recipient recipient(long clientId);

    @Insert("""
            merge into digest_schedule (client_id, recipient, every, next_day, problem) key (client_id)
            values (#{clientId}, #{recipient}, #{every}, #{nextDay}, null)""")
    void plan(long clientId, String recipient, String every, String nextDay);

    @Update("update digest_schedule set problem = #{problem} where client_id = #{clientId}")
    void setProblem(long clientId, @Nullable String problem);

    @Override
    @Select("select client_id id, every, next_day from digest_schedule where client_id = #{id}")
    Plan of(long id);

    @Override
    @Select("""
            select s.client_id id, s.every, s.next_day from digest_schedule s join client c on c.id = s.client_id
            where s.next_day <= #{day} and c.removed is null order by s.client_id""")
    List<Plan> due(String day);

    @Override
    @Update("update digest_schedule set every = #{every}, next_day = #{nextDay} where client_id = #{id}")
    void set(Plan plan);

    @Override
    @Delete("delete from digest_schedule where client_id = #{id}")
    void remove(long id);
}
