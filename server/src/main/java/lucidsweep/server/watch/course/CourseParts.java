package lucidsweep.server.watch.course;

import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import lucidsweep.server.aim.demand.DemandCourses.Part;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.ItemSets;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Component;

/** Reads which part of a property is meant: "all", "brand", "not-brand", "query:kayak hire", "topic:…", "place:…", "item:12", "set:3". */
@Component
class CourseParts {

    private final KeywordTables keywords;
    private final Items items;
    private final ItemSets sets;

    CourseParts(KeywordTables keywords, Items items, ItemSets sets) {
        this.keywords = keywords;
        this.items = items;
        this.sets = sets;
    }

    /** A part, and what it is called. */
    record NamedPart(String code, String name, Part part) {}

    NamedPart of(long propertyId, String code) {
        int colon = code.indexOf(':');
        String kind = colon < 0 ? code : code.substring(0, colon);
        String which = colon < 0 ? "" : code.substring(colon + 1);
        return switch (kind) {
            case "all" -> new NamedPart(code, "All", Part.ALL);
            case "brand" -> new NamedPart(code, "Brand", new Part(null, null, true));
            case "not-brand" -> new NamedPart(code, "Without the brand", new Part(null, null, false));
            case "query" -> new NamedPart(code, which, new Part(null, List.of(which), null));
            case "topic" -> phrases(propertyId, code, which, row -> row.topic().equals(which));
            case "place" -> phrases(propertyId, code, which, row -> row.place().equals(which));
            case "item" -> {
                long id = number(code, which);
                items.requireOf(propertyId, id);
                String address = items.addresses(List.of(id)).get(id);
                yield new NamedPart(code, address, new Part(List.of(id), null, null));
            }
            case "section" ->
                new NamedPart(
                        code,
                        which,
                        new Part(
                                items(
                                        propertyId,
                                        new ItemFilter(
                                                null, which, null, null, null, null, null, null, null, null, null,
                                                null)),
                                null,
                                null));
            case "set" -> {
                long id = number(code, which);
                String name = sets.ofProperty(propertyId, id).name();
                yield new NamedPart(code, name, new Part(items(propertyId, ItemFilter.ofSet(id)), null, null));
            }
            default ->
                throw Refusal.badInput("expected all, brand, not-brand, query:…, topic:…, place:…, section:…, item:… or"
                        + " set:…, got \"" + code + "\"");
        };
    }

    private NamedPart phrases(long propertyId, String code, String name, Predicate<KeywordRow> wanted) {
        List<String> phrases = keywords.rows(propertyId, KeywordSelection.ALL).stream()
                .filter(wanted)
                .map(KeywordRow::phrase)
                .toList();
        return new NamedPart(code, name, new Part(null, phrases, null));
    }

    private List<Long> items(long propertyId, ItemFilter filter) {
        return Arrays.stream(items.ids(propertyId, filter)).boxed().collect(Collectors.toList());
    }

    private static long number(String code, String which) {
        try {
            return Long.parseLong(which);
        } catch (NumberFormatException e) {
            throw Refusal.badInput("expected a number behind the colon, got \"" + code + "\"");
        }
    }
}
