package lucidsweep.server.triage;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface CauseNoteMapper {

    @Select("""
            select property_id, field, check_code "check", shared, section, trait, name, merged, aside, reason, until_month
            from cause_note where property_id = #{propertyId}""")
    List<CauseNote> ofProperty(long propertyId);

    @Delete("""
            delete from cause_note where property_id = #{propertyId} and field = #{cause.field}
            and check_code = #{cause.check} and shared = #{cause.shared} and section = #{cause.section}
            and trait = #{cause.trait}""")
    void remove(CauseNote note);

    @Insert("""
            insert into cause_note (property_id, field, check_code, shared, section, trait, name, merged, aside, reason,
                until_month)
            values (#{propertyId}, #{cause.field}, #{cause.check}, #{cause.shared}, #{cause.section}, #{cause.trait}, #{name},
                #{merged}, #{aside}, #{reason}, #{untilMonth})""")
    void insert(CauseNote note);
}
