package lucidsweep.server.item.capture;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface LastCaptureMapper {

    record Row(long captureId, Long sweepId, String facts, byte[] links, boolean hasSource) {}

    @Select("""
            select i.capture_id, c.sweep_id, c.facts, b.links, s.capture_id is not null has_source
            from item i left join capture c on c.id = i.capture_id left join body b on b.capture_id = c.id
            left join page_markup s on s.capture_id = c.id where i.id = #{itemId}""")
    Row of(long itemId);

    @Select("""
            select i.address from twin t join item i on i.id = t.item_id
            where t.twin_of = #{itemId} and not i.gone order by i.address limit 100""")
    List<String> twins(long itemId);

    record Markup(byte[] markup) {}

    @Select("select s.markup from item i join page_markup s on s.capture_id = i.capture_id where i.id = #{itemId}")
    Markup source(long itemId);
}
