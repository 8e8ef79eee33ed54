package lucidsweep.server.job;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface JobMapper {

    final class NewJob {
        long id;
        final Long propertyId;
        final String kind;
        final String title;

        NewJob(Long propertyId, String kind, String title) {
            this.propertyId = propertyId;
            this.kind = kind;
            this.title = title;
        }
    }

    @Insert("""
            insert into job (property_id, kind, title, state, started)
            values (#{propertyId}, #{kind}, #{title}, 'running', now())""")
    @Options(useGeneratedKeys = true, keyProperty = "id")
    void insert(NewJob job);

    @Select("select * from job where id = #{id}")
    Job find(long id);

    @Select("select * from job where property_id = #{propertyId} order by id desc limit 20")
    List<Job> ofProperty(long propertyId);

    @Select("select * from job where property_id is null order by id desc limit 20")
    List<Job> ofNoProperty();

    @Update("update job set done = #{done}, total = #{total}, note = #{note} where id = #{id}")
    void progress(long id, long done, long total, String note);

    @Update("update job set state = #{state}, note = #{note}, ended = now() where id = #{id}")
    void end(long id, JobState state, String note);

    @Update("update job set state = 'running', ended = null where id = #{id}")
    void reopen(long id);

    @Update("""
            update job set state = 'failed', ended = now(), note = 'The application ended before this did; nothing was half done.'
            where state = 'running'
                and (kind <> 'crawl' or not exists (select 1 from sweep s where s.job_id = job.id and s.state = 'running'))
                and (kind <> 'push' or not exists (select 1 from push p where p.job_id = job.id and p.under_way))
                and (kind <> 'writer' or not exists (select 1 from writer_run r where r.job_id = job.id and r.under_way))""")
    void failUnfinished();
}
