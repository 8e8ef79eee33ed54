package lucidsweep.core.page;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Redirects that lead to their end in one step: where an address moved twice, the first leads to the last, and nothing leads
 * in a circle.
 *
 * <pre>{@code a → b was delivered; b → c comes: a → c, b → c }</pre>
 */
public final class Redirects {

    private Redirects() {}

    /** One address that leads to another. */
    public record Redirect(String from, String to) {}

    /**
     * What has to be set up for new redirects beside those that are there: the new ones, and earlier ones that lead elsewhere now.
     *
     * @param before those that were delivered, the first first; a later one from the same address goes before it
     * @param now the new ones
     */
    public static List<Redirect> of(Collection<Redirect> before, Collection<Redirect> now) {
        Map<String, String> all = new LinkedHashMap<>();
        before.forEach(each -> add(List.of(each), all));
        Map<String, String> earlier = new HashMap<>();
        all.keySet().forEach(from -> earlier.put(from, end(from, all)));
        add(now, all);
        List<Redirect> due = new ArrayList<>();
        for (String from : all.keySet()) {
            String end = end(from, all);
            if (!end.equals(from) && !end.equals(earlier.get(from))) due.add(new Redirect(from, end));
        }
        return due;
    }

    private static void add(Collection<Redirect> some, Map<String, String> all) {
        // An address that something moves to is there itself and leads nowhere any more.
        some.forEach(each -> all.remove(each.to));
        some.forEach(each -> all.put(each.from, each.to));
    }

    /** Where an address leads at last; itself where it leads in a circle. */
    private static String end(String from, Map<String, String> redirects) {
        Set<String> seen = new HashSet<>();
        String at = from;
        while (redirects.containsKey(at)) {
            if (!seen.add(at)) return from;
            at = redirects.get(at);
        }
        return at;
    }
}
