package lucidsweep.server.aim.places;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import lucidsweep.core.keyword.PlaceGrid;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.text.Spaces;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import lucidsweep.server.aim.targets.PreparedProperties;
import lucidsweep.server.aim.targets.TargetMapper;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** Services and places: which combinations are searched, and which have a page. */
@Service
class PlaceGrids {

    private static final int SUGGESTED = 8;
    private static final int MAX_SERVICES = 40;
    private static final int LONGEST_SERVICE = 100;

    private final TargetMapper mapper;
    private final KeywordTables tables;
    private final PreparedProperties prepared;
    private final Clients clients;
    private final Items items;

    PlaceGrids(TargetMapper mapper, KeywordTables tables, PreparedProperties prepared, Clients clients, Items items) {
        this.mapper = mapper;
        this.tables = tables;
        this.prepared = prepared;
        this.clients = clients;
        this.items = items;
    }

    PlaceGridView of(long propertyId) {
        Property property = clients.property(propertyId);
        Client client = clients.client(property.clientId());
        Words language = Words.in(property.language());
        List<String> places = client.placeNames();
        List<KeywordRow> keywords = tables.rows(propertyId, KeywordSelection.ALL);
        List<String> chosen = chosen(propertyId);
        List<String> services = chosen.isEmpty() ? suggested(keywords, places, language) : chosen;
        PlaceGrid grid = new PlaceGrid(services, places, language);
        for (KeywordRow row : keywords) grid.keyword(row.phrase(), row.figures().volume());
        List<PlaceGrid.Cell> cells = places.isEmpty() ? List.of() : grid.cells();
        List<Long> serving = new ArrayList<>();
        for (PlaceGrid.Cell cell : cells) {
            Long home = home(cell, keywords);
            serving.add(home != null ? home : holder(propertyId, cell));
        }
        Map<Long, String> addresses = items.addresses(
                serving.stream().filter(Objects::nonNull).distinct().toList());
        List<PlaceGridView.GridCell> shown = new ArrayList<>();
        for (int i = 0; i < cells.size(); i++) {
            PlaceGrid.Cell cell = cells.get(i);
            shown.add(new PlaceGridView.GridCell(
                    cell.service(),
                    cell.place(),
                    cell.phrase(),
                    cell.keywords().size(),
                    cell.volume(),
                    serving.get(i),
                    serving.get(i) == null ? null : addresses.get(serving.get(i)),
                    home(cell, keywords) != null));
        }
        return new PlaceGridView(services, !chosen.isEmpty(), places, shown);
    }

    private static Long home(PlaceGrid.Cell cell, List<KeywordRow> keywords) {
        return cell.keywords().stream()
                .map(keyword -> keywords.get(keyword).item().itemId())
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    private Long holder(long propertyId, PlaceGrid.Cell cell) {
        long item = prepared.of(propertyId).mapper().holding(cell.service() + " " + cell.place());
        return item < 0 ? null : (Long) item;
    }

    private static List<String> suggested(List<KeywordRow> keywords, List<String> places, Words language) {
        Map<String, Long> phrases = new HashMap<>();
        for (KeywordRow row : keywords)
            if (!row.brand()) phrases.put(row.phrase(), row.figures().volume());
        return PlaceGrid.services(phrases, places, SUGGESTED, language);
    }

    private List<String> chosen(long propertyId) {
        String services = mapper.services(propertyId);
        return services == null || services.isEmpty() ? List.of() : Arrays.asList(services.split("\n"));
    }

    /** Chooses the services; none lets the keywords speak. */
    void choose(long propertyId, List<String> services) {
        List<String> names = services.stream()
                .map(Spaces::closedUp)
                .filter(name -> !name.isEmpty())
                .distinct()
                .toList();
        if (names.size() > MAX_SERVICES) {
            throw Refusal.badInput("expected at most " + MAX_SERVICES + " services, got " + names.size());
        }
        for (String name : names) {
            if (name.length() <= LONGEST_SERVICE) continue;
            throw Refusal.badInput(
                    "expected services of at most " + LONGEST_SERVICE + " characters, got one of " + name.length());
        }
        mapper.setServices(propertyId, String.join("\n", names));
        prepared.forget(propertyId);
    }
}
