package lucidsweep.core.keyword;

import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;

/**
 * What a list says of a keyword in a country.
 *
 * @param volume searches a month of exactly this phrase; null where not known
 * @param broad searches a month of this phrase and others that hold it; null where not known
 * @param competition as the list says it; "" where it does not
 * @param monthly searches by month, the latest last, -1 where not known; empty where none are
 * @param lastMonth the month of the last of them, such as "2026-10"; "" where not known
 */
public record SearchFigures(
        String country,
        @Nullable Long volume,
        @Nullable Long broad,
        String competition,
        List<Long> monthly,
        String lastMonth) {

    /** Searches in a month of the year, 1 to 12, on average over the years; NaN where not known. */
    public double in(int month) {
        if (!lastMonth.matches("\\d{4}-\\d{2}")) return Double.NaN;
        int last = Integer.parseInt(lastMonth.substring(5));
        double sum = 0;
        int years = 0;
        for (int at = monthly.size() - 1 - Math.floorMod(last - month, 12); at >= 0; at -= 12) {
            if (monthly.get(at) < 0) continue;
            sum += monthly.get(at);
            years++;
        }
        return years == 0 ? Double.NaN : sum / years;
    }

    /** Whether nothing is known. */
    public boolean saysNothing() {
        return volume == null && broad == null && competition.isEmpty() && monthly.isEmpty();
    }

    /** The same, and where a later list says nothing, what this one says. */
    public SearchFigures updated(SearchFigures later) {
        return new SearchFigures(
                later.country,
                later.volume == null ? volume : later.volume,
                later.broad == null ? broad : later.broad,
                later.competition.isEmpty() ? competition : later.competition,
                later.monthly.isEmpty() ? monthly : later.monthly,
                later.monthly.isEmpty() ? lastMonth : later.lastMonth);
    }

    /**
     * All countries together: the searches are added up, by month where the months are the same; else they are those of the
     * country with the most. Figures that name no country count only where none does.
     *
     * @param figures at least one
     */
    public static SearchFigures sum(Collection<SearchFigures> figures) {
        List<SearchFigures> some =
                figures.stream().filter(each -> !each.country.isEmpty()).toList();
        if (some.isEmpty()) some = List.copyOf(figures);
        List<SearchFigures> strongestFirst = some.stream()
                .sorted(Comparator.comparingLong((SearchFigures each) -> each.volume == null ? 0 : -each.volume)
                        .thenComparing(SearchFigures::country))
                .toList();
        SearchFigures strongest = strongestFirst.get(0);
        SearchFigures dated = strongestFirst.stream()
                .filter(each -> !each.monthly.isEmpty())
                .findFirst()
                .orElse(strongest);
        return new SearchFigures(
                String.join(
                        ", ", some.stream().map(SearchFigures::country).sorted().toList()),
                sum(some.stream().map(SearchFigures::volume).toList()),
                sum(some.stream().map(SearchFigures::broad).toList()),
                strongest.competition,
                monthly(dated, some),
                dated.lastMonth);
    }

    private static Long sum(List<Long> values) {
        if (values.stream().allMatch(value -> value == null)) return null;
        return values.stream().mapToLong(value -> value == null ? 0 : value).sum();
    }

    private static List<Long> monthly(SearchFigures dated, List<SearchFigures> some) {
        long[] sum = new long[dated.monthly.size()];
        Arrays.fill(sum, -1);
        for (SearchFigures each : some) {
            if (!each.lastMonth.equals(dated.lastMonth)) continue;
            for (int back = 1; back <= Math.min(sum.length, each.monthly.size()); back++) {
                long value = each.monthly.get(each.monthly.size() - back);
                int at = sum.length - back;
                if (value >= 0) sum[at] = Math.max(0, sum[at]) + value;
            }
        }
        return Arrays.stream(sum).boxed().toList();
    }
}
