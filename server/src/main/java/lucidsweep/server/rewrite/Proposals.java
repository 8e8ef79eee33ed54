package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.compose.BulkEdit;
import lucidsweep.core.compose.Composition;
import lucidsweep.core.compose.Fitter;
import lucidsweep.core.compose.RunawayPattern;
import lucidsweep.core.compose.Source;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Likeness;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.Drafts;
import lucidsweep.server.item.FieldLine;
import lucidsweep.server.item.ItemDetail;
import lucidsweep.server.item.Items;

/** Works out, item by item, what an edit would make of a selection; the same for a preview and for the batch itself. */
final class Proposals {

    private static final int CHUNK = 200;
    private static final int RUNAWAYS_ENDURED = 5;

    private final Property property;
    private final Client client;
    private final EditSpec spec;
    private final Items items;
    private final Drafts drafts;
    private final BulkEdit edit;
    private final Fitter fitter;
    private final Set<Long> taken = new HashSet<>();
    private int runaways;

    Proposals(Property property, Client client, EditSpec spec, Items items, Drafts drafts) {
        spec.check();
        this.property = property;
        this.client = client;
        this.spec = spec;
        this.items = items;
        this.drafts = drafts;
        Standard standard = property.standard();
        if (spec.isRecipe()) {
            edit = null;
            Standard.TextLimits limits = spec.field().equals("title") ? standard.title() : standard.description();
            fitter = new Fitter(spec.recipe(), limits, Words.in(property.language()), client.names());
        } else {
            edit = spec.bulkEdit(standard, client.names());
            fitter = null;
        }
    }

    /** Proposes for all of the ids, in their order, a chunk at a time. */
    void forEach(long[] ids, Consumer<List<Proposal>> visit) {
        Set<Long> selected = Arrays.stream(ids).boxed().collect(Collectors.toSet());
        for (int start = 0; start < ids.length; start += CHUNK) {
            long[] chunk = Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK));
            List<FieldLine> fields = drafts.fields(chunk, spec.field());
            visit.accept(
                    fitter == null ? fields.stream().map(this::edited).toList() : composed(chunk, fields, selected));
        }
    }

    private Proposal edited(FieldLine field) {
        if (field.kept() != null) return new Proposal(field, field.text(), Proposal.Result.KEPT);
        if (runaways >= RUNAWAYS_ENDURED) return new Proposal(field, field.text(), Proposal.Result.RUNAWAY);
        try {
            String after = edit.apply(field.text());
            boolean same = after.equals(field.text());
            return new Proposal(field, after, same ? Proposal.Result.UNCHANGED : Proposal.Result.WHOLE);
        } catch (RunawayPattern e) {
            runaways++;
            return new Proposal(field, field.text(), Proposal.Result.RUNAWAY);
        }
    }

    private List<Proposal> composed(long[] chunk, List<FieldLine> fields, Set<Long> selected) {
        Map<Long, ItemDetail> details = new HashMap<>();
        items.details(chunk).forEach(item -> details.put(item.id(), item));
        List<Draft> made = new ArrayList<>();
        for (FieldLine field : fields) {
            ItemDetail item = details.get(field.itemId());
            if (item == null) continue;
            Map<Source.Kind, String> sources = sources(item);
            Composition composition = field.kept() == null ? fitter.compose(sources) : null;
            made.add(new Draft(field, sources, composition));
        }
        Set<Long> elsewhere = takenElsewhere(made, selected);
        return made.stream().map(draft -> distinct(draft, elsewhere)).toList();
    }

    private record Draft(FieldLine field, Map<Source.Kind, String> sources, Composition composition) {}

    /** Hashes of composed texts that items outside the selection have already. */
    private Set<Long> takenElsewhere(List<Draft> made, Set<Long> selected) {
        List<Long> keys = made.stream()
                .filter(draft ->
                        draft.composition != null && !draft.composition.text().isEmpty())
                .map(draft -> Likeness.hash(draft.composition.text()))
                .distinct()
                .toList();
        List<Long> holders = items.alikeItems(property.id(), spec.field(), keys).stream()
                .filter(id -> !selected.contains(id))
                .toList();
        if (holders.isEmpty()) return Set.of();
        return drafts.fields(holders.stream().mapToLong(Long::longValue).toArray(), spec.field()).stream()
                .map(FieldLine::alike)
                .collect(Collectors.toSet());
    }

    /** Two items never get the same text: the later one gets the part that tells it apart. */
    private Proposal distinct(Draft draft, Set<Long> elsewhere) {
        FieldLine field = draft.field;
        if (draft.composition == null) return new Proposal(field, field.text(), Proposal.Result.KEPT);
        String text = draft.composition.text();
        if (text.isEmpty()) return new Proposal(field, field.text(), Proposal.Result.NOTHING);
        if (claim(text, elsewhere)) return new Proposal(field, text, result(draft.composition.outcome()));
        for (String telling : tellingApart(draft.sources)) {
            String apart = fitter.compose(draft.sources, telling).text();
            if (!apart.isEmpty() && claim(apart, elsewhere))
                return new Proposal(field, apart, Proposal.Result.TOLD_APART);
        }
        return new Proposal(field, text, Proposal.Result.ALIKE);
    }

    private boolean claim(String text, Set<Long> elsewhere) {
        long hash = Likeness.hash(text);
        return !elsewhere.contains(hash) && taken.add(hash);
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
        sources.put(Source.Kind.H1, item.h1());
        sources.put(Source.Kind.SLUG, property.kind().equals("website") ? PageAddress.slugWords(item.address()) : "");
        sources.put(Source.Kind.SECTION, sectionWords(item.section()));
        sources.put(Source.Kind.PRICE, item.price());
        sources.put(Source.Kind.BRAND, client.name());
        sources.put(Source.Kind.COPY_OPENING, item.opening());
        return sources;
    }

    private static String sectionWords(String section) {
        return section.replaceAll("^/|/$", "").replaceAll("[-_]", " ").strip();
    }

    private static String orEmpty(String text) {
        return text == null ? "" : text;
    }
}
