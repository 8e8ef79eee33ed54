package lucidsweep.server.rewrite;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import lucidsweep.core.compose.Recipe;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.ItemSet;
import lucidsweep.server.item.table.ItemSets;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The recipes that a property keeps, as compositions need them. */
@Component
class PropertyRecipes {

    private final RecipeMapper mapper;
    private final ItemSets sets;
    private final Items items;
    private final JsonMapper json;

    PropertyRecipes(RecipeMapper mapper, ItemSets sets, Items items, JsonMapper json) {
        this.mapper = mapper;
        this.sets = sets;
        this.items = items;
        this.json = json;
    }

    /**
     * The recipes of one field as they are now. Safe for use by many threads.
     *
     * @param byName all of them
     * @param forAll what is in force for items that no set has a recipe for; null for none
     * @param bySet what is in force for the items of a set, in the order of the sets
     * @param members who belongs to a set, by its id
     */
    record Kept(Map<String, Recipe> byName, Recipe forAll, List<OfSet> bySet, Members members) {

        /** What is in force for an item; empty where nothing is. */
        Optional<Recipe> inForce(long itemId) {
            for (OfSet each : bySet) if (members.has(each.setId, itemId)) return Optional.of(each.recipe);
            return Optional.ofNullable(forAll);
        }

        /** All that are in force. */
        List<Recipe> all() {
            List<Recipe> all = new java.util.ArrayList<>();
            bySet.forEach(each -> all.add(each.recipe));
            if (forAll != null) all.add(forAll);
            return all;
        }
    }

    record OfSet(long setId, Recipe recipe) {}

    /** Who belongs to the sets of a property; looked up once for each. */
    final class Members {
        private final long propertyId;
        private final Map<String, Long> idsByName = new HashMap<>();
        private final Map<Long, long[]> known = new ConcurrentHashMap<>();

        private Members(long propertyId, List<ItemSet> all) {
            this.propertyId = propertyId;
            all.forEach(set -> idsByName.put(set.name(), set.id()));
        }

        boolean has(long setId, long itemId) {
            return Arrays.binarySearch(known.computeIfAbsent(setId, this::ids), itemId) >= 0;
        }

        /** By the name of the set; nobody belongs to one that is not there. */
        boolean has(String set, long itemId) {
            Long id = idsByName.get(set);
            return id != null && has(id, itemId);
        }

        private long[] ids(long setId) {
            return items.ids(propertyId, ItemFilter.ofSet(setId));
        }
    }

    Kept of(long propertyId, Field field) {
        Map<String, Recipe> byName = new HashMap<>();
        Map<Long, Recipe> ofSets = new HashMap<>();
        Recipe forAll = null;
        for (RecipeMapper.Line line : mapper.ofProperty(propertyId)) {
            if (line.field() != field) continue;
            Recipe recipe = json.readValue(line.spec(), Recipe.class);
            byName.put(line.name(), recipe);
            if (line.inForce() && line.setId() == null) forAll = recipe;
            if (line.inForce() && line.setId() != null) ofSets.put(line.setId(), recipe);
        }
        List<ItemSet> all = sets.ofProperty(propertyId);
        List<OfSet> bySet = all.stream()
                .filter(set -> ofSets.containsKey(set.id()))
                .map(set -> new OfSet(set.id(), ofSets.get(set.id())))
                .toList();
        return new Kept(byName, forAll, bySet, new Members(propertyId, all));
    }
}
