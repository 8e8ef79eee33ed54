package lucidsweep.server.watch.course;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.imports.Reports;
import lucidsweep.server.gather.imports.Reports.Result;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Service;

/** Where the property stood in the result lists of a query on each day that somebody looked, and who stood around it. */
@Service
class ResultLooks {

    private static final int MOST_DAYS = 60;

    private final Reports reports;
    private final Clients clients;
    private final Items items;

    ResultLooks(Reports reports, Clients clients, Items items) {
        this.reports = reports;
        this.clients = clients;
        this.items = items;
    }

    /** A result of somebody else's. */
    record Neighbour(double position, String title, String address) {}

    /**
     * A result list.
     *
     * @param ours the first result of the property; null where it is not in the list, as are the neighbours then
     * @param above, below the results next to it; null at an end of the list
     */
    record ResultLook(
            String day,
            int results,
            @Nullable Result ours,
            @Nullable Neighbour above,
            @Nullable Neighbour below) {}

    /** The latest first. */
    List<ResultLook> of(long propertyId, String query) {
        Property property = clients.property(propertyId);
        List<Result> all = reports.looks(propertyId, query);
        Predicate<Result> own = own(property, all);
        List<ResultLook> looks = new ArrayList<>();
        new TreeMap<>(all.stream().collect(Collectors.groupingBy(Result::looked)))
                .descendingMap()
                .forEach((day, list) -> {
                    if (!day.isEmpty() && looks.size() < MOST_DAYS) looks.add(look(day, list, own));
                });
        return looks;
    }

    private static ResultLook look(String day, List<Result> list, Predicate<Result> own) {
        List<Result> sorted = list.stream()
                .sorted(Comparator.comparingDouble(Result::position))
                .toList();
        int place = 0;
        while (place < sorted.size() && !own.test(sorted.get(place))) place++;
        if (place == sorted.size()) return new ResultLook(day, sorted.size(), null, null, null);
        int next = place + 1;
        while (next < sorted.size() && own.test(sorted.get(next))) next++;
        return new ResultLook(
                day,
                sorted.size(),
                sorted.get(place),
                place == 0 ? null : neighbour(sorted.get(place - 1)),
                next == sorted.size() ? null : neighbour(sorted.get(next)));
    }

    private static Neighbour neighbour(Result result) {
        return new Neighbour(result.position(), result.title(), result.address());
    }

    /** By its host; what has no host of its own, such as a shop on a marketplace, by the addresses of its items. */
    private Predicate<Result> own(Property property, List<Result> results) {
        String host = PageAddress.host(property.address());
        if (!host.isEmpty()) return result -> PageAddress.host(result.address()).equals(host);
        Set<String> asked = results.stream().map(Result::address).collect(Collectors.toSet());
        Set<String> found = new HashSet<>();
        items.forEachAddress(property.id(), (address, id) -> {
            if (asked.contains(address)) found.add(address);
        });
        return result -> found.contains(result.address());
    }
}
