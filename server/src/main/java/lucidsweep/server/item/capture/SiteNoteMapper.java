package lucidsweep.server.item.capture;

import java.util.List;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.DraftMapper;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface SiteNoteMapper {

    /** A page with what is held against the others. */
    record PageOf(
            long id,
            String address,
            String noindexReason,
            String noindexDetail,
            String title,
            String h1,
            String notes) {}

    @Select("""
            select id, address, noindex_reason, noindex_detail, title, h1, notes from item
            where id > #{after} and id <= #{last} and not gone and h1_count >= 0 order by id limit #{limit}""")
    List<PageOf> pages(long after, long last, int limit);

    record AddressOf(long id, String address) {}

    @Select("select id, address from item " + DraftMapper.AMONG_IDS + "id")
    List<AddressOf> addresses(@Param("ids") Object[] ids);

    @Select("""
            select item_id from site_note where item_id between #{first} and #{last}
            and notes like '%indexing in-sitemap%'""")
    List<Long> knownInSitemap(IdRange items);

    @Delete("delete from site_note where item_id between #{first} and #{last}")
    void forget(IdRange items);

    record NoteValues(long itemId, String notes) {}

    @Lang(ManyRows.class)
    @Insert("insert into site_note (columns) values (rows)")
    void insert(List<NoteValues> notes);
}
