package lucidsweep.server.aim.ideas;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Reads better keywords, and stores which are not wanted. */
@Mapper
interface BetterMapper {

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
}
