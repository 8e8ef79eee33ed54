package lucidsweep.core.set;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.AddressPattern;

/**
 * What an item must be to belong to a set; every part that is null does not narrow. A set has no list of its members: new items
 * belong to it by themselves.
 *
 * <pre>{@code
 * SetConditions journal = new SetConditions(List.of("/journal/*"), …, new Range(null, 90.0), …);
 * Predicate<SetMember> isYoungPost = journal.test(today, Map.of());
 * }</pre>
 *
 * @param addresses patterns as {@link AddressPattern} reads them, whatever their case; one of them must fit
 * @param sections one of these
 * @param language its code: "de" means "de-AT", too
 * @param tag one of its tags, whatever its case
 * @param withKeyword whether it aims at a keyword
 * @param keyword words that its keyword contains
 * @param price in the currency of the property
 * @param ageDays how long ago it was published
 * @param indexable whether search engines may list it
 * @param found a check that found something of it
 * @param ids exactly these items, of those that are everything else
 * @param within the name of another set that it belongs to as well
 */
public record SetConditions(
        @Nullable List<String> addresses,
        @Nullable List<String> sections,
        @Nullable String language,
        @Nullable String tag,
        @Nullable Boolean withKeyword,
        @Nullable String keyword,
        @Nullable Range price,
        @Nullable Range ageDays,
        @Nullable Boolean indexable,
        @Nullable FoundBy found,
        @Nullable List<Long> ids,
        @Nullable String within) {

    private static final int MAX_PATTERNS = 100;
    private static final int MAX_IDS = 100_000;

    /** From a number to another, both included; null is open. */
    public record Range(@Nullable Double min, @Nullable Double max) {

        /** Whether a number lies in it; one that is not known, which is NaN, does not. */
        public boolean has(double value) {
            return !Double.isNaN(value) && (min == null || value >= min) && (max == null || value <= max);
        }

        private String problem(String name) {
            boolean bad = min != null && !Double.isFinite(min) || max != null && !Double.isFinite(max);
            if (bad) return name + ": expected numbers";
            if (min != null && max != null && min > max)
                return name + ": expected a range, got from " + min + " to " + max;
            return "";
        }
    }

    /** A check. */
    public record FoundBy(Field field, String check) {}

    /** The same for other items. */
    public SetConditions of(List<Long> items) {
        return new SetConditions(
                addresses,
                sections,
                language,
                tag,
                withKeyword,
                keyword,
                price,
                ageDays,
                indexable,
                found,
                items,
                within);
    }

    /** The same within another set. */
    public SetConditions inside(String other) {
        return new SetConditions(
                addresses, sections, language, tag, withKeyword, keyword, price, ageDays, indexable, found, ids, other);
    }

    /** Whether what was found decides who belongs to it, itself or through the set that it is within. */
    public boolean restsOnFindings(Map<String, SetConditions> sets) {
        if (found != null) return true;
        return within != null && sets.containsKey(within) && sets.get(within).restsOnFindings(sets);
    }

    /**
     * What cannot be used of it, in words; nothing where all can.
     *
     * @param checks the ids of all checks there are
     */
    public List<String> problems(Set<String> checks) {
        List<String> problems = new ArrayList<>();
        if (addresses != null) {
            if (addresses.size() > MAX_PATTERNS)
                problems.add("addresses: expected " + MAX_PATTERNS + " patterns at most, got " + addresses.size());
            for (String pattern : addresses) {
                try {
                    AddressPattern.of(pattern);
                } catch (IllegalArgumentException e) {
                    problems.add("addresses: " + e.getMessage());
                }
            }
        }
        if (price != null) problems.add(price.problem("price"));
        if (ageDays != null) problems.add(ageDays.problem("ageDays"));
        if (found != null
                && (found.field() == null || !checks.contains(found.field().code() + " " + found.check())))
            problems.add("found: there is no check \"" + found.check() + "\" of that field");
        if (ids != null && ids.size() > MAX_IDS)
            problems.add("ids: expected " + MAX_IDS + " items at most, got " + ids.size());
        problems.removeIf(String::isEmpty);
        return problems;
    }

    /**
     * The sets of a property that a set is within, which must not lead back to it.
     *
     * @param name of the set
     * @throws IllegalArgumentException where they go in a circle, or one of them is not there
     */
    public void refuseCircle(String name, Map<String, SetConditions> others) {
        List<String> way = new ArrayList<>(List.of(name));
        for (String at = within; at != null; ) {
            boolean circle = way.contains(at);
            way.add(at);
            if (circle) throw new IllegalArgumentException("sets within each other: " + String.join(" → ", way));
            SetConditions other = others.get(at);
            if (other == null) throw new IllegalArgumentException("within: there is no set “" + at + "”");
            at = other.within;
        }
    }

    /**
     * Tells whether an item belongs to it.
     *
     * @param today in days since 1 January 1970
     * @param sets all sets of the property by name, without circles
     */
    public Predicate<SetMember> test(long today, Map<String, SetConditions> sets) {
        List<Predicate<SetMember>> all = new ArrayList<>();
        if (indexable != null) all.add(item -> item.indexable() == indexable);
        if (ids != null) {
            long[] sorted = ids.stream().mapToLong(Long::longValue).sorted().toArray();
            all.add(item -> Arrays.binarySearch(sorted, item.id()) >= 0);
        }
        if (sections != null) {
            Set<String> some = new HashSet<>(sections);
            all.add(item -> some.contains(item.section()));
        }
        if (language != null) all.add(item -> isLanguage(item.language(), language.toLowerCase(Locale.ROOT)));
        if (withKeyword != null) all.add(item -> item.keyword().isEmpty() != withKeyword);
        if (keyword != null) {
            String part = keyword.toLowerCase(Locale.ROOT).strip();
            all.add(item -> item.keyword().toLowerCase(Locale.ROOT).contains(part));
        }
        if (tag != null) {
            String wanted = tag.toLowerCase(Locale.ROOT).strip();
            all.add(item -> hasTag(item.tags(), wanted));
        }
        if (price != null) all.add(item -> price.has(item.price()));
        if (ageDays != null) all.add(item -> ageDays.has(today - item.publishedDay()));
        if (found != null) all.add(item -> item.hasFinding(found.field(), found.check()));
        if (addresses != null) {
            List<AddressPattern> patterns = addresses.stream()
                    .map(pattern -> AddressPattern.of(pattern.toLowerCase(Locale.ROOT)))
                    .toList();
            all.add(item -> patterns.stream().anyMatch(pattern -> pattern.matches(item.address())));
        }
        if (within != null && sets.containsKey(within)) all.add(sets.get(within).test(today, sets));
        return item -> {
            for (Predicate<SetMember> condition : all) if (!condition.test(item)) return false;
            return true;
        };
    }

    private static boolean isLanguage(String said, String wanted) {
        String language = said.toLowerCase(Locale.ROOT).replace('_', '-');
        return language.equals(wanted) || language.startsWith(wanted + "-");
    }

    static boolean hasTag(String tags, String wanted) {
        if (!tags.contains(wanted)) return false;
        for (String tag : tags.split(",")) if (tag.strip().equals(wanted)) return true;
        return false;
    }
}
