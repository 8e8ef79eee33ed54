package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import lucidsweep.core.compose.Condition;
import lucidsweep.core.compose.ItemSources;
import lucidsweep.core.compose.Recipe;
import lucidsweep.core.compose.Sentences;
import lucidsweep.core.compose.Source;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.keyword.Intent;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.PlacesNamed;
import lucidsweep.core.keyword.TellingPhrases;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.text.TextKey;
import lucidsweep.core.text.WrittenNumber;
import lucidsweep.server.aim.targets.ItemKeywords;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.imports.ImportedColumns;
import lucidsweep.server.item.table.ItemDetail;

/** What recipes may take of the items of a property. Safe for use by many threads. */
final class RecipeSources {

    private static final Pattern YEAR = Pattern.compile("\\b(?:19|20)\\d\\d\\b");
    private static final Pattern AMOUNT = Pattern.compile("\\d[\\d.,]*");

    private final Property property;
    private final Client client;
    private final PlacesNamed places;
    private final Language language;
    private final Set<String> brands;
    private final ItemKeywords keywords;
    private final ImportedColumns columns;
    private final Needs needs;
    private final PropertyRecipes.Members members;
    private final TellingPhrases phrases;

    /** What recipes ask for that is read beside the items: only then is it. */
    record Needs(boolean secondary, boolean telling, Set<String> columns) {

        static final Needs NONE = new Needs(false, false, Set.of());

        static Needs of(Collection<Recipe> recipes) {
            List<Source> sources = sources(recipes);
            return new Needs(
                    sources.stream().anyMatch(source -> source.kind() == Source.Kind.SECONDARY),
                    sources.stream().anyMatch(source -> source.kind() == Source.Kind.TELLING_PHRASE),
                    sources.stream()
                            .filter(source -> source.kind() == Source.Kind.COLUMN)
                            .map(Source::text)
                            .collect(Collectors.toSet()));
        }
    }

    /** What is read beside an item: its secondary keywords, and the cells of its row in the file it came from. */
    record Beside(List<String> secondary, Map<String, String> cells) {
        static final Beside NONE = new Beside(List.of(), Map.of());
    }

    /**
     * Prepares to look at items.
     *
     * @param needs what the recipes ask for
     * @param phrases knows the titles of the property where the recipes ask for telling phrases
     * @param members who belongs to the sets of the property
     */
    RecipeSources(
            Property property,
            Client client,
            ItemKeywords keywords,
            ImportedColumns columns,
            Needs needs,
            TellingPhrases phrases,
            PropertyRecipes.Members members) {
        this.property = property;
        this.client = client;
        this.keywords = keywords;
        this.columns = columns;
        this.needs = needs;
        this.phrases = phrases;
        this.members = members;
        places = new PlacesNamed(client.placeNames());
        language = Language.of(property.language());
        brands = client.brandNames().stream().map(TextKey::key).collect(Collectors.toSet());
    }

    private static List<Source> sources(Collection<Recipe> recipes) {
        return recipes.stream()
                .flatMap(recipe -> recipe.parts().stream())
                .flatMap(part -> part.sources().stream())
                .toList();
    }

    /** Whether any of some recipes takes another one as a source. */
    static boolean takeOthers(Collection<Recipe> recipes) {
        return sources(recipes).stream().anyMatch(source -> source.kind() == Source.Kind.RECIPE);
    }

    /**
     * What is read beside some items, by item; nothing where no recipe asks for it.
     *
     * @param ids in ascending order
     */
    Map<Long, Beside> beside(long[] ids) {
        if (ids.length == 0 || !needs.secondary && needs.columns.isEmpty()) return Map.of();
        Map<Long, List<ItemKeywords.Aim>> aims =
                needs.secondary ? keywords.between(ids[0], ids[ids.length - 1]) : Map.of();
        Map<Long, Map<String, String>> cells = needs.columns.isEmpty()
                ? Map.of()
                : columns.cells(Arrays.stream(ids).boxed().toList(), needs.columns);
        Map<Long, Beside> beside = new HashMap<>();
        for (long id : ids) {
            List<String> secondary = aims.getOrDefault(id, List.of()).stream()
                    .filter(aim -> !aim.primary())
                    .map(ItemKeywords.Aim::phrase)
                    .toList();
            beside.put(id, new Beside(secondary, cells.getOrDefault(id, Map.of())));
        }
        return beside;
    }

    /**
     * What recipes may take of one item.
     *
     * @param beside what was read beside it
     * @param nested composes another recipe of a name for the same item; "" where there is none
     */
    ItemSources of(ItemDetail item, Beside beside, Function<String, String> nested) {
        return new Sources(item, beside, nested);
    }

    private final class Sources implements ItemSources {
        private final ItemDetail item;
        private final Beside beside;
        private final Function<String, String> nested;

        private Sources(ItemDetail item, Beside beside, Function<String, String> nested) {
            this.item = item;
            this.beside = beside;
            this.nested = nested;
        }

        @Override
        public long id() {
            return item.id();
        }

        @Override
        public String text(Source source) {
            return switch (source.kind()) {
                case SECONDARY -> secondary(source.text());
                case PLACE -> place();
                case TAG -> tag();
                case COPY_SENTENCE -> Sentences.firstGood(item.seen().opening());
                case TELLING_PHRASE ->
                    phrases.of(
                            item.title().captured(),
                            item.seen().h1(),
                            item.seen().opening());
                case COLUMN -> beside.cells.getOrDefault(source.text(), "");
                case YEAR -> year();
                case RECIPE -> nested.apply(source.text());
                default -> plain(source.kind());
            };
        }

        private String plain(Source.Kind kind) {
            return switch (kind) {
                case KEYWORD -> orEmpty(item.keyword());
                case TITLE -> item.title().captured();
                case DESCRIPTION -> item.description().captured();
                case H1 -> item.seen().h1();
                case SLUG -> property.kind() == PropertyKind.WEBSITE ? PageAddress.slugWords(item.address()) : "";
                case SECTION -> sectionWords(item.section());
                case PRICE -> item.seen().price();
                case BRAND -> client.name();
                case COPY_OPENING -> item.seen().opening();
                default -> "";
            };
        }

        private String secondary(String number) {
            int place = number.matches("[1-9]") ? Integer.parseInt(number) - 1 : 0;
            return place < beside.secondary.size() ? beside.secondary.get(place) : "";
        }

        /** Where the keyword names none, the place of the heading, the title or the address. */
        private String place() {
            for (Source.Kind kind : List.of(Source.Kind.KEYWORD, Source.Kind.H1, Source.Kind.TITLE, Source.Kind.SLUG)) {
                String place = places.in(plain(kind));
                if (!place.isEmpty()) return place;
            }
            return "";
        }

        private String tag() {
            List<String> tags =
                    item.tags() == null ? List.of() : TagList.of(item.tags().text());
            return tags.isEmpty() ? "" : tags.get(0);
        }

        private String year() {
            Matcher year = YEAR.matcher(item.seen().published());
            return year.find() ? year.group() : "";
        }

        @Override
        public boolean holds(Condition.What what, String value) {
            return switch (what) {
                case HAS_KEYWORD -> item.keyword() != null;
                case HAS_PLACE -> !place().isEmpty();
                case INTENT -> item.keyword() != null && intent().code().equals(value);
                case PRICE_UNDER -> isUnder(item.seen().price(), value);
                case LANGUAGE -> Language.of(spoken()).code().equals(value);
                case IN_SET -> members.has(value, item.id());
            };
        }

        private String spoken() {
            String own = item.seen().language();
            return own.isEmpty() ? property.language() : own;
        }

        private Intent.Kind intent() {
            String key = " " + TextKey.key(item.keyword()) + " ";
            boolean brand = brands.stream().anyMatch(each -> key.contains(" " + each + " "));
            return Intent.of(item.keyword(), language, brand, places.in(item.keyword()))
                    .kind();
        }
    }

    /** "sea kayaks" of "/sea-kayaks/"; what lies deeper keeps its slashes. */
    private static String sectionWords(String section) {
        int start = section.startsWith("/") ? 1 : 0;
        int end = section.length() > start && section.endsWith("/") ? section.length() - 1 : section.length();
        return section.substring(start, end).replace('-', ' ').replace('_', ' ').strip();
    }

    private static boolean isUnder(String price, String limit) {
        Optional<Double> amount = amount(price);
        Optional<Double> most = amount(limit);
        return amount.isPresent() && most.isPresent() && amount.get() < most.get();
    }

    private static Optional<Double> amount(String written) {
        Matcher amount = AMOUNT.matcher(written);
        return amount.find() ? WrittenNumber.plain(amount.group()).map(Double::valueOf) : Optional.empty();
    }

    /** What tells an item apart from others that would get the same text, in falling order. */
    static List<String> tellingApart(ItemSources item) {
        List<String> telling = new ArrayList<>();
        for (Source.Kind kind : List.of(
                Source.Kind.H1,
                Source.Kind.PLACE,
                Source.Kind.SLUG,
                Source.Kind.SECTION,
                Source.Kind.KEYWORD,
                Source.Kind.YEAR,
                Source.Kind.PRICE)) {
            String text = item.text(new Source(kind, ""));
            if (!text.isBlank()) telling.add(text);
        }
        return telling;
    }

    private static String orEmpty(String text) {
        return text == null ? "" : text;
    }
}
