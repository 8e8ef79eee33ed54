package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.compose.Recipe;
import lucidsweep.core.keyword.TellingPhrases;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.aim.targets.ItemKeywords;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.imports.ImportedColumns;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.rewrite.blocks.TextBlocks;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Component;

/** Prepares to work out what an edit would make of items. */
@Component
class ProposalWork {

    private final Clients clients;
    private final SetStandards standards;
    private final PropertyRecipes recipes;
    private final ItemKeywords keywords;
    private final ImportedColumns columns;
    private final TagSets tagSets;
    private final WrittenTexts written;
    private final Consequences consequences;
    private final TextBlocks blocks;
    private final Items items;
    private final Drafts drafts;

    ProposalWork(
            Clients clients,
            SetStandards standards,
            PropertyRecipes recipes,
            ItemKeywords keywords,
            ImportedColumns columns,
            TagSets tagSets,
            WrittenTexts written,
            Consequences consequences,
            TextBlocks blocks,
            Items items,
            Drafts drafts) {
        this.clients = clients;
        this.standards = standards;
        this.recipes = recipes;
        this.keywords = keywords;
        this.columns = columns;
        this.tagSets = tagSets;
        this.written = written;
        this.consequences = consequences;
        this.blocks = blocks;
        this.items = items;
        this.drafts = drafts;
    }

    Proposals of(Property property, EditSpec spec) {
        spec.check();
        Client client = clients.client(property.clientId());
        Edit edit = new Edit(property, client, spec, standards.of(property), items, drafts);
        Consequences.Sum follows =
                Consequences.areOf(spec.field()) ? consequences.sum(property.id(), spec.field()) : null;
        return new Proposals(edit, maker(edit), follows);
    }

    private TextMaker maker(Edit edit) {
        if (edit.spec().isRecipe()) return composed(edit);
        if (edit.spec().isBlocks()) return arranged(edit);
        if (edit.spec().isTagSets()) return new ChosenTags(edit, tagSets);
        return edit.spec().isWritten() ? new TakenTexts(edit, written) : new EditedTexts(edit, tagSets);
    }

    private TextMaker composed(Edit edit) {
        PropertyRecipes.Kept kept = recipes.of(edit.property().id(), edit.field());
        List<Recipe> used = edit.spec().recipe() != null ? List.of(edit.spec().recipe()) : kept.all();
        if (used.isEmpty()) throw Refusal.badInput("no recipe for these texts is in force yet");
        List<Recipe> all = new ArrayList<>(used);
        if (RecipeSources.takeOthers(used)) all.addAll(kept.byName().values());
        RecipeSources.Needs needs = RecipeSources.Needs.of(all);
        return new ComposedTexts(edit, kept, sources(edit.property(), edit.client(), needs, kept.members()));
    }

    private TextMaker arranged(Edit edit) {
        if (edit.property().kind() == PropertyKind.WEBSITE) {
            throw Refusal.badInput("descriptions of pages are one line; blocks are for listings and videos");
        }
        PropertyRecipes.Members members =
                recipes.of(edit.property().id(), edit.field()).members();
        return new ArrangedTexts(
                edit,
                blocks.arranged(edit.property().id()),
                sources(edit.property(), edit.client(), RecipeSources.Needs.NONE, members));
    }

    /** What recipes may take of the items of a property. */
    RecipeSources sources(
            Property property, Client client, RecipeSources.Needs needs, PropertyRecipes.Members members) {
        TellingPhrases phrases = new TellingPhrases(Words.in(property.language()));
        if (needs.telling()) items.forEachTitle(property.id(), phrases::add);
        return new RecipeSources(property, client, keywords, columns, needs, phrases, members);
    }
}
