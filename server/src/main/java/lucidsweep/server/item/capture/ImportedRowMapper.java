package lucidsweep.server.item.capture;

import java.util.List;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface ImportedRowMapper {

    /** Rows in one; its id is that of the first. */
    record Pack(long id, int size, byte[] packed) {}

    @Lang(ManyRows.class)
    @Insert("insert into imported_rows (columns) values (rows)")
    void insert(List<Pack> packs);

    @Select("select * from imported_rows where id between #{first} and #{last} order by id limit #{limit}")
    List<Pack> between(long first, long last, int limit);

    /** All packs of groups of rows, which are told by the ids of their first rows. */
    @Select("""
            select p.id, p.size, p.packed from unnest(cast(#{firsts} as bigint array)) g (id)
            join imported_rows p on p.id >= g.id and p.id < g.id + #{rows}""")
    List<Pack> ofGroups(@Param("firsts") Object[] firsts, @Param("rows") int rows);

    @Select("select coalesce(sum(size), 0) from imported_rows where id between #{range.first} and #{range.last}")
    int count(@Param("range") IdRange range);

    @Delete("delete from imported_rows where id between #{range.first} and #{range.last}")
    void forget(@Param("range") IdRange range);
}
