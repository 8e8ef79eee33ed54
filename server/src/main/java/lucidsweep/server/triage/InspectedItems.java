package lucidsweep.server.triage;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.finding.Alike;
import lucidsweep.core.finding.Exempt;
import lucidsweep.core.finding.InspectedAddress;
import lucidsweep.core.finding.InspectedItem;
import lucidsweep.core.finding.InspectedText;
import lucidsweep.core.finding.PageNotes;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.PageLanguage;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.Noindex;
import lucidsweep.core.page.Slug;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.draft.Indexing;
import lucidsweep.server.item.table.ItemDetail;

/** Makes of stored items what the checks look at. */
final class InspectedItems {

    private static final String UNKNOWN = "another item";

    /** Its texts are only taken apart. */
    private static final String UNKNOWN_LANGUAGE = "xx";

    private final String language;
    private final Likes titles;
    private final Likes descriptions;
    private final Function<List<Long>, Map<Long, String>> addresses;

    /**
     * Prepares to look at items.
     *
     * @param language of those that do not say theirs
     * @param addresses reads those of some items
     */
    InspectedItems(
            String language, Likes titles, Likes descriptions, Function<List<Long>, Map<Long, String>> addresses) {
        this.language = language;
        this.titles = titles;
        this.descriptions = descriptions;
        this.addresses = addresses;
    }

    /** An item with what its title and description are like. */
    private record Liked(ItemDetail item, Likes.Like title, Likes.Like description) {}

    /**
     * Some items, in their order.
     *
     * @param searched the ids of those that searchers were shown
     * @param exempt the ids of checks that items need not pass, by item
     */
    List<InspectedItem> of(List<ItemDetail> items, Set<Long> searched, Map<Long, Set<String>> exempt) {
        List<Liked> liked = items.stream()
                .map(item -> new Liked(item, titles.of(item.title()), descriptions.of(item.description())))
                .toList();
        Set<Long> others = new HashSet<>();
        for (Liked each : liked) {
            add(each.title, others);
            add(each.description, others);
        }
        Map<Long, String> names = others.isEmpty() ? new HashMap<>() : addresses.apply(List.copyOf(others));
        return liked.stream().map(each -> of(each, names, searched, exempt)).toList();
    }

    private static void add(Likes.Like like, Set<Long> others) {
        if (like.twin() != Likes.Like.NONE) others.add(like.twin());
        like.near().ifPresent(near -> others.add(near.id()));
    }

    private InspectedItem of(Liked liked, Map<Long, String> names, Set<Long> searched, Map<Long, Set<String>> exempt) {
        ItemDetail item = liked.item;
        PageLanguage spoken =
                new PageLanguage(item.seen().language(), item.seen().opening(), language);
        Words words = Words.in(
                spoken.language().code().isEmpty()
                        ? UNKNOWN_LANGUAGE
                        : spoken.language().code());
        return new InspectedItem(
                InspectedAddress.of(address(item)),
                noindex(item),
                text(item.title(), words, alike(liked.title, names)),
                text(item.description(), words, alike(liked.description, names)),
                heading(item, words),
                item.tags() == null ? null : TagList.of(item.tags().text()),
                Optional.ofNullable(item.keyword()).map(keyword -> Phrase.of(keyword, words)),
                notes(item),
                item.inbound(),
                searched.contains(item.id()),
                spoken,
                new Exempt(kept(item), exempt.getOrDefault(item.id(), Set.of())));
    }

    /** What was noted of its markup, as if what is drafted for it stood there. */
    private static PageNotes notes(ItemDetail item) {
        PageNotes notes =
                item.draft(Field.H1) == null ? item.notes() : item.notes().without(Field.H1);
        return notes.withImages(item.draft(Field.IMAGES), item.address())
                .withLinks(item.draft(Field.LINKS), item.address())
                .withShared(item.draft(Field.OG_TITLE), item.draft(Field.OG_DESCRIPTION), item.address());
    }

    /** With the slug that is drafted for it. */
    private static String address(ItemDetail item) {
        String slug = item.draft(Field.SLUG);
        return slug == null ? item.address() : Slug.replaced(item.address(), slug);
    }

    /** The H1 in force; one that is drafted is the only one. */
    private static InspectedText heading(ItemDetail item, Words words) {
        String drafted = item.draft(Field.H1);
        return drafted == null
                ? new InspectedText(Field.H1, item.seen().h1Count(), item.seen().h1(), words, Alike.NONE)
                : new InspectedText(Field.H1, 1, drafted, words, Alike.NONE);
    }

    /** As the indexing switch would have it. */
    private static Optional<Noindex> noindex(ItemDetail item) {
        Optional<Noindex> captured = Optional.ofNullable(item.noindex());
        String drafted = item.draft(Field.INDEXING);
        if (drafted == null) return captured;
        if (drafted.equals(Indexing.OFF)) {
            return Optional.of(captured.orElse(new Noindex(Noindex.Reason.NOINDEX, Indexing.OFF)));
        }
        return captured.filter(why -> why.reason() != Noindex.Reason.NOINDEX);
    }

    private static InspectedText text(FieldLine text, Words words, Alike alike) {
        return new InspectedText(text.field(), text.count(), text.text(), words, alike);
    }

    private static Alike alike(Likes.Like like, Map<Long, String> names) {
        return new Alike(
                like.same(),
                like.twin() == Likes.Like.NONE ? "" : names.getOrDefault(like.twin(), UNKNOWN),
                like.near()
                        .map(near -> new Alike.NearText(
                                names.getOrDefault(near.id(), UNKNOWN), near.likeness(), near.group())),
                like.series());
    }

    private static Set<Field> kept(ItemDetail item) {
        Set<Field> kept = EnumSet.noneOf(Field.class);
        for (Field field : FieldId.FIELDS) if (item.isKept(field)) kept.add(field);
        return kept;
    }
}
