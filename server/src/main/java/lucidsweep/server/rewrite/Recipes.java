package lucidsweep.server.rewrite;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import lucidsweep.core.compose.Recipe;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Clients;
import lucidsweep.server.item.table.ItemSets;
import lucidsweep.server.item.table.Selection;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Recipes kept under a name, for next time, or in force for all items or those of a set. */
@RestController
@RequestMapping("/api/properties/{propertyId}/recipes")
class Recipes {

    private final RecipeMapper mapper;
    private final Clients clients;
    private final ItemSets sets;
    private final FoundRecipes found;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    Recipes(
            RecipeMapper mapper,
            Clients clients,
            ItemSets sets,
            FoundRecipes found,
            TransactionTemplate transaction,
            JsonMapper json) {
        this.mapper = mapper;
        this.clients = clients;
        this.sets = sets;
        this.found = found;
        this.transaction = transaction;
        this.json = json;
    }

    /**
     * A recipe with its name; id 0 for a new one.
     *
     * @param inForce whether it is what items get in a run of all recipes
     * @param setId those of this set only; null for all that no set has a recipe for
     */
    record NamedRecipe(
            long id,

            @NotNull(message = "is title or description") Field field,

            @NotBlank(message = "is needed") @Size(max = 200, message = "may have 200 characters")
            String name,

            @NotNull(message = "is needed") Recipe recipe,

            boolean inForce,

            @Nullable Long setId) {}

    @GetMapping
    List<NamedRecipe> recipes(@PathVariable long propertyId) {
        return mapper.ofProperty(propertyId).stream()
                .map(line -> new NamedRecipe(
                        line.id(),
                        line.field(),
                        line.name(),
                        json.readValue(line.spec(), Recipe.class),
                        line.inForce(),
                        line.setId()))
                .toList();
    }

    @PostMapping
    void saveRecipe(@PathVariable long propertyId, @Valid @RequestBody NamedRecipe recipe) {
        clients.property(propertyId);
        Long setId = recipe.inForce() ? recipe.setId() : null;
        if (setId != null) sets.ofProperty(propertyId, setId);
        String spec = json.writeValueAsString(recipe.recipe());
        transaction.executeWithoutResult(status -> {
            mapper.save(propertyId, recipe.field(), recipe.name(), spec, recipe.inForce(), setId);
            if (recipe.inForce()) mapper.endOthers(propertyId, recipe.field(), setId, recipe.name());
        });
        clients.touch(propertyId);
    }

    /**
     * What a recipe is to be worked out from.
     *
     * @param selection items whose texts are as they should be; null for those that are clicked best
     */
    record Wanted(
            @NotNull(message = "is title or description") Field field,

            @Nullable @Valid Selection selection) {}

    /** The recipe that says most of some good texts as they are. */
    @PostMapping("/found")
    FoundRecipes.FoundRecipe findRecipe(@PathVariable long propertyId, @Valid @RequestBody Wanted wanted) {
        return found.of(propertyId, wanted.field(), wanted.selection());
    }

    @DeleteMapping("/{id}")
    void deleteRecipe(@PathVariable long propertyId, @PathVariable long id) {
        mapper.delete(propertyId, id);
        clients.touch(propertyId);
    }
}
