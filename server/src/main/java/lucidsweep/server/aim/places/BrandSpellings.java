package lucidsweep.server.aim.places;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.keyword.BrandNames;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.aim.demand.Demands;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import org.springframework.stereotype.Service;

/** How people write the client's names: as found in the demand and the keywords, and as they are likely to. */
@Service
class BrandSpellings {

    private final Clients clients;
    private final Demands demand;
    private final KeywordTables tables;

    BrandSpellings(Clients clients, Demands demand, KeywordTables tables) {
        this.clients = clients;
        this.demand = demand;
        this.tables = tables;
    }

    /**
     * A spelling.
     *
     * @param kind as named, another form, joined up or a slip; null for one that is only likely
     * @param queries how many queries hold it; 0 where none is known
     * @param clicks, impressions what was reported of them in the last thirteen weeks
     * @param position their mean position; 0 where not known
     * @param searches a month, of the keywords that hold it; null where none is known
     */
    public record BrandSpelling(
            String text,
            @Nullable BrandNames.Kind kind,
            int queries,
            long clicks,
            long impressions,
            double position,
            @Nullable Long searches) {}

    /** The names as they were given, the spellings that were found, and those that are likely and were not. */
    public record Brand(List<String> names, List<BrandSpelling> found, List<String> likely) {}

    private static final class Found {
        private BrandNames.Kind kind;
        private int queries;
        private DemandTally.Sum sum = DemandTally.Sum.NONE;
        private Long searches;
    }

    Brand of(long propertyId) {
        Property property = clients.property(propertyId);
        Client client = clients.client(property.clientId());
        BrandNames names = new BrandNames(client.brandNames(), Words.in(property.language()));
        Map<String, Found> found = new LinkedHashMap<>();
        demand.forEachBrandQuery(
                propertyId,
                (query, sum) -> names.spelling(query).ifPresent(spelling -> {
                    Found one = found(found, spelling);
                    one.queries++;
                    one.sum = one.sum.plus(sum);
                }));
        for (KeywordRow row : tables.rows(propertyId, KeywordSelection.ALL)) {
            Optional<BrandNames.Spelling> spelling = row.brand() ? names.spelling(row.phrase()) : Optional.empty();
            if (spelling.isEmpty()) continue;
            Found one = found(found, spelling.get());
            if (row.figures().volume() != null)
                one.searches = (one.searches == null ? 0 : one.searches)
                        + row.figures().volume();
        }
        List<BrandSpelling> spellings = new ArrayList<>();
        found.forEach((text, one) -> spellings.add(new BrandSpelling(
                text,
                one.kind,
                one.queries,
                one.sum.clicks(),
                one.sum.impressions(),
                one.sum.position(),
                one.searches)));
        spellings.sort(Comparator.comparingLong((BrandSpelling each) -> -each.impressions)
                .thenComparingLong(each -> each.searches == null ? 0 : -each.searches)
                .thenComparing(BrandSpelling::text));
        List<String> likely = names.likely().stream()
                .filter(text -> !found.containsKey(TextKey.key(text)))
                .toList();
        return new Brand(List.copyOf(client.brandNames()), spellings, likely);
    }

    private static Found found(Map<String, Found> found, BrandNames.Spelling spelling) {
        Found one = found.computeIfAbsent(spelling.text(), any -> new Found());
        one.kind = spelling.kind();
        return one;
    }
}
