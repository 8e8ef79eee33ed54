package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.set.Trait;

/**
 * Gathers findings into causes: by the beginning, ending or text that they share, else by the sections where nearly all items
 * have them, else by the folders or the time of publication of which nearly all have them; what is left of a check is one cause.
 */
public final class Causes {

    private static final int OWN_CAUSE = 4;
    private static final int MAX_QUOTED = 90;
    /** A cause names a section where at least so many of its items have the finding. */
    private static final double NEARLY_ALL = 0.8;

    private Causes() {}

    /**
     * The causes, those with most clicks at stake first, then the weightiest.
     *
     * @param tallies findings counted by check, what they share, and section
     * @param sections how many indexable items each section has
     * @param spreads how findings that share nothing lie over what else their items have in common
     * @param fitWithout for a common beginning or ending, how many of its titles would fit without it
     */
    public static List<Cause> of(
            Collection<Tally> tallies,
            Map<String, Integer> sections,
            Spreads spreads,
            Function<String, Integer> fitWithout) {
        List<Cause> causes = new ArrayList<>();
        Map<Check, List<Tally>> byCheck = new LinkedHashMap<>();
        for (Tally tally : tallies) {
            byCheck.computeIfAbsent(tally.check(), check -> new ArrayList<>()).add(tally);
        }
        byCheck.forEach((check, some) -> {
            if (check.isShared()) addShared(some, fitWithout, causes);
            else addBySection(some, sections, spreads, causes);
        });
        causes.sort(Comparator.comparingDouble((Cause cause) -> cause.stake().clicks())
                .thenComparingDouble(Cause::weight)
                .reversed()
                .thenComparing(Comparator.comparingInt(Cause::items).reversed())
                .thenComparing(Cause::says));
        return causes;
    }

    /**
     * Whether what some items have in common may be a cause of a finding.
     *
     * @param items how many of them have the finding
     * @param all how many of them are indexable
     */
    public static boolean mayBeOf(int items, int all) {
        return items >= OWN_CAUSE && items >= NEARLY_ALL * all;
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
            if (first.check() instanceof CommonPartCheck part) {
                String says = part.saysShared(items, group.getKey(), fitWithout.apply(group.getKey()));
                causes.add(cause(members, group.getKey(), "", says));
            } else if (items >= OWN_CAUSE
                    || first.check().fix(group.getKey()) != first.check().fix()) {
                String says = first.check().saysShared(items, group.getKey(), quoted(first.example()));
                causes.add(cause(members, group.getKey(), "", says));
            } else {
                small.addAll(members);
                smallGroups++;
            }
        }
        if (small.isEmpty()) return;
        String says = small.get(0)
                .check()
                .says(items(small), "")
                .replaceFirst(
                        "\\.$",
                        ", in " + Sentence.number(smallGroups)
                                + (smallGroups == 1 ? " small group." : " small groups."));
        causes.add(cause(small, "", "", says));
    }

    /** A text to be quoted within a sentence: without the full stop at its end, and of a long one its beginning. */
    private static String quoted(String text) {
        if (text.length() > MAX_QUOTED) {
            int space = text.lastIndexOf(' ', MAX_QUOTED);
            return text.substring(0, space > 0 ? space : text.offsetByCodePoints(0, MAX_QUOTED / 2)) + " …";
        }
        return text.endsWith(".") ? text.substring(0, text.length() - 1) : text;
    }

    private static void addBySection(
            List<Tally> tallies, Map<String, Integer> sections, Spreads spreads, List<Cause> causes) {
        Map<String, List<Tally>> bySection = tallies.stream()
                .collect(Collectors.groupingBy(Tally::section, LinkedHashMap::new, Collectors.toList()));
        int all = sections.values().stream().mapToInt(Integer::intValue).sum();
        List<Tally> rest = new ArrayList<>(tallies);
        List<Tally> left = rest;
        // What nearly all items of the property have is not a matter of any part of it.
        if (items(tallies) < NEARLY_ALL * all) {
            List<String> named = new ArrayList<>();
            bySection.forEach((section, members) -> {
                int here = items(members);
                if (!mayBeOf(here, sections.getOrDefault(section, 0))) return;
                causes.add(ofSection(members, section));
                rest.removeAll(members);
                named.add(section);
            });
            left = byTrait(rest, named, spreads, causes);
        }
        if (!left.isEmpty()) {
            List<String> where = left.stream().map(Tally::section).distinct().toList();
            String only = where.size() == 1 ? where.get(0) : "";
            causes.add(ofSection(left, only));
        }
    }

    /** Adds a cause for each trait of which nearly all have the finding; returns what is left. */
    private static List<Tally> byTrait(List<Tally> rest, List<String> named, Spreads spreads, List<Cause> causes) {
        if (items(rest) < OWN_CAUSE) return rest;
        Tally first = rest.get(0);
        ByTrait found = new ByTrait(spreads, first.check(), named);
        if (found.groups().isEmpty()) return rest;
        for (ByTrait.Group group : found.groups()) {
            List<Tally> members =
                    group.spreads().stream().map(some -> tally(first, some)).toList();
            String says = first.check().says(items(members), " " + group.trait().inWords());
            causes.add(cause(members, "", "", group.trait(), says));
        }
        return found.left().stream().map(some -> tally(first, some)).toList();
    }

    private static Tally tally(Tally like, Spread spread) {
        return new Tally(
                like.check(),
                like.shared(),
                like.example(),
                spread.section(),
                spread.items(),
                spread.links(),
                spread.stake());
    }

    private static Cause ofSection(List<Tally> members, String section) {
        String where = section.isEmpty() ? "" : " in " + section;
        return cause(members, "", section, members.get(0).check().says(items(members), where));
    }

    private static Cause cause(List<Tally> members, String shared, String section, String says) {
        return cause(members, shared, section, null, says);
    }

    private static Cause cause(List<Tally> members, String shared, String section, Trait trait, String says) {
        Check check = members.get(0).check();
        long links = members.stream().mapToLong(Tally::links).sum();
        int items = items(members);
        Stake stake = members.stream().map(Tally::stake).reduce(Stake.NONE, Stake::plus);
        double weight = check.field().weight() * (links + items);
        return new Cause(check, shared, section, trait, items, links, stake, weight, says, check.fix(shared));
    }

    private static int items(List<Tally> tallies) {
        return tallies.stream().mapToInt(Tally::items).sum();
    }
}
