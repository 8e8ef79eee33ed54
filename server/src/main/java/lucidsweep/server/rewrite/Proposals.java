package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import lucidsweep.core.compose.Arrangement;
import lucidsweep.core.compose.Composition;
import lucidsweep.core.compose.Condition;
import lucidsweep.core.compose.ItemSources;
import lucidsweep.core.compose.Names;
import lucidsweep.core.compose.Recipe;
import lucidsweep.core.compose.RecipeComposer;
import lucidsweep.core.edit.BulkEdit;
import lucidsweep.core.edit.PlaceBrand;
import lucidsweep.core.edit.RunawayPattern;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.Slug;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.draft.CapturedParts;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Lookahead;
import lucidsweep.server.rewrite.blocks.TextBlocks;

/** Works out, item by item, what an edit would make of a selection; the same for a preview and for the batch itself. */
final class Proposals {

    private static final int CHUNK = 200;
    private static final int RUNAWAYS_ENDURED = 5;

    private static final int DEEPEST = 3;
    private static final int MAX_SLUG_NUMBER = 99;

    private final Property property;
    private final Client client;
    private final EditSpec spec;
    private final Items items;
    private final Drafts drafts;
    private final ItemStandards standards;
    private final PropertyRecipes.Kept kept;
    private final RecipeSources sources;
    private final TagSets tagSets;
    private final WrittenTexts written;
    private final LinkedPages linked;
    private final Map<Standard, BulkEdit> edits = Collections.synchronizedMap(new IdentityHashMap<>());
    private final Map<Recipe, Map<Standard, RecipeComposer>> composers =
            Collections.synchronizedMap(new IdentityHashMap<>());
    private final Set<Long> taken = new HashSet<>();
    private final Map<Long, Boolean> heldElsewhere = new HashMap<>();
    private final AtomicInteger runaways = new AtomicInteger();
    private volatile TagSets.Made chosenTags;

    /** What follows from new slugs or switched indexing; null for other fields. */
    private final Consequences.Sum consequences;

    /** The blocks that descriptions share; null where they are not asked for. */
    private final TextBlocks.Arranged arranged;

    /** Made when the first slug is worked out. */
    private SlugClaims slugs;

    /**
     * @param sources what recipes take of the items; null for a bulk edit
     * @param consequences adds up what follows from the changes; null where nothing does
     */
    Proposals(
            Property property,
            Client client,
            EditSpec spec,
            ItemStandards standards,
            PropertyRecipes.Kept kept,
            RecipeSources sources,
            TagSets tagSets,
            WrittenTexts written,
            TextBlocks.Arranged arranged,
            Consequences.Sum consequences,
            Items items,
            Drafts drafts) {
        this.property = property;
        this.client = client;
        this.spec = spec;
        this.items = items;
        this.drafts = drafts;
        linked = new LinkedPages(property.id(), items);
        this.standards = standards;
        this.kept = kept;
        this.sources = sources;
        this.tagSets = tagSets;
        this.written = written;
        this.arranged = arranged;
        this.consequences = consequences;
        // What cannot be read is refused before the first item.
        if (spec.isWritten()) written(new long[0]);
        else if (!spec.isRecipe() && !spec.isTagSets() && !spec.isBlocks()) edit(standards.base());
    }

    private Map<Long, String> written(long[] ids) {
        return written.of(property.id(), spec.with(), spec.field(), ids);
    }

    private BulkEdit edit(Standard standard) {
        return edits.computeIfAbsent(standard, this::newEdit);
    }

    /** Of the images or links of a page each text is edited by itself. */
    private BulkEdit newEdit(Standard standard) {
        BulkEdit edit =
                spec.bulkEdit(standard, client, Words.in(property.language()), () -> tagSets.searches(property));
        return PartTexts.areOf(spec.field()) ? text -> PartTexts.changed(text, edit::apply) : edit;
    }

    private RecipeComposer composer(Recipe recipe, Standard standard) {
        return composers
                .computeIfAbsent(recipe, any -> Collections.synchronizedMap(new IdentityHashMap<>()))
                .computeIfAbsent(standard, any -> composer(recipe, standard, spec.field(), property, client));
    }

    static RecipeComposer composer(Recipe recipe, Standard standard, Field field, Property property, Client client) {
        return new RecipeComposer(
                recipe,
                standard.limits(field),
                Words.in(property.language()),
                Names.of(client.names()),
                new PlaceBrand(client.brandNames(), "", PlaceBrand.Place.NONE)::apply);
    }

    /** Proposes for all of the ids, which ascend, in their order and a chunk at a time. */
    void forEach(long[] ids, Consumer<List<Proposal>> visit) {
        if (spec.isTagSets()) {
            List<String> forbidden = spec.tags() == null ? List.of() : spec.tags();
            chosenTags = spec.isSeason()
                    ? tagSets.ofSeason(property, client, standards, ids, spec.month())
                    : tagSets.of(property, client, standards, ids, forbidden, spec.brandPercent());
        }
        Lookahead.over(
                ids,
                CHUNK,
                some -> spec.isRecipe() || spec.isBlocks()
                        ? composed(some)
                        : spec.isWritten() ? taken(some) : edited(some),
                drafts -> {
                    List<Proposal> told = told(drafts, ids);
                    if (consequences != null) consequences.add(changed(told));
                    visit.accept(told);
                });
    }

    private static Map<Long, String> changed(List<Proposal> proposals) {
        return proposals.stream()
                .filter(Proposal::changes)
                .collect(Collectors.toMap(proposal -> proposal.field().itemId(), Proposal::after));
    }

    /** What there is to say of all together, once they were worked out; null for nothing. */
    String says() {
        if (consequences != null) return consequences.says();
        return chosenTags == null ? null : chosenTags.says();
    }

    /** A proposal that was worked out for itself; sources and composer are kept only where it was composed. */
    private record Draft(Proposal proposal, RecipeComposer composer, ItemSources sources) {

        FieldLine field() {
            return proposal.field();
        }
    }

    /** What was written elsewhere; an item of which nothing was stays as it is. */
    private List<Draft> taken(long[] ids) {
        ItemStandards.Held held = standards.held(ids);
        Map<Long, String> texts = written(ids);
        return drafts.fields(ids, spec.field()).stream()
                .map(field ->
                        new Draft(taken(field, texts.get(field.itemId()), held.standard(field.itemId())), null, null))
                .toList();
    }

    private Proposal taken(FieldLine field, String text, Standard standard) {
        if (field.isKept()) return Proposal.unchanged(field, standard, Proposal.Result.KEPT);
        if (text == null) return Proposal.unchanged(field, standard, Proposal.Result.NOTHING);
        return whole(field, standard, text);
    }

    /** A new text as it is stored; a slug of which nothing is left stays. */
    private Proposal whole(FieldLine field, Standard standard, String text) {
        if (spec.field() == Field.SLUG
                && Language.of(property.language()).slug(text).isEmpty()) {
            return Proposal.unchanged(field, standard, Proposal.Result.NOTHING);
        }
        String after = TidyText.of(property, field, text);
        boolean same = after.equals(field.text());
        return new Proposal(field, standard, after, same ? Proposal.Result.UNCHANGED : Proposal.Result.WHOLE);
    }

    private List<Draft> edited(long[] ids) {
        ItemStandards.Held held = standards.held(ids);
        boolean withTitles = !spec.isTagSets() && edit(standards.base()).needsTitle();
        Map<Long, String> titles = withTitles
                ? drafts.fields(ids, Field.TITLE).stream().collect(Collectors.toMap(FieldLine::itemId, FieldLine::text))
                : Map.of();
        return drafts.fields(ids, spec.field()).stream()
                .map(field -> {
                    Standard standard = held.standard(field.itemId());
                    String title = titles.getOrDefault(field.itemId(), "");
                    return new Draft(edited(field, title, standard), null, null);
                })
                .toList();
    }

    private Proposal edited(FieldLine field, String title, Standard standard) {
        if (field.isKept()) return Proposal.unchanged(field, standard, Proposal.Result.KEPT);
        if (runaways.get() >= RUNAWAYS_ENDURED) return Proposal.unchanged(field, standard, Proposal.Result.RUNAWAY);
        try {
            String after = spec.isTagSets()
                    ? chosenTags.texts().getOrDefault(field.itemId(), field.text())
                    : edit(standard).apply(field.text(), title);
            boolean same = after.equals(field.text());
            if (same) return Proposal.unchanged(field, standard, Proposal.Result.UNCHANGED);
            return whole(field, standard, after);
        } catch (RunawayPattern e) {
            runaways.incrementAndGet();
            return Proposal.unchanged(field, standard, Proposal.Result.RUNAWAY);
        }
    }

    private List<Draft> composed(long[] ids) {
        List<Draft> made = new ArrayList<>(ids.length);
        ItemStandards.Held held = standards.held(ids);
        Map<Long, RecipeSources.Beside> beside = sources.beside(ids);
        Map<Long, FieldLine> parts = CapturedParts.have(spec.field())
                ? drafts.fields(ids, spec.field()).stream().collect(Collectors.toMap(FieldLine::itemId, line -> line))
                : null;
        for (ItemDetail item : items.details(property.id(), ids)) {
            FieldLine field = parts == null ? item.field(spec.field()) : parts.get(item.id());
            RecipeSources.Beside more = beside.getOrDefault(item.id(), RecipeSources.Beside.NONE);
            if (field != null) made.add(composed(item, more, field, held.standard(item.id())));
        }
        return made;
    }

    /** Of the images or links of a page those that lack a text. */
    private Draft composedParts(FieldLine field, RecipeComposer composer, ItemSources page, Standard standard) {
        List<String> addresses = spec.field() == Field.LINKS
                ? PartTexts.of(field.text()).stream()
                        .map(PartTexts.Part::address)
                        .toList()
                : List.of();
        String text = new ComposedParts(spec.field(), composer, linked.at(addresses)).of(field.text(), page);
        Proposal proposal = text.equals(field.text())
                ? Proposal.unchanged(field, standard, Proposal.Result.UNCHANGED)
                : new Proposal(field, standard, text, Proposal.Result.WHOLE);
        return new Draft(proposal, null, null);
    }

    private Draft composed(ItemDetail item, RecipeSources.Beside beside, FieldLine field, Standard standard) {
        if (field.isKept()) return new Draft(Proposal.unchanged(field, standard, Proposal.Result.KEPT), null, null);
        if (spec.isBlocks()) return new Draft(arranged(item, beside, field, standard), null, null);
        Optional<Recipe> recipe = recipeOf(item.id());
        if (recipe.isEmpty())
            return new Draft(Proposal.unchanged(field, standard, Proposal.Result.UNCHANGED), null, null);
        RecipeComposer composer = composer(recipe.get(), standard);
        ItemSources of = sourcesOf(item, beside, standard, DEEPEST);
        if (PartTexts.areOf(spec.field())) return composedParts(field, composer, of, standard);
        Composition composition = composer.compose(of);
        String text = spec.field() == Field.SLUG
                ? Language.of(property.language()).slug(composition.text())
                : composition.text();
        Proposal proposal = text.isEmpty()
                ? Proposal.unchanged(field, standard, Proposal.Result.NOTHING)
                : new Proposal(field, standard, text, result(composition.outcome()));
        return new Draft(proposal, composer, of);
    }

    /** The item's own text with the blocks as they are now below it, or without them. */
    private Proposal arranged(ItemDetail item, RecipeSources.Beside beside, FieldLine field, Standard standard) {
        ItemSources of = sourcesOf(item, beside, standard, 0);
        UnaryOperator<String> valueOf = name -> BlockValues.of(name, of, item.address());
        List<String> blocks = spec.tool().equals("blocks")
                ? arranged.of(language -> of.holds(Condition.What.LANGUAGE, language), valueOf)
                : List.of();
        String own = Arrangement.own(field.text(), arranged.knownOf(valueOf));
        String text = TidyText.of(
                property,
                field,
                Arrangement.of(own, blocks, standard.description().maxChars()));
        if (text.equals(field.text())) return Proposal.unchanged(field, standard, Proposal.Result.UNCHANGED);
        boolean whole = blocks.stream().allMatch(block -> text.contains(block.strip()));
        return new Proposal(field, standard, text, whole ? Proposal.Result.WHOLE : Proposal.Result.SHORTENED);
    }

    /** The recipe that was sent, or what is in force for the item. */
    private Optional<Recipe> recipeOf(long itemId) {
        return spec.recipe() != null ? Optional.of(spec.recipe()) : kept.inForce(itemId);
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

    /** What recipes leave out of the texts of some items, by item. */
    Map<Long, List<Composition.LeftOut>> leftOut(long[] ids) {
        if (PartTexts.areOf(spec.field())) return Map.of();
        Map<Long, List<Composition.LeftOut>> leftOut = new HashMap<>();
        ItemStandards.Held held = standards.held(ids);
        Map<Long, RecipeSources.Beside> beside = sources.beside(ids);
        for (ItemDetail item : items.details(property.id(), ids)) {
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

    /** What was worked out for each by itself is held against the others here, one after another. */
    private List<Proposal> told(List<Draft> made, long[] selected) {
        if (spec.field() == Field.SLUG) return free(made);
        if (spec.isWritten())
            return made.stream().map(draft -> noCopy(draft, selected)).toList();
        if (!spec.isRecipe()) return made.stream().map(Draft::proposal).toList();
        return made.stream().map(draft -> distinct(draft, selected)).toList();
    }

    /** Two items never get the same address: a slug that is taken is told apart by a number, "kayak-hire-2". */
    private List<Proposal> free(List<Draft> made) {
        if (slugs == null) slugs = new SlugClaims(property.id(), items, drafts);
        Map<Long, String> addresses = items.addresses(made.stream()
                .filter(draft -> draft.proposal.changes())
                .map(draft -> draft.field().itemId())
                .toList());
        return made.stream().map(draft -> free(draft.proposal, addresses)).toList();
    }

    private Proposal free(Proposal proposal, Map<Long, String> addresses) {
        if (!proposal.changes()) return proposal;
        long item = proposal.field().itemId();
        String address = addresses.getOrDefault(item, "");
        if (slugs.claim(item, Slug.replaced(address, proposal.after()))) return proposal;
        for (int number = 2; number <= MAX_SLUG_NUMBER; number++) {
            String apart = proposal.after() + "-" + number;
            if (slugs.claim(item, Slug.replaced(address, apart)))
                return new Proposal(proposal.field(), proposal.standard(), apart, Proposal.Result.TOLD_APART);
        }
        return new Proposal(proposal.field(), proposal.standard(), proposal.after(), Proposal.Result.ALIKE);
    }

    /** What was written for two items alike becomes a draft of the first only. */
    private Proposal noCopy(Draft draft, long[] selected) {
        Proposal proposal = draft.proposal;
        boolean tells = spec.field() == Field.TITLE || spec.field() == Field.DESCRIPTION;
        if (!tells || !proposal.changes() || claim(draft, proposal.after(), selected)) return proposal;
        return new Proposal(draft.field(), proposal.standard(), proposal.after(), Proposal.Result.ALIKE);
    }

    /** Two items never get the same text: the later one gets the part that tells it apart. */
    private Proposal distinct(Draft draft, long[] selected) {
        Proposal proposal = draft.proposal;
        boolean composed = draft.composer != null && proposal.result() != Proposal.Result.NOTHING;
        if (!composed || claim(draft, proposal.after(), selected)) return proposal;
        for (String telling : RecipeSources.tellingApart(draft.sources)) {
            String apart = draft.composer.compose(draft.sources, telling).text();
            if (!apart.isEmpty() && claim(draft, apart, selected))
                return new Proposal(draft.field(), proposal.standard(), apart, Proposal.Result.TOLD_APART);
        }
        return new Proposal(draft.field(), proposal.standard(), proposal.after(), Proposal.Result.ALIKE);
    }

    private boolean claim(Draft draft, String text, long[] selected) {
        long hash = TextKey.hash(text);
        long own = draft.field().itemId();
        return !heldElsewhere.computeIfAbsent(hash, key -> isHeldElsewhere(key, own, selected)) && taken.add(hash);
    }

    /** Whether another item has the text and keeps it: one that is not selected or stays as it is. */
    private boolean isHeldElsewhere(long hash, long own, long[] selected) {
        // Which other texts are alike is not known beside the selected ones.
        if (spec.field() != Field.TITLE && spec.field() != Field.DESCRIPTION) return false;
        long[] others = items.alikeItems(property.id(), spec.field(), List.of(hash)).stream()
                .mapToLong(Long::longValue)
                .filter(id -> id != own)
                .toArray();
        if (others.length == 0) return false;
        if (Arrays.stream(others).anyMatch(id -> Arrays.binarySearch(selected, id) < 0)) return true;
        return drafts.fields(others, spec.field()).stream().anyMatch(FieldLine::isKept);
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
