package lucidsweep.server.triage;

import com.fasterxml.jackson.annotation.JsonInclude;
import jakarta.annotation.Nullable;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.set.SetConditions;
import lucidsweep.core.standard.StandardForm;
import lucidsweep.server.item.table.ItemSet;
import lucidsweep.server.item.table.ItemSets;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectReader;
import tools.jackson.databind.json.JsonMapper;

/**
 * The sets of a property as one JSON file, in their order and with the standards of their own: for other properties, and for
 * commands.
 *
 * <pre>{@code
 * [{"name": "Journal", "conditions": {"addresses": ["/journal/*"]}, "standard": {"title": {"maxChars": 58}}}]
 * }</pre>
 */
@Service
public class SetsFile {

    private static final Set<String> PARTS = Set.of("name", "conditions", "standard");

    private static final JsonMapper WITHOUT_BLANKS = JsonMapper.builder()
            .changeDefaultPropertyInclusion(included -> included.withValueInclusion(JsonInclude.Include.NON_NULL))
            .build();

    private static final ObjectReader CONDITIONS =
            JsonMapper.shared().readerFor(SetConditions.class).with(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES);

    private final ItemSets sets;

    SetsFile(ItemSets sets) {
        this.sets = sets;
    }

    /**
     * A set as it stands in the file.
     *
     * @param standard null where it has none of its own
     */
    public record Entry(
            String name, SetConditions conditions, @Nullable StandardForm standard) {}

    /** Writes the sets of a property. */
    String write(long propertyId) {
        return WITHOUT_BLANKS
                .writerWithDefaultPrettyPrinter()
                .writeValueAsString(sets.ofProperty(propertyId).stream()
                        .map(SetsFile::entry)
                        .toList());
    }

    /**
     * Reads a file.
     *
     * @throws Refusal with the number of the set that cannot be used
     */
    public static List<Entry> read(String json) {
        try {
            return read(JsonMapper.shared().readTree(json));
        } catch (JacksonException e) {
            throw Refusal.badInput("expected sets as JSON; this is no JSON");
        }
    }

    static List<Entry> read(JsonNode json) {
        if (json == null || !json.isArray())
            throw Refusal.badInput("expected sets as a JSON list, [{\"name\": …, \"conditions\": …}]");
        List<Entry> entries = new ArrayList<>();
        for (JsonNode each : json) {
            try {
                entries.add(entry(each));
            } catch (Refusal e) {
                throw Refusal.badInput("set " + (entries.size() + 1) + ": " + e.getMessage());
            }
        }
        return entries;
    }

    private static Entry entry(JsonNode json) {
        for (String name : json.propertyNames()) {
            if (!PARTS.contains(name))
                throw Refusal.badInput("it has a part \"" + name + "\"; expected name, conditions and standard");
        }
        if (!json.path("name").isString() || !json.path("conditions").isObject())
            throw Refusal.badInput("expected a name and conditions");
        JsonNode standard = json.path("standard");
        boolean own = !standard.isMissingNode() && !standard.isNull();
        return new Entry(
                json.path("name").asString(),
                conditions(json.path("conditions")),
                own ? StandardFile.of(standard) : null);
    }

    private static SetConditions conditions(JsonNode json) {
        SetConditions conditions;
        try {
            conditions = CONDITIONS.readValue(json);
        } catch (JacksonException e) {
            throw Refusal.badInput("conditions: " + e.getOriginalMessage());
        }
        if (conditions.ids() != null)
            throw Refusal.badInput("ids: the numbers of items differ from property to property; name their addresses");
        return conditions;
    }

    /**
     * Adds sets to a property, behind those that it has: all or none.
     *
     * @throws Refusal where a set of that name is there, or one lies within a set that is not there
     */
    public void add(long propertyId, List<Entry> entries) {
        List<Long> order = new ArrayList<>(
                sets.ofProperty(propertyId).stream().map(ItemSet::id).toList());
        Map<String, ItemSet> added = new HashMap<>();
        Deque<Long> undo = new ArrayDeque<>();
        try {
            for (Entry entry : outerFirst(entries)) {
                ItemSet set = sets.add(propertyId, entry.name(), entry.conditions());
                undo.push(set.id());
                added.put(entry.name(), set);
                if (entry.standard() != null) sets.setStandard(set, entry.standard());
            }
        } catch (Refusal e) {
            undo.forEach(sets::remove);
            throw e;
        }
        entries.forEach(entry -> order.add(added.get(entry.name()).id()));
        sets.order(propertyId, order);
    }

    /**
     * Puts sets in the place of those that a property has, unless they are the same.
     *
     * @throws Refusal where they cannot be added; the property then has those of before
     */
    public void replace(long propertyId, List<Entry> entries) {
        List<ItemSet> before = sets.ofProperty(propertyId);
        if (before.stream().map(SetsFile::entry).toList().equals(entries)) return;
        Map<String, Long> ids = before.stream().collect(Collectors.toMap(ItemSet::name, ItemSet::id));
        Deque<Long> removed = new ArrayDeque<>();
        outerFirst(before.stream().map(SetsFile::entry).toList()).forEach(entry -> removed.push(ids.get(entry.name())));
        removed.forEach(sets::remove);
        try {
            add(propertyId, entries);
        } catch (Refusal e) {
            removed.descendingIterator().forEachRemaining(sets::restore);
            throw e;
        }
    }

    private static Entry entry(ItemSet set) {
        return new Entry(set.name(), set.conditions(), set.standard());
    }

    /** A set can only be added once that is there within which it lies. */
    private static List<Entry> outerFirst(List<Entry> entries) {
        Set<String> waiting = new HashSet<>();
        entries.forEach(entry -> waiting.add(entry.name()));
        List<Entry> left = new ArrayList<>(entries);
        List<Entry> sorted = new ArrayList<>();
        while (!left.isEmpty()) {
            List<Entry> next = left.stream()
                    .filter(entry -> !waiting.contains(entry.conditions().within()))
                    .toList();
            if (next.isEmpty())
                throw Refusal.badInput("sets within each other in a circle: "
                        + left.stream().map(Entry::name).toList());
            sorted.addAll(next);
            left.removeAll(next);
            next.forEach(entry -> waiting.remove(entry.name()));
        }
        return sorted;
    }
}
