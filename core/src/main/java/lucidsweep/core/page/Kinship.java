package lucidsweep.core.page;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;

/**
 * What two addresses with the same text say of why it is the same.
 *
 * <pre>{@code
 * Kinship.of("https://bay.example/de/boote/", "https://bay.example/en/boote/")   // TRANSLATION
 * Kinship.of("https://bay.example/log?page=2", "https://bay.example/log?page=3")   // SERIES
 * }</pre>
 */
public enum Kinship {
    /** The same page in another language: the addresses differ in a language code only. */
    TRANSLATION,
    /** One page at two addresses: they differ in letter case, in parameters or in a slash at the end. */
    VARIANT,
    /** Parts of one series: they differ in a number only. */
    SERIES,
    /** The same slug in different folders. */
    SAME_SLUG,
    /** Nothing of it. */
    NONE;

    private static final Set<String> LANGUAGES = new TreeSet<>(Arrays.asList(Locale.getISOLanguages()));

    /** How two different addresses are related; listings and videos have ids, which are not. */
    public static Kinship of(String one, String other) {
        if (!one.contains("://") || !other.contains("://")) return NONE;
        Parts a = Parts.of(one);
        Parts b = Parts.of(other);
        if (!a.host.equalsIgnoreCase(b.host)) return differInLanguage(a, b) ? TRANSLATION : NONE;
        if (a.path().equalsIgnoreCase(b.path())) return onlyNumbersDiffer(a.query, b.query) ? SERIES : VARIANT;
        if (differInLanguage(a, b)) return TRANSLATION;
        if (a.query.equals(b.query) && onlyNumbersDiffer(a.path(), b.path()) || isPageOf(a, b) || isPageOf(b, a)) {
            return SERIES;
        }
        String slug = a.last();
        return !slug.isEmpty() && slug.equals(b.last()) ? SAME_SLUG : NONE;
    }

    /** An address taken apart; segments that are empty are left out. */
    private record Parts(String host, List<String> segments, String query) {

        private static Parts of(String address) {
            int host = address.indexOf("://") + 3;
            int path = address.indexOf('/', host);
            String rest = path < 0 ? "" : address.substring(path);
            int query = rest.indexOf('?');
            String segments = query < 0 ? rest : rest.substring(0, query);
            return new Parts(
                    address.substring(host, path < 0 ? address.length() : path),
                    Arrays.stream(segments.split("/"))
                            .filter(segment -> !segment.isEmpty())
                            .toList(),
                    query < 0 ? "" : rest.substring(query + 1));
        }

        private String path() {
            return String.join("/", segments);
        }

        private String last() {
            return segments.isEmpty() ? "" : segments.get(segments.size() - 1);
        }
    }

    /** Whether both are the same once a language code is left out: in a folder, or at the start of the host. */
    private static boolean differInLanguage(Parts a, Parts b) {
        if (!a.query.equals(b.query)) return false;
        if (!a.host.equals(b.host)) {
            return a.segments.equals(b.segments) && withoutLanguage(a.host).equals(withoutLanguage(b.host));
        }
        int count = 0;
        if (a.segments.size() == b.segments.size()) {
            for (int i = 0; i < a.segments.size(); i++) {
                if (a.segments.get(i).equals(b.segments.get(i))) continue;
                if (!isLanguage(a.segments.get(i)) || !isLanguage(b.segments.get(i))) return false;
                count++;
            }
            return count == 1;
        }
        return isTranslationOfDefault(a.segments, b.segments) || isTranslationOfDefault(b.segments, a.segments);
    }

    /** Whether an address is another one behind a folder of a language: "/de/boote/" of "/boote/". */
    private static boolean isTranslationOfDefault(List<String> longer, List<String> shorter) {
        return longer.size() == shorter.size() + 1
                && isLanguage(longer.get(0))
                && longer.subList(1, longer.size()).equals(shorter);
    }

    private static String withoutLanguage(String host) {
        int dot = host.indexOf('.');
        return dot > 0 && (isLanguage(host.substring(0, dot)) || host.startsWith("www."))
                ? host.substring(dot + 1)
                : host;
    }

    private static boolean isLanguage(String segment) {
        return segment.matches("[a-zA-Z]{2}([-_][a-zA-Z]{2,4})?")
                && LANGUAGES.contains(segment.substring(0, 2).toLowerCase(Locale.ROOT));
    }

    private static boolean onlyNumbersDiffer(String one, String other) {
        return !one.equals(other) && numbersOpen(one).equals(numbersOpen(other));
    }

    private static String numbersOpen(String text) {
        return text.replaceAll("\\d+", "0");
    }

    /** Whether an address is a later page of a list: "/log/page/2" of "/log". */
    private static boolean isPageOf(Parts later, Parts first) {
        List<String> segments = new ArrayList<>(later.segments);
        while (!segments.isEmpty()
                && segments.size() > first.segments.size()
                && segments.get(segments.size() - 1).matches("\\d+|page|p|seite|pagina")) {
            segments.remove(segments.size() - 1);
        }
        return segments.size() < later.segments.size() && segments.equals(first.segments);
    }
}
