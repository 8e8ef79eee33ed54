package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import lucidsweep.core.compose.Composition;
import lucidsweep.core.compose.ItemSources;
import lucidsweep.core.compose.Names;
import lucidsweep.core.compose.Recipe;
import lucidsweep.core.compose.RecipeComposer;
import lucidsweep.core.edit.PlaceBrand;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.draft.CapturedParts;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.ItemStandards;

/** Texts that recipes compose: the one that was sent, or those that are in force. */
final class ComposedTexts implements TextMaker {

    private static final int DEEPEST = 3;

    private final Edit edit;
    private final PropertyRecipes.Kept kept;
    private final RecipeSources sources;
    private final LinkedPages linked;
    private final Map<Recipe, Map<Standard, RecipeComposer>> composers =
            Collections.synchronizedMap(new IdentityHashMap<>());

    ComposedTexts(Edit edit, PropertyRecipes.Kept kept, RecipeSources sources) {
        this.edit = edit;
        this.kept = kept;
        this.sources = sources;
        linked = new LinkedPages(edit.property().id(), edit.items());
    }

    /** What composes a field of a property by a recipe. */
    static RecipeComposer composer(Recipe recipe, Standard standard, Field field, Property property, Client client) {
        return new RecipeComposer(
                recipe,
                standard.limits(field),
                Words.in(property.language()),
                Names.of(client.names()),
                new PlaceBrand(client.brandNames(), "", PlaceBrand.Place.NONE)::apply);
    }

    private RecipeComposer composer(Recipe recipe, Standard standard) {
        return composers
                .computeIfAbsent(recipe, any -> Collections.synchronizedMap(new IdentityHashMap<>()))
                .computeIfAbsent(
                        standard, any -> composer(recipe, standard, edit.field(), edit.property(), edit.client()));
    }

    @Override
    public List<MadeText> of(long[] ids) {
        List<MadeText> made = new ArrayList<>(ids.length);
        ItemStandards.Held held = edit.standards().held(ids);
        Map<Long, RecipeSources.Beside> beside = sources.beside(ids);
        Map<Long, FieldLine> parts = CapturedParts.have(edit.field())
                ? edit.drafts().fields(ids, edit.field()).stream()
                        .collect(Collectors.toMap(FieldLine::itemId, line -> line))
                : null;
        for (ItemDetail item : edit.items().details(edit.property().id(), ids)) {
            FieldLine field = parts == null ? item.field(edit.field()) : parts.get(item.id());
            RecipeSources.Beside more = beside.getOrDefault(item.id(), RecipeSources.Beside.NONE);
            if (field != null) made.add(of(item, more, field, held.standard(item.id())));
        }
        return made;
    }

    private MadeText of(ItemDetail item, RecipeSources.Beside beside, FieldLine field, Standard standard) {
        if (field.isKept()) return MadeText.of(Proposal.unchanged(field, standard, Proposal.Result.KEPT));
        Optional<Recipe> recipe = recipeOf(item.id());
        if (recipe.isEmpty()) return MadeText.of(Proposal.unchanged(field, standard, Proposal.Result.UNCHANGED));
        RecipeComposer composer = composer(recipe.get(), standard);
        ItemSources of = sourcesOf(item, beside, standard, DEEPEST);
        if (PartTexts.areOf(edit.field())) return MadeText.of(parts(field, composer, of, standard));
        Composition composition = composer.compose(of);
        String text = edit.field() == Field.SLUG
                ? Language.of(edit.property().language()).slug(composition.text())
                : composition.text();
        if (text.isEmpty()) return MadeText.of(Proposal.unchanged(field, standard, Proposal.Result.NOTHING));
        return new MadeText(
                new Proposal(field, standard, text, result(composition.outcome())),
                () -> RecipeSources.tellingApart(of),
                telling -> composer.compose(of, telling).text());
    }

    /** Of the images or links of a page those that lack a text. */
    private Proposal parts(FieldLine field, RecipeComposer composer, ItemSources page, Standard standard) {
        List<String> addresses = edit.field() == Field.LINKS
                ? PartTexts.of(field.text()).stream()
                        .map(PartTexts.Part::address)
                        .toList()
                : List.of();
        String text = new ComposedParts(edit.field(), composer, linked.at(addresses)).of(field.text(), page);
        return text.equals(field.text())
                ? Proposal.unchanged(field, standard, Proposal.Result.UNCHANGED)
                : new Proposal(field, standard, text, Proposal.Result.WHOLE);
    }

    /** The recipe that was sent, or what is in force for the item. */
    private Optional<Recipe> recipeOf(long itemId) {
        Recipe sent = edit.spec().recipe();
        return sent != null ? Optional.of(sent) : kept.inForce(itemId);
    }

    /** A recipe may take another one as a source, and that one a third; one that takes itself ends there. */
    private ItemSources sourcesOf(ItemDetail item, RecipeSources.Beside beside, Standard standard, int deeper) {
        return sources.of(item, beside, name -> {
            Recipe nested = kept.byName().get(name);
            if (nested == null || deeper == 0) return "";
            return composer(nested, standard)
                    .compose(sourcesOf(item, beside, standard, deeper - 1))
                    .text();
        });
    }

    @Override
    public Map<Long, List<Composition.LeftOut>> leftOut(long[] ids) {
        if (PartTexts.areOf(edit.field())) return Map.of();
        Map<Long, List<Composition.LeftOut>> leftOut = new HashMap<>();
        ItemStandards.Held held = edit.standards().held(ids);
        Map<Long, RecipeSources.Beside> beside = sources.beside(ids);
        for (ItemDetail item : edit.items().details(edit.property().id(), ids)) {
            Standard standard = held.standard(item.id());
            RecipeSources.Beside more = beside.getOrDefault(item.id(), RecipeSources.Beside.NONE);
            recipeOf(item.id())
                    .ifPresent(recipe -> leftOut.put(
                            item.id(),
                            composer(recipe, standard)
                                    .compose(sourcesOf(item, more, standard, DEEPEST))
                                    .leftOut()));
        }
        return leftOut;
    }

    private static Proposal.Result result(Composition.Outcome outcome) {
        return switch (outcome) {
            case FITS -> Proposal.Result.WHOLE;
            case SHORTENED -> Proposal.Result.SHORTENED;
            case LACKS_SOURCE -> Proposal.Result.LACKS_SOURCE;
            case NOTHING -> Proposal.Result.NOTHING;
        };
    }
}
