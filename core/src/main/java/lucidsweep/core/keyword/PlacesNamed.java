package lucidsweep.core.keyword;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import lucidsweep.core.text.TextKey;

/** The places that a client serves, to be found in phrases; of two that overlap the longer one counts. */
public final class PlacesNamed {

    private final List<Place> places;

    private record Place(String name, String key) {}

    public PlacesNamed(Collection<String> names) {
        places = names.stream()
                .map(String::strip)
                .filter(name -> !name.isEmpty())
                .map(name -> new Place(name, " " + TextKey.key(name) + " "))
                .sorted(Comparator.comparingInt((Place place) -> -place.key.length())
                        .thenComparing(Place::name))
                .toList();
    }

    /** What is left of a phrase without the place that it names, in small letters. */
    public String without(String phrase) {
        String key = " " + TextKey.key(phrase) + " ";
        for (Place place : places)
            if (key.contains(place.key)) return key.replaceFirst(place.key, " ").strip();
        return key.strip();
    }

    /** The place that a phrase names; "" for none. */
    public String in(String phrase) {
        if (places.isEmpty()) return "";
        String key = " " + TextKey.key(phrase) + " ";
        for (Place place : places) if (key.contains(place.key)) return place.name;
        return "";
    }
}
