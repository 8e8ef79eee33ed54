package lucidsweep.core.page;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * What is done with the parameters of an address before it is looked at.
 *
 * @param handling of those that stay
 * @param without the names of parameters that are taken off, in any case of letters
 */
public record QueryRule(Handling handling, Set<String> without) {

    /** Parameters stay as they are, are put in the order of their names, or are all taken off. */
    public enum Handling {
        KEEP,
        SORT,
        DROP
    }

    public static final QueryRule KEEP = new QueryRule(Handling.KEEP, Set.of());

    public QueryRule {
        Set<String> names = new TreeSet<>(String.CASE_INSENSITIVE_ORDER);
        names.addAll(without);
        without = names;
    }

    /** A normal address with its parameters handled so; "?" falls away with the last of them. */
    public String of(String address) {
        int mark = address.indexOf('?');
        if (mark < 0 || handling == Handling.KEEP && without.isEmpty()) return address;
        String path = address.substring(0, mark);
        if (handling == Handling.DROP) return path;
        List<String> parameters = Arrays.stream(address.substring(mark + 1).split("&"))
                .filter(parameter -> !parameter.isEmpty() && !without.contains(name(parameter)))
                .collect(Collectors.toList());
        if (handling == Handling.SORT) parameters.sort(null);
        return parameters.isEmpty() ? path : path + "?" + String.join("&", parameters);
    }

    private static String name(String parameter) {
        int equals = parameter.indexOf('=');
        return equals < 0 ? parameter : parameter.substring(0, equals);
    }
}
