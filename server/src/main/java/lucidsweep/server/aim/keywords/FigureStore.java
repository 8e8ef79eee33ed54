package lucidsweep.server.aim.keywords;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import lucidsweep.core.keyword.SearchFigures;
import lucidsweep.server.database.Columns;
import org.springframework.stereotype.Component;

/** What lists say of keywords, by country; the keyword itself has the sum. */
@Component
class FigureStore {

    private static final int AT_ONCE = 1_000;

    private final FigureMapper mapper;

    FigureStore(FigureMapper mapper) {
        this.mapper = mapper;
    }

    /** Brings the figures of keywords up to date, within the caller's transaction. */
    void update(long propertyId, Map<Long, List<SearchFigures>> later) {
        Map<Long, Map<String, SearchFigures>> known = new HashMap<>();
        mapper.all(propertyId)
                .forEach(row -> known.computeIfAbsent(row.keywordId(), any -> new LinkedHashMap<>())
                        .put(row.country(), figures(row)));
        List<FigureMapper.FigureRow> changed = new ArrayList<>();
        List<FigureMapper.FigureRow> sums = new ArrayList<>();
        later.forEach((id, some) -> {
            Map<String, SearchFigures> own = known.computeIfAbsent(id, any -> new LinkedHashMap<>());
            ofOneList(some).forEach((country, each) -> {
                if (each.saysNothing()) return;
                own.merge(country, each, SearchFigures::updated);
                changed.add(row(id, own.get(country)));
            });
            if (!own.isEmpty()) sums.add(row(id, SearchFigures.sum(own.values())));
        });
        for (int start = 0; start < changed.size(); start += AT_ONCE) {
            mapper.put(Columns.of(changed.subList(start, Math.min(changed.size(), start + AT_ONCE))));
        }
        for (int start = 0; start < sums.size(); start += AT_ONCE) {
            mapper.setSums(Columns.of(sums.subList(start, Math.min(sums.size(), start + AT_ONCE))));
        }
    }

    /** By country; of two lines of a list for the same, the first counts before the second. */
    private static Map<String, SearchFigures> ofOneList(List<SearchFigures> some) {
        Map<String, SearchFigures> byCountry = new LinkedHashMap<>();
        some.forEach(each -> byCountry.merge(each.country(), each, (first, second) -> second.updated(first)));
        return byCountry;
    }

    /** The figures of keywords in one country, by their ids. */
    Map<Long, SearchFigures> in(long propertyId, String country) {
        Map<Long, SearchFigures> found = new HashMap<>();
        mapper.in(propertyId, country).forEach(row -> found.put(row.keywordId(), figures(row)));
        return found;
    }

    /** What is known of a keyword, country by country, the most searched first. */
    List<SearchFigures> of(long propertyId, long keywordId) {
        return mapper.of(propertyId, keywordId).stream()
                .map(FigureStore::figures)
                .toList();
    }

    /** The countries that any keyword has figures of. */
    List<String> countries(long propertyId) {
        return mapper.countries(propertyId);
    }

    private static FigureMapper.FigureRow row(long id, SearchFigures figures) {
        String monthly = figures.monthly().stream().map(String::valueOf).collect(Collectors.joining(","));
        return new FigureMapper.FigureRow(
                id,
                figures.country(),
                figures.volume(),
                figures.broad(),
                figures.competition(),
                monthly,
                figures.lastMonth());
    }

    private static SearchFigures figures(FigureMapper.FigureRow row) {
        return new SearchFigures(
                row.country(), row.volume(), row.broad(), row.competition(), months(row.monthly()), row.lastMonth());
    }

    /** Searches by month as they are stored, joined by commas. */
    static List<Long> months(String monthly) {
        return monthly.isEmpty()
                ? List.of()
                : Arrays.stream(monthly.split(",")).map(Long::valueOf).toList();
    }
}
