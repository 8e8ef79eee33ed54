package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import lucidsweep.core.compose.Composition;
import lucidsweep.core.compose.Names;
import lucidsweep.core.compose.RecipeComposer;
import lucidsweep.core.compose.Source;
import lucidsweep.core.edit.BulkEdit;
import lucidsweep.core.edit.RunawayPattern;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Lookahead;

/** Works out, item by item, what an edit would make of a selection; the same for a preview and for the batch itself. */
final class Proposals {

    private static final int CHUNK = 200;
    private static final Pattern BREAK = Pattern.compile("^/|/$|[-_]");
    private static final int RUNAWAYS_ENDURED = 5;

    private final Property property;
    private final Client client;
    private final EditSpec spec;
    private final Items items;
    private final Drafts drafts;
    private final ItemStandards standards;
    private final Map<Standard, Tool> tools = Collections.synchronizedMap(new IdentityHashMap<>());
    private final Set<Long> taken = new HashSet<>();
    private final Map<Long, Boolean> heldElsewhere = new HashMap<>();
    private final AtomicInteger runaways = new AtomicInteger();

    /** What works the edit out for items that are held to the same; one of both is null. */
    private record Tool(Standard standard, BulkEdit edit, RecipeComposer composer) {}

    Proposals(Property property, Client client, EditSpec spec, ItemStandards standards, Items items, Drafts drafts) {
        spec.check();
        this.property = property;
        this.client = client;
        this.spec = spec;
        this.items = items;
        this.drafts = drafts;
        this.standards = standards;
        tool(standards.base());
    }

    private Tool tool(Standard standard) {
        return tools.computeIfAbsent(standard, this::newTool);
    }

    private Tool newTool(Standard standard) {
        Words words = Words.in(property.language());
        if (!spec.isRecipe()) return new Tool(standard, spec.bulkEdit(standard, client, words), null);
        Names names = Names.of(client.names());
        return new Tool(standard, null, new RecipeComposer(spec.recipe(), standard.limits(spec.field()), words, names));
    }

    /** Proposes for all of the ids, which ascend, in their order and a chunk at a time. */
    void forEach(long[] ids, Consumer<List<Proposal>> visit) {
        Lookahead.over(
                ids,
                CHUNK,
                some -> spec.isRecipe() ? composed(some) : edited(some),
                drafts -> visit.accept(told(drafts, ids)));
    }

    /** A proposal that was worked out for itself; sources are kept only where it was composed. */
    private record Draft(Proposal proposal, Tool tool, Map<Source.Kind, String> sources) {

        FieldLine field() {
            return proposal.field();
        }
    }

    private List<Draft> edited(long[] ids) {
        ItemStandards.Held held = standards.held(ids);
        boolean withTitles = tool(standards.base()).edit.needsTitle();
        Map<Long, String> titles = withTitles
                ? drafts.fields(ids, Field.TITLE).stream().collect(Collectors.toMap(FieldLine::itemId, FieldLine::text))
                : Map.of();
        return drafts.fields(ids, spec.field()).stream()
                .map(field -> {
                    Tool tool = tool(held.standard(field.itemId()));
                    return new Draft(edited(field, titles.getOrDefault(field.itemId(), ""), tool), tool, null);
                })
                .toList();
    }

    private Proposal edited(FieldLine field, String title, Tool tool) {
        if (field.isKept()) return Proposal.unchanged(field, tool.standard, Proposal.Result.KEPT);
        if (runaways.get() >= RUNAWAYS_ENDURED)
            return Proposal.unchanged(field, tool.standard, Proposal.Result.RUNAWAY);
        try {
            String after = tool.edit.apply(field.text(), title);
            boolean same = after.equals(field.text());
            return new Proposal(field, tool.standard, after, same ? Proposal.Result.UNCHANGED : Proposal.Result.WHOLE);
        } catch (RunawayPattern e) {
            runaways.incrementAndGet();
            return Proposal.unchanged(field, tool.standard, Proposal.Result.RUNAWAY);
        }
    }

    private List<Draft> composed(long[] ids) {
        List<Draft> made = new ArrayList<>(ids.length);
        ItemStandards.Held held = standards.held(ids);
        for (ItemDetail item : items.details(property.id(), ids)) {
            FieldLine field = item.field(spec.field());
            if (field == null) continue;
            Map<Source.Kind, String> sources = sources(item);
            Tool tool = tool(held.standard(field.itemId()));
            made.add(new Draft(composed(field, tool, sources), tool, sources));
        }
        return made;
    }

    private static Proposal composed(FieldLine field, Tool tool, Map<Source.Kind, String> sources) {
        if (field.isKept()) return Proposal.unchanged(field, tool.standard, Proposal.Result.KEPT);
        Composition composition = tool.composer.compose(sources);
        if (composition.text().isEmpty()) return Proposal.unchanged(field, tool.standard, Proposal.Result.NOTHING);
        return new Proposal(field, tool.standard, composition.text(), result(composition.outcome()));
    }

    /** What was worked out for each by itself is held against the others here, one after another. */
    private List<Proposal> told(List<Draft> made, long[] selected) {
        if (!spec.isRecipe()) return made.stream().map(Draft::proposal).toList();
        return made.stream().map(draft -> distinct(draft, selected)).toList();
    }

    /** Two items never get the same text: the later one gets the part that tells it apart. */
    private Proposal distinct(Draft draft, long[] selected) {
        Proposal proposal = draft.proposal;
        boolean composed = proposal.result() != Proposal.Result.KEPT && proposal.result() != Proposal.Result.NOTHING;
        if (!composed || claim(draft, proposal.after(), selected)) return proposal;
        for (String telling : tellingApart(draft.sources)) {
            String apart = draft.tool.composer.compose(draft.sources, telling).text();
            if (!apart.isEmpty() && claim(draft, apart, selected))
                return new Proposal(draft.field(), draft.tool.standard, apart, Proposal.Result.TOLD_APART);
        }
        return new Proposal(draft.field(), draft.tool.standard, proposal.after(), Proposal.Result.ALIKE);
    }

    private boolean claim(Draft draft, String text, long[] selected) {
        long hash = TextKey.hash(text);
        long own = draft.field().itemId();
        return !heldElsewhere.computeIfAbsent(hash, key -> isHeldElsewhere(key, own, selected)) && taken.add(hash);
    }

    /** Whether another item has the text and keeps it: one that is not selected or stays as it is. */
    private boolean isHeldElsewhere(long hash, long own, long[] selected) {
        long[] others = items.alikeItems(property.id(), spec.field(), List.of(hash)).stream()
                .mapToLong(Long::longValue)
                .filter(id -> id != own)
                .toArray();
        if (others.length == 0) return false;
        if (Arrays.stream(others).anyMatch(id -> Arrays.binarySearch(selected, id) < 0)) return true;
        return drafts.fields(others, spec.field()).stream().anyMatch(FieldLine::isKept);
    }

    private static List<String> tellingApart(Map<Source.Kind, String> sources) {
        return List.of(
                        sources.get(Source.Kind.H1),
                        sources.get(Source.Kind.SLUG),
                        sources.get(Source.Kind.SECTION),
                        sources.get(Source.Kind.KEYWORD),
                        sources.get(Source.Kind.PRICE))
                .stream()
                .filter(text -> !text.isBlank())
                .toList();
    }

    private static Proposal.Result result(Composition.Outcome outcome) {
        return switch (outcome) {
            case FITS -> Proposal.Result.WHOLE;
            case SHORTENED -> Proposal.Result.SHORTENED;
            case LACKS_SOURCE -> Proposal.Result.LACKS_SOURCE;
            case NOTHING -> Proposal.Result.NOTHING;
        };
    }

    private Map<Source.Kind, String> sources(ItemDetail item) {
        Map<Source.Kind, String> sources = new EnumMap<>(Source.Kind.class);
        sources.put(Source.Kind.KEYWORD, orEmpty(item.keyword()));
        sources.put(Source.Kind.TITLE, item.title().captured());
        sources.put(Source.Kind.DESCRIPTION, item.description().captured());
        sources.put(Source.Kind.H1, item.seen().h1());
        sources.put(
                Source.Kind.SLUG, property.kind() == PropertyKind.WEBSITE ? PageAddress.slugWords(item.address()) : "");
        sources.put(Source.Kind.SECTION, sectionWords(item.section()));
        sources.put(Source.Kind.PRICE, item.seen().price());
        sources.put(Source.Kind.BRAND, client.name());
        sources.put(Source.Kind.COPY_OPENING, item.seen().opening());
        return sources;
    }

    private static String sectionWords(String section) {
        return BREAK.matcher(section).replaceAll(" ").strip();
    }

    private static String orEmpty(String text) {
        return text == null ? "" : text;
    }
}
