package lucidsweep.server.item.table;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.set.Trait;

/** Numbers what items have in common beside their findings: their section and traits. Few of them are shared by many items. */
final class Places {

    private final Map<Place, Integer> numbers = new HashMap<>();
    private final List<Place> places = new ArrayList<>();

    /** A section, and what else the items in it have in common. */
    record Place(String section, List<Trait> traits) {}

    int number(ItemTable.Line line) {
        String path = line.address().contains("://") ? PageAddress.pathOf(line.address()) : "";
        double published = ItemSets.today() - line.traits().publishedDay();
        double changed = ItemSets.today() - line.traits().changedDay();
        Place found = new Place(line.section(), Trait.all(path, line.section(), published, changed));
        return numbers.computeIfAbsent(found, place -> {
            places.add(place);
            return places.size() - 1;
        });
    }

    Place place(int number) {
        return places.get(number);
    }

    /** By trait, how many items have it. */
    Map<Trait, Integer> byTrait(int[] items) {
        Map<Trait, Integer> counts = new HashMap<>();
        for (int number = 0; number < items.length; number++) {
            for (Trait trait : places.get(number).traits()) counts.merge(trait, items[number], Integer::sum);
        }
        return counts;
    }

    int size() {
        return places.size();
    }
}
