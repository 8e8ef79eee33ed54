package lucidsweep.server.rewrite;

import java.util.List;
import lucidsweep.core.compose.Recipe;
import lucidsweep.server.aim.targets.ItemKeywords;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Component;

/** Prepares to work out what an edit would make of items. */
@Component
class ProposalWork {

    private final Clients clients;
    private final SetStandards standards;
    private final PropertyRecipes recipes;
    private final ItemKeywords keywords;
    private final TagSets tagSets;
    private final WrittenTexts written;
    private final Items items;
    private final Drafts drafts;

    ProposalWork(
            Clients clients,
            SetStandards standards,
            PropertyRecipes recipes,
            ItemKeywords keywords,
            TagSets tagSets,
            WrittenTexts written,
            Items items,
            Drafts drafts) {
        this.clients = clients;
        this.standards = standards;
        this.recipes = recipes;
        this.keywords = keywords;
        this.tagSets = tagSets;
        this.written = written;
        this.items = items;
        this.drafts = drafts;
    }

    Proposals of(Property property, EditSpec spec) {
        spec.check();
        Client client = clients.client(property.clientId());
        PropertyRecipes.Kept kept = recipes.of(property.id(), spec.field());
        RecipeSources sources = spec.isRecipe() ? sources(property, client, spec, kept) : null;
        return new Proposals(
                property, client, spec, standards.of(property), kept, sources, tagSets, written, items, drafts);
    }

    private RecipeSources sources(Property property, Client client, EditSpec spec, PropertyRecipes.Kept kept) {
        List<Recipe> used = spec.recipe() != null ? List.of(spec.recipe()) : kept.all();
        if (used.isEmpty()) throw Refusal.badInput("no recipe for these texts is in force yet");
        boolean nested = !kept.byName().isEmpty();
        boolean secondary = RecipeSources.needsSecondary(used)
                || nested && RecipeSources.needsSecondary(kept.byName().values());
        return new RecipeSources(property, client, keywords, secondary, kept.members());
    }
}
