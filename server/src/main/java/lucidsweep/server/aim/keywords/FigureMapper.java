package lucidsweep.server.aim.keywords;

import java.util.List;
import java.util.Map;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface FigureMapper {

    /** Figures of a keyword in a country; those of the keyword itself are of all its countries. */
    record FigureRow(
            long keywordId,
            String country,
            Long volume,
            Long broad,
            String competition,
            String monthly,
            String lastMonth) {}

    String ROWS = """
            select * from unnest(cast(#{keywordId} as bigint array), cast(#{country} as varchar array),
                cast(#{volume} as bigint array), cast(#{broad} as bigint array),
                cast(#{competition} as varchar array), cast(#{monthly} as varchar array),
                cast(#{lastMonth} as varchar array))
            """;

    @Select(
            "select f.* from keyword_figure f join keyword k on k.id = f.keyword_id where k.property_id = #{propertyId}")
    List<FigureRow> all(long propertyId);

    @Select("""
            select f.* from keyword_figure f join keyword k on k.id = f.keyword_id
            where k.property_id = #{propertyId} and f.country = #{country}""")
    List<FigureRow> in(long propertyId, String country);

    @Select("""
            select f.* from keyword_figure f join keyword k on k.id = f.keyword_id
            where k.property_id = #{propertyId} and f.keyword_id = #{keywordId}
            order by coalesce(f.volume, 0) desc, f.country""")
    List<FigureRow> of(long propertyId, long keywordId);

    @Select("""
            select distinct f.country from keyword_figure f join keyword k on k.id = f.keyword_id
            where k.property_id = #{propertyId} and f.country <> '' order by f.country""")
    List<String> countries(long propertyId);

    @Insert("""
            merge into keyword_figure (keyword_id, country, volume, broad, competition, monthly, last_month)
            key (keyword_id, country)
            """ + ROWS)
    void put(Map<String, Object[]> rows);

    @Update("merge into keyword k using (" + ROWS + """
            as u(id, country, volume, broad, competition, monthly, last_month)) s on k.id = s.id
            when matched then update set k.country = left(s.country, 100), k.volume = s.volume, k.broad = s.broad,
                k.competition = s.competition, k.monthly = s.monthly, k.last_month = s.last_month""")
    void setSums(Map<String, Object[]> rows);
}
