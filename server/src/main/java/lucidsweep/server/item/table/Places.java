package lucidsweep.server.item.table;

import java.io.IOException;
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
        return number(new Place(line.section(), Trait.all(path, line.section(), published, changed)));
    }

    private int number(Place found) {
        return numbers.computeIfAbsent(found, place -> {
            places.add(place);
            return places.size() - 1;
        });
    }

    /** The number of the same place on another day, when items have become older. */
    int number(int before, double publishedDay, double changedDay) {
        Place place = places.get(before);
        List<Trait> traits = new ArrayList<>(place.traits);
        traits.removeIf(Trait::isTime);
        traits.addAll(Trait.all("", place.section, ItemSets.today() - publishedDay, ItemSets.today() - changedDay));
        return number(new Place(place.section, traits));
    }

    void write(TableOutput out) throws IOException {
        out.writeInt(places.size());
        for (Place place : places) {
            out.writeText(place.section);
            out.writeInt(place.traits.size());
            for (Trait trait : place.traits) out.writeText(trait.toString());
        }
    }

    void read(TableInput in) {
        for (int left = in.readInt(); left > 0; left--) {
            String section = in.readText();
            Trait[] traits = new Trait[in.readInt()];
            for (int i = 0; i < traits.length; i++) traits[i] = Trait.of(in.readText());
            number(new Place(section, List.of(traits)));
        }
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
