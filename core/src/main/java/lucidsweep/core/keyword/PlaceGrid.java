package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * Every service with every place: which of the combinations people are known to search for. A keyword is a combination
 * where its words are those of the service and the place, in whatever order and form.
 */
public final class PlaceGrid {

    private static final int FEWEST_PLACES = 2;

    private final Words language;
    private final List<String> services;
    private final List<String> places;
    private final Map<String, Integer> cells = new HashMap<>();
    private final List<List<Integer>> keywords = new ArrayList<>();
    private final List<String> phrases = new ArrayList<>();
    private final List<Long> volumes = new ArrayList<>();

    public PlaceGrid(List<String> services, List<String> places, Words language) {
        this.language = language;
        this.services = List.copyOf(services);
        this.places = List.copyOf(places);
        for (String service : services) {
            for (String place : places) {
                cells.putIfAbsent(key(service + " " + place), keywords.size());
                keywords.add(new ArrayList<>());
            }
        }
    }

    private String key(String text) {
        return Phrase.of(text, language).words().stream()
                .map(Word::stem)
                .collect(Collectors.toCollection(TreeSet::new))
                .toString();
    }

    /**
     * A combination.
     *
     * @param phrase the most searched keyword that is one, else service and place as they are written
     * @param volume searches a month of all keywords that are; null where none is known
     * @param keywords their places, the most searched first; empty for a combination on no list
     */
    public record Cell(String service, String place, String phrase, Long volume, List<Integer> keywords) {}

    /** Adds a keyword; its volume is null where not known. Returns whether it is a combination. */
    public boolean keyword(String phrase, Long volume) {
        phrases.add(phrase);
        volumes.add(volume);
        Integer cell = cells.get(key(phrase));
        if (cell == null) return false;
        keywords.get(cell).add(phrases.size() - 1);
        return true;
    }

    /** All combinations, service by service, each with its places in their order. */
    public List<Cell> cells() {
        List<Cell> all = new ArrayList<>();
        for (int i = 0; i < keywords.size(); i++) {
            String service = services.get(i / places.size());
            String place = places.get(i % places.size());
            List<Integer> own = keywords.get(i).stream()
                    .sorted(Comparator.comparingLong((Integer keyword) -> -known(volumes.get(keyword))))
                    .toList();
            Long volume = own.stream().allMatch(keyword -> volumes.get(keyword) == null)
                    ? null
                    : (Long) own.stream()
                            .mapToLong(keyword -> Math.max(0, known(volumes.get(keyword))))
                            .sum();
            String phrase = own.isEmpty() ? (service + " " + place).toLowerCase(Locale.ROOT) : phrases.get(own.get(0));
            all.add(new Cell(service, place, phrase, volume, own));
        }
        return all;
    }

    private static long known(Long volume) {
        return volume == null ? -1 : volume;
    }

    /**
     * Services that keywords name with several places, the most searched first: what is left of them without the place.
     *
     * @param keywords phrases with their searches a month; null where not known
     */
    public static List<String> services(
            Map<String, Long> keywords, Collection<String> places, int count, Words language) {
        PlacesNamed named = new PlacesNamed(places);
        Map<String, Service> services = new HashMap<>();
        keywords.forEach((phrase, volume) -> {
            String place = named.in(phrase);
            if (place.isEmpty()) return;
            String rest = named.without(phrase);
            String key = Phrase.of(rest, language).key();
            if (key.isEmpty()) return;
            services.computeIfAbsent(key, any -> new Service()).add(rest, place, Math.max(0, known(volume)));
        });
        return services.values().stream()
                .filter(service -> service.places.size() >= FEWEST_PLACES)
                .sorted(Comparator.comparingLong((Service service) -> -service.volume)
                        .thenComparing(service -> service.text))
                .limit(count)
                .map(service -> service.text)
                .toList();
    }

    private static final class Service {
        private final TreeSet<String> places = new TreeSet<>();
        private String text = "";
        private long max = -1;
        private long volume;

        private void add(String rest, String place, long searches) {
            places.add(place);
            volume += searches;
            if (searches < max || searches == max && rest.compareTo(text) >= 0) return;
            max = searches;
            text = rest;
        }
    }
}
