package lucidsweep.core.page;

import java.nio.charset.StandardCharsets;
import java.util.function.BiFunction;

/**
 * A link in its parts (RFC 3986, appendix B) without its fragment; a part that is absent is null, only the path never is.
 *
 * <p>It is read as browsers read links: white space inside is dropped, a backslash is a slash, what may not stand in an
 * address is percent-encoded, and what need not be encoded is not.
 */
record Reference(String scheme, String authority, String path, String query) {

    private static final boolean[] UNRESERVED = allowed("-._~");
    private static final boolean[] IN_PATH = allowed("-._~/:@!$&'()*+,;=");
    private static final boolean[] IN_QUERY = allowed("-._~/:@!$&'()*+,;=?[]");

    /** What browsers leave as it is (URL Standard, path and special-query percent-encode sets). */
    private static final boolean[] ASKED_IN_PATH = allowed("-._~/:@!$&'()*+,;=[]%\\");

    private static final boolean[] ASKED_IN_QUERY = allowed("-._~/:@!$&()*+,;=?[]|^{}`%\\");

    /** A link in its normal form. */
    static Reference of(String link) {
        return of(link, Reference::encoded);
    }

    /** A link as browsers ask for it: encoded only where they do, and with what was encoded left as it is. */
    static Reference asAsked(String link) {
        return of(link, (text, allowed) -> escaped(text, allowed == IN_PATH ? ASKED_IN_PATH : ASKED_IN_QUERY));
    }

    private static Reference of(String link, BiFunction<String, boolean[], String> encoding) {
        String text = link.strip();
        int fragment = text.indexOf('#');
        if (fragment >= 0) text = text.substring(0, fragment);
        if (hasAny(text, "\t\n\r")) text = text.replaceAll("[\t\n\r]", "");
        if (text.indexOf('\\') >= 0) text = withSlashes(text);
        int mark = text.indexOf('?');
        String query = mark < 0 ? null : encoding.apply(text.substring(mark + 1), IN_QUERY);
        String rest = mark < 0 ? text : text.substring(0, mark);
        int colon = schemeEnd(rest);
        String scheme = colon < 0 ? null : rest.substring(0, colon);
        rest = rest.substring(colon + 1);
        if (!rest.startsWith("//")) return new Reference(scheme, null, encoding.apply(rest, IN_PATH), query);
        return withAuthority(scheme, rest, query, encoding);
    }

    /** Of the slashes before a host any number from two on means the same. */
    private static Reference withAuthority(
            String scheme, String rest, String query, BiFunction<String, boolean[], String> encoding) {
        int host = 0;
        while (host < rest.length() && rest.charAt(host) == '/') host++;
        int slash = rest.indexOf('/', host);
        String authority = slash < 0 ? rest.substring(host) : rest.substring(host, slash);
        String path = slash < 0 ? "" : encoding.apply(rest.substring(slash), IN_PATH);
        return new Reference(scheme, authority, path, query);
    }

    /** Whether a link is a path from the top in its normal form already, as most are: "/boats/kayak-hire.html". */
    static boolean isPlainPath(String link) {
        return link.startsWith("/") && !link.startsWith("//") && isPlainFrom(link, 0);
    }

    /** Where the colon behind a scheme stands; -1 where there is no scheme. */
    private static int schemeEnd(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == ':') return i == 0 ? -1 : i;
            boolean letter = c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z';
            if (!letter && (i == 0 || "0123456789+.-".indexOf(c) < 0)) return -1;
        }
        return -1;
    }

    /** The same where "http:cove.example/tours" stands by itself: the host comes first, whether slashes do or not. */
    Reference absolute() {
        return authority == null && isWeb() ? withAuthority(scheme, path, query, (text, allowed) -> text) : this;
    }

    private boolean isWeb() {
        return "http".equalsIgnoreCase(scheme) || "https".equalsIgnoreCase(scheme);
    }

    /**
     * What this reference means on a page of an address (RFC 3986, section 5.2.2). With the page's own scheme and no host, as
     * in "https:tours", it is read as if it had no scheme (URL Standard).
     */
    Reference on(Reference base) {
        if (authority == null && isWeb()) {
            boolean own = scheme.equalsIgnoreCase(base.scheme);
            return own
                    ? new Reference(null, null, path, query).on(base)
                    : absolute().on(base);
        }
        if (scheme != null) return new Reference(scheme, authority, withoutDots(path), query);
        if (authority != null) return new Reference(base.scheme, authority, withoutDots(path), query);
        if (path.isEmpty()) {
            return new Reference(base.scheme, base.authority, base.path, query == null ? base.query : query);
        }
        String from = path.startsWith("/") ? "" : base.path.substring(0, base.path.lastIndexOf('/') + 1);
        return new Reference(base.scheme, base.authority, withoutDots(from + path), query);
    }

    /** The path and query as one text, "/boats/?page=2"; a path that is empty is "/". */
    String pathAndQuery() {
        String whole = path.isEmpty() ? "/" : path;
        return query == null ? whole : whole + "?" + query;
    }

    /** A path without its "." and ".." segments (RFC 3986, section 5.2.4). */
    static String withoutDots(String path) {
        if (!path.contains("/.") && !path.startsWith(".") && path.indexOf('%') < 0) return path;
        StringBuilder out = new StringBuilder(path.length());
        String[] segments = path.split("/", -1);
        for (int i = 0; i < segments.length; i++) {
            boolean last = i == segments.length - 1;
            String segment = plainDots(segments[i]);
            if (segment.equals("..")) {
                int slash = out.lastIndexOf("/", out.length() - 2);
                out.setLength(Math.max(slash + 1, path.startsWith("/") ? 1 : 0));
            } else if (!segment.equals(".")) {
                out.append(segments[i]);
                if (!last) out.append('/');
            }
        }
        return out.toString();
    }

    /** A segment of encoded dots is one of dots. */
    private static String plainDots(String segment) {
        boolean dots = segment.indexOf('%') >= 0 && segment.length() <= "%2e%2e".length();
        return dots ? segment.replace("%2e", ".").replace("%2E", ".") : segment;
    }

    private static String withSlashes(String text) {
        int query = text.indexOf('?');
        if (query < 0) return text.replace('\\', '/');
        return text.substring(0, query).replace('\\', '/') + text.substring(query);
    }

    private static boolean hasAny(String text, String characters) {
        for (int i = 0; i < characters.length(); i++) if (text.indexOf(characters.charAt(i)) >= 0) return true;
        return false;
    }

    /** A piece of a path or query with everything percent-encoded that may stand in neither. */
    static String encodedAsInQuery(String text) {
        return encoded(text, IN_QUERY);
    }

    private static String encoded(String text, boolean[] allowed) {
        int plain = 0;
        while (plain < text.length() && isAllowed(text.charAt(plain), allowed)) plain++;
        if (plain == text.length()) return text;
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        StringBuilder out = new StringBuilder(bytes.length + 16);
        for (int i = 0; i < bytes.length; i++) {
            int value = bytes[i] & 0xFF;
            int hex = value == '%' ? hexAt(bytes, i + 1) : -1;
            if (hex >= 0) {
                i += 2;
                if (isAllowed((char) hex, UNRESERVED)) out.append((char) hex);
                else appendEncoded(out, hex);
            } else if (isAllowed((char) value, allowed)) {
                out.append((char) value);
            } else {
                appendEncoded(out, value);
            }
        }
        return out.toString();
    }

    /** A text with what is not allowed percent-encoded, and nothing decoded. */
    private static String escaped(String text, boolean[] allowed) {
        StringBuilder out = new StringBuilder(text.length() + 16);
        for (byte each : text.getBytes(StandardCharsets.UTF_8)) {
            if (isAllowed((char) (each & 0xFF), allowed)) out.append((char) each);
            else appendEncoded(out, each & 0xFF);
        }
        return out.toString();
    }

    /** Which characters may stand there as they are: the letters, the digits and the given ones. */
    private static boolean[] allowed(String marks) {
        boolean[] allowed = new boolean[0x80];
        for (char c = 0; c < allowed.length; c++) {
            boolean letter = c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z';
            allowed[c] = letter || c >= '0' && c <= '9' || marks.indexOf(c) >= 0;
        }
        return allowed;
    }

    /** Whether a text from a place on is a path and query that stay as they are when they are encoded. */
    static boolean isPlainFrom(String text, int start) {
        boolean[] allowed = IN_PATH;
        char before = 0;
        for (int i = start; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '?' && allowed == IN_PATH) allowed = IN_QUERY;
            else if (!isAllowed(c, allowed) || before == '/' && c == '.' && allowed == IN_PATH) return false;
            before = c;
        }
        return true;
    }

    private static boolean isAllowed(char c, boolean[] allowed) {
        return c < allowed.length && allowed[c];
    }

    private static int hexAt(byte[] bytes, int at) {
        if (at + 1 >= bytes.length) return -1;
        int high = Character.digit(bytes[at], 16);
        int low = Character.digit(bytes[at + 1], 16);
        return high < 0 || low < 0 ? -1 : high * 16 + low;
    }

    private static void appendEncoded(StringBuilder out, int value) {
        out.append('%')
                .append(Character.toUpperCase(Character.forDigit(value >> 4, 16)))
                .append(Character.toUpperCase(Character.forDigit(value & 0xF, 16)));
    }
}
