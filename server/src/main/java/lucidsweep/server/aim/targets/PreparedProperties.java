package lucidsweep.server.aim.targets;

import java.lang.ref.SoftReference;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import lucidsweep.core.aim.KeywordMapper;
import lucidsweep.core.keyword.ItemTexts;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.MovedSites;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.text.CommonPart;
import lucidsweep.server.aim.demand.Demands;
import lucidsweep.server.aim.demand.ReportedDays;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.database.Packed;
import lucidsweep.server.gather.imports.Reports;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Properties made ready to be aimed: their keywords, items and demand; kept until something of them changes. */
@Component
public class PreparedProperties {

    private final TargetMapper mapper;
    private final Clients clients;
    private final Items items;
    private final Reports reports;
    private final JsonMapper json;
    private final Demands demands;
    private final Map<Long, SoftReference<Ready>> kept = new ConcurrentHashMap<>();
    private final Map<Long, Long> changes = new ConcurrentHashMap<>();

    PreparedProperties(
            TargetMapper mapper, Clients clients, Items items, Reports reports, JsonMapper json, Demands demands) {
        this.mapper = mapper;
        this.clients = clients;
        this.items = items;
        this.reports = reports;
        this.json = json;
        this.demands = demands;
    }

    /**
     * A property made ready.
     *
     * @param places the place of each keyword, by its id
     * @param today the last day that demand is reported of
     * @param client whose brand and places it was made with
     * @param language that its words were taken apart in
     */
    public record Ready(
            KeywordMapper mapper,
            List<Keyword> keywords,
            Map<Long, Integer> places,
            LocalDate today,
            Client client,
            String language) {}

    /** Something other than a decision has changed; what is being made ready meanwhile is not kept. */
    public void forget(long propertyId) {
        changes.merge(propertyId, 1L, Long::sum);
        kept.remove(propertyId);
    }

    public Ready of(long propertyId) {
        Property property = clients.property(propertyId);
        Client client = clients.client(property.clientId());
        SoftReference<Ready> before = kept.get(propertyId);
        Ready ready = before == null ? null : before.get();
        boolean stands = ready != null && ready.client.equals(client) && ready.language.equals(property.language());
        if (stands) return ready;
        Long asOf = changes.get(propertyId);
        Ready made = make(property, client);
        if (Objects.equals(asOf, changes.get(propertyId))) kept.put(propertyId, new SoftReference<>(made));
        return made;
    }

    private Ready make(Property property, Client client) {
        LocalDate today = ReportedDays.today(reports, property.id());
        int day = (int) today.toEpochDay();
        KeywordMapper aiming = new KeywordMapper(
                Words.in(property.language()),
                property.standard(),
                client.brandNames(),
                client.name(),
                client.placeNames(),
                day,
                property.kind() != PropertyKind.WEBSITE);
        List<Keyword> keywords = mapper.keywords(property.id());
        Map<Long, Integer> places = new HashMap<>();
        for (Keyword keyword : keywords) {
            places.put(keyword.id(), places.size());
            aiming.keyword(keyword.phrase(), keyword.volume() == null ? 0 : keyword.volume());
        }
        String services = mapper.services(property.id());
        if (services != null) services.lines().forEach(aiming::service);
        if (!keywords.isEmpty() || services != null) {
            boolean ofItems = reports.namesItemsAndQueries(property.id());
            MovedSites moved =
                    property.kind() == PropertyKind.WEBSITE ? demands.movedSites(property.id()) : MovedSites.NONE;
            reports.forEachDemand(property.id(), row -> {
                // What a report by query alone says is in the rows by item and query.
                if (!ofItems || !row.address().isEmpty()) add(aiming, row, moved, day);
            });
            aiming.commonEndings(endings(property));
            items.forEachDetail(property.id(), chunk -> chunk.forEach(item -> add(aiming, item)));
        }
        return new Ready(aiming, keywords, places, today, client, property.language());
    }

    private static void add(KeywordMapper aiming, Reports.Demand row, MovedSites moved, int today) {
        ReportedDays days = ReportedDays.of(row, today);
        double position = row.position() == null ? 0 : row.position();
        aiming.demand(
                moved.now(row.address()),
                row.query(),
                days.first(),
                days.last(),
                row.clicks(),
                row.impressions(),
                position);
    }

    private List<String> endings(Property property) {
        CommonPart.Finder finder = new CommonPart.Finder(CommonPart.Side.END);
        List<String> found = new ArrayList<>();
        items.forEachTitle(property.id(), finder::add);
        finder.common(
                        property.standard().alike().endingShare(),
                        0,
                        property.standard().title().desktop())
                .forEach(ending -> found.add(ending.text()));
        return found;
    }

    private void add(KeywordMapper aiming, ItemDetail item) {
        if (item.noindex() != null) return;
        String published =
                item.seen().published().length() >= 10 ? item.seen().published().substring(0, 10) : "";
        boolean dated = published.matches("\\d{4}-\\d{2}-\\d{2}");
        aiming.item(
                item.id(),
                item.address(),
                PageAddress.section(item.address()),
                texts(item),
                dated ? ReportedDays.day(published) : -1);
    }

    /** The texts of an item that say what it is about. */
    ItemTexts texts(ItemDetail item) {
        StringBuilder headings = new StringBuilder();
        if (item.captured().facts() != null) {
            for (JsonNode heading : json.readTree(item.captured().facts()).path("headings")) {
                headings.append(heading.asString()).append(" . ");
            }
        }
        String tags = item.tags() == null ? "" : item.tags().captured();
        return new ItemTexts(
                item.title().captured(),
                item.seen().h1(),
                PageAddress.slugWords(item.address()),
                headings.toString(),
                item.captured().linkTexts() + tags,
                Packed.text(item.captured().copy()) + " " + item.description().captured());
    }
}
