package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;

/** Gathers findings into causes: by the ending or text they share, else by the section most of them stand in. */
public final class Causes {

    private static final int OWN_CAUSE = 4;
    private static final double MAX_OF_THEM = 0.6;
    private static final int MIN_FOR_SECTION = 8;

    private Causes() {}

    /**
     * The causes, the weightiest first.
     *
     * @param tallies findings counted by field, kind, what they share, and section
     * @param fitWithout for a common ending, how many of its titles would fit without it
     */
    public static List<Cause> of(Collection<Tally> tallies, Function<String, Integer> fitWithout) {
        List<Cause> causes = new ArrayList<>();
        Map<String, List<Tally>> byKind = new LinkedHashMap<>();
        for (Tally tally : tallies) {
            byKind.computeIfAbsent(tally.field() + " " + tally.kind(), key -> new ArrayList<>())
                    .add(tally);
        }
        for (List<Tally> kind : byKind.values()) {
            if (kind.get(0).kind() == FindingKind.COMMON_ENDING || kind.get(0).kind() == FindingKind.DUPLICATE) {
                addShared(kind, fitWithout, causes);
            } else {
                addBySection(kind, causes);
            }
        }
        causes.sort(Comparator.comparingDouble(Cause::weight)
                .reversed()
                .thenComparing(Comparator.comparingInt(Cause::items).reversed())
                .thenComparing(Cause::says));
        return causes;
    }

    private static void addShared(List<Tally> tallies, Function<String, Integer> fitWithout, List<Cause> causes) {
        Map<String, List<Tally>> groups =
                tallies.stream().collect(Collectors.groupingBy(Tally::shared, LinkedHashMap::new, Collectors.toList()));
        List<Tally> small = new ArrayList<>();
        int smallGroups = 0;
        for (Map.Entry<String, List<Tally>> group : groups.entrySet()) {
            List<Tally> members = group.getValue();
            Tally first = members.get(0);
            int items = items(members);
            if (first.kind() == FindingKind.COMMON_ENDING) {
                int fit = fitWithout.apply(group.getKey());
                String says = items + " titles end in the same "
                        + group.getKey().strip().length() + " letters, “"
                        + group.getKey().strip() + "”. Without them, " + fit + (fit == 1 ? " fits." : " fit.");
                causes.add(cause(members, group.getKey(), "", says, Cause.Fix.REMOVE_ENDING));
            } else if (items >= OWN_CAUSE) {
                String says = items + " items share one " + first.field().label() + ": “" + group.getKey() + "”.";
                causes.add(cause(members, group.getKey(), "", says, Cause.Fix.RECIPE));
            } else {
                small.addAll(members);
                smallGroups++;
            }
        }
        if (small.isEmpty()) return;
        String says = items(small) + " " + small.get(0).field().label() + "s are used on several items, in "
                + smallGroups + (smallGroups == 1 ? " small group." : " small groups.");
        causes.add(cause(small, "", "", says, Cause.Fix.RECIPE));
    }

    private static void addBySection(List<Tally> tallies, List<Cause> causes) {
        Map<String, List<Tally>> sections = tallies.stream()
                .collect(Collectors.groupingBy(Tally::section, LinkedHashMap::new, Collectors.toList()));
        int all = items(tallies);
        List<Tally> rest = new ArrayList<>(tallies);
        for (Map.Entry<String, List<Tally>> section : sections.entrySet()) {
            int here = items(section.getValue());
            if (sections.size() == 1 || all < MIN_FOR_SECTION || here < MAX_OF_THEM * all) continue;
            causes.add(
                    cause(section.getValue(), "", section.getKey(), says(section.getValue(), section.getKey()), null));
            rest.removeAll(section.getValue());
        }
        if (!rest.isEmpty()) {
            List<String> where = rest.stream().map(Tally::section).distinct().toList();
            String only = where.size() == 1 ? where.get(0) : "";
            causes.add(cause(rest, "", only, says(rest, only), null));
        }
    }

    private static Cause cause(List<Tally> members, String shared, String section, String says, Cause.Fix fix) {
        Tally first = members.get(0);
        long links = members.stream().mapToLong(Tally::links).sum();
        int items = items(members);
        double weight = first.field().weight() * (links + items);
        Cause.Fix fitting = fix == null ? usualFix(first.field(), first.kind()) : fix;
        return new Cause(first.field(), first.kind(), shared, section, items, links, weight, says, fitting);
    }

    private static Cause.Fix usualFix(Field field, FindingKind kind) {
        return switch (field) {
            case TAGS -> Cause.Fix.TAGS;
            case H1, INDEXING -> Cause.Fix.BY_HAND;
            default ->
                switch (kind) {
                    case TOO_LONG -> Cause.Fix.CUT;
                    case SEVERAL -> Cause.Fix.BY_HAND;
                    default -> Cause.Fix.RECIPE;
                };
        };
    }

    private static String says(List<Tally> members, String section) {
        Tally first = members.get(0);
        int n = items(members);
        boolean one = n == 1;
        String where = section.isEmpty() ? "" : " in " + section;
        String field = first.field().label();
        String items = n + (one ? " item" : " items") + where;
        String texts = n + " " + field + (one || field.endsWith("s") ? "" : "s") + where;
        return switch (first.kind()) {
            case MISSING -> items + (one ? " has" : " have") + " no " + field + ".";
            case EMPTY -> texts + (one ? " is" : " are") + " present but empty.";
            case SEVERAL -> items + (one ? " has" : " have") + " more than one " + field + ".";
            case TOO_LONG ->
                field.equals("tags")
                        ? items + (one ? " has" : " have") + " a tag that is too long."
                        : texts + (one ? " is" : " are") + " cut off on result pages.";
            case TOO_SHORT -> texts + (one ? " is" : " are") + " so short that space is wasted.";
            case OFF_KEYWORD -> texts + (one ? " lacks" : " lack") + " words of the item’s keyword.";
            case KEYWORD_LATE -> texts + (one ? " has" : " have") + " the keyword late.";
            case GENERIC -> texts + (one ? " says" : " say") + " nothing about the page.";
            case REPEATED_WORD -> texts + (one ? " repeats" : " repeat") + " a word.";
            case TOO_MANY -> items + (one ? " has" : " have") + " too many tags.";
            case ONE_WORD -> items + (one ? " has" : " have") + " tags of one word.";
            case SAME_TWICE -> items + (one ? " has" : " have") + " the same tag twice.";
            case BUDGET_UNUSED -> items + (one ? " leaves" : " leave") + " tags unused.";
            case NOT_INDEXABLE -> items + (one ? " is" : " are") + " not indexable.";
            case DUPLICATE, COMMON_ENDING -> throw new IllegalStateException("gathered by what they share");
        };
    }

    private static int items(List<Tally> tallies) {
        return tallies.stream().mapToInt(Tally::items).sum();
    }
}
