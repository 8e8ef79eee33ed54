package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.compose.Recipe;
import lucidsweep.core.compose.RecipeFinder;
import lucidsweep.core.compose.Source;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.item.Field;
import lucidsweep.core.stake.ItemDemand;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.aim.demand.Demands;
import lucidsweep.server.aim.demand.ItemQueries;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.imports.ImportedColumns;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** Works out recipes from texts of a property that are good as they are: some that a person picked, or those clicked best. */
@Service
class FoundRecipes {

    private static final int MOST_PICKED = 500;
    private static final int BEST = 40;
    private static final int SHOWN = 20;

    /** Items of which fewer clicks would be expected over the window say nothing yet. */
    private static final double MIN_EXPECTED = 5;

    private static final int MOST_COLUMNS = 12;

    /** What a recipe may take, what people mostly mean first. */
    private static final List<Source.Kind> KINDS = List.of(
            Source.Kind.KEYWORD,
            Source.Kind.H1,
            Source.Kind.PLACE,
            Source.Kind.BRAND,
            Source.Kind.SECONDARY,
            Source.Kind.TITLE,
            Source.Kind.DESCRIPTION,
            Source.Kind.COPY_SENTENCE,
            Source.Kind.SLUG,
            Source.Kind.TAG,
            Source.Kind.SECTION,
            Source.Kind.PRICE,
            Source.Kind.YEAR,
            Source.Kind.TELLING_PHRASE);

    private final ProposalWork work;
    private final PropertyRecipes recipes;
    private final Clients clients;
    private final Items items;
    private final Demands demands;
    private final SetStandards standards;
    private final ImportedColumns columns;

    FoundRecipes(
            ProposalWork work,
            PropertyRecipes recipes,
            Clients clients,
            Items items,
            Demands demands,
            SetStandards standards,
            ImportedColumns columns) {
        this.work = work;
        this.recipes = recipes;
        this.clients = clients;
        this.items = items;
        this.demands = demands;
        this.standards = standards;
        this.columns = columns;
    }

    /** A good text, and what the recipe makes of its item. */
    record Compared(String address, String text, String made) {}

    /**
     * The recipe that was found.
     *
     * @param same how many of the texts it makes as they are
     * @param of how many there were
     * @param compared some of them, those that come out otherwise first
     */
    record FoundRecipe(Recipe recipe, int same, int of, List<Compared> compared) {}

    /** @param selection items whose texts are good; null for those that are clicked best */
    FoundRecipe of(long propertyId, Field field, Selection selection) {
        if (field != Field.TITLE && field != Field.DESCRIPTION) {
            throw Refusal.badInput("recipes are worked out for titles and descriptions, got " + field.label());
        }
        Property property = clients.property(propertyId);
        Client client = clients.client(property.clientId());
        long[] ids = selection == null ? clickedBest(property.id()) : picked(property.id(), selection);
        List<Source> sources = sources(property.id(), field);
        RecipeSources of = work.sources(
                property,
                client,
                needs(sources),
                recipes.of(property.id(), field).members());
        List<ItemDetail> details = items.details(property.id(), ids).stream()
                .filter(item -> good(item.field(field), selection == null))
                .toList();
        Map<Long, RecipeSources.Beside> beside = of.beside(ids);
        List<RecipeFinder.Example> examples = details.stream()
                .map(item -> new RecipeFinder.Example(
                        item.field(field).text(),
                        of.of(item, beside.getOrDefault(item.id(), RecipeSources.Beside.NONE), name -> "")))
                .toList();
        Standard standard = standards.of(property).base();
        RecipeFinder finder =
                new RecipeFinder(sources, recipe -> ComposedTexts.composer(recipe, standard, field, property, client));
        RecipeFinder.Found found = finder.find(examples)
                .orElseThrow(() -> Refusal.conflict("no recipe makes any of these " + examples.size() + " "
                        + field.label() + "s as they are; they say what the items do not have"));
        return new FoundRecipe(found.recipe(), found.same(), examples.size(), compared(details, examples, found));
    }

    /** What searchers saw counts where the clicks tell which are good. */
    private static boolean good(FieldLine text, boolean asSeen) {
        return text != null && !text.text().isBlank() && !(asSeen && text.draft() != null);
    }

    private long[] picked(long propertyId, Selection selection) {
        long[] ids = selection.resolve(propertyId, items);
        if (ids.length == 0)
            throw Refusal.badInput("no items are selected whose texts a recipe could be worked out from");
        if (ids.length > MOST_PICKED) {
            throw Refusal.badInput(
                    "select at most " + MOST_PICKED + " items whose texts are as they should be, got " + ids.length);
        }
        return ids;
    }

    /** The items whose clicks lie most above what their positions let expect, in ascending order. */
    private long[] clickedBest(long propertyId) {
        ItemQueries queries = demands.itemQueries(propertyId);
        ClickRates rates = queries.curve().rates();
        record Clicked(long id, double share) {}
        List<Clicked> clicked = new ArrayList<>();
        for (long id : queries.items()) {
            ItemDemand demand = ItemDemand.of(queries.of(id), rates, 1, List.of());
            boolean above = demand.expected() >= MIN_EXPECTED && demand.clicked() > demand.expected();
            // A few clicks more are chance: both sides are moved towards each other.
            if (above) clicked.add(new Clicked(id, (demand.clicked() + BEST) / (demand.expected() + BEST)));
        }
        if (clicked.isEmpty()) {
            throw Refusal.conflict("no item is clicked more than its positions let expect, as far as demand is known;"
                    + " select items whose texts are as they should be");
        }
        clicked.sort(Comparator.comparingDouble(Clicked::share).reversed().thenComparing(Clicked::id));
        return clicked.stream().limit(BEST).mapToLong(Clicked::id).sorted().toArray();
    }

    private List<Source> sources(long propertyId, Field field) {
        List<Source> sources = new ArrayList<>();
        for (Source.Kind kind : KINDS) {
            // The most telling phrase of a page is mostly one of its title.
            boolean itself =
                    kind.name().equals(field.name()) || kind == Source.Kind.TELLING_PHRASE && field == Field.TITLE;
            if (!itself) sources.add(new Source(kind, kind == Source.Kind.SECONDARY ? "1" : ""));
        }
        columns.ofProperty(propertyId).stream()
                .filter(column -> column.meaning() == Meaning.UNUSED)
                .limit(MOST_COLUMNS)
                .forEach(column -> sources.add(new Source(Source.Kind.COLUMN, column.name())));
        return sources;
    }

    private static RecipeSources.Needs needs(List<Source> sources) {
        Set<String> named = new HashSet<>();
        for (Source source : sources) if (source.kind() == Source.Kind.COLUMN) named.add(source.text());
        return new RecipeSources.Needs(true, true, named);
    }

    private static List<Compared> compared(
            List<ItemDetail> details, List<RecipeFinder.Example> examples, RecipeFinder.Found found) {
        List<Compared> compared = new ArrayList<>();
        for (int i = 0; i < details.size(); i++) {
            compared.add(new Compared(
                    details.get(i).address(),
                    examples.get(i).text(),
                    found.made().get(i)));
        }
        return compared.stream()
                .sorted(Comparator.comparing(each -> each.text().equals(each.made())))
                .limit(SHOWN)
                .toList();
    }
}
