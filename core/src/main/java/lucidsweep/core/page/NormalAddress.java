package lucidsweep.core.page;

/** Tells addresses that are in their normal form already, as most are, without taking them apart. */
final class NormalAddress {

    private static final int LONGEST_TOP = 20;

    private NormalAddress() {}

    /** Whether an address is "https://example.com/" or longer, with nothing in it that would be written otherwise. */
    static boolean is(String address) {
        int host = address.startsWith("https://") ? 8 : address.startsWith("http://") ? 7 : 0;
        if (host == 0) return false;
        int path = hostEnd(address, host);
        return path > 0
                && path < address.length()
                && address.charAt(path) == '/'
                && Reference.isPlainFrom(address, path);
    }

    /** Where a plain host name ends that begins at a place: small ASCII letters, digits and hyphens, with a top-level domain; -1 where there is none. */
    static int hostEnd(String text, int start) {
        int label = start;
        boolean letters = true;
        int i = start;
        for (; i < text.length() && text.charAt(i) != '/'; i++) {
            char c = text.charAt(i);
            boolean letter = c >= 'a' && c <= 'z';
            if (c == '.') {
                if (!isLabel(text, label, i)) return -1;
                label = i + 1;
                letters = true;
            } else if (!letter) {
                if (c != '-' && (c < '0' || c > '9')) return -1;
                letters = false;
            }
        }
        boolean top = letters && label > start && i - label >= 2 && i - label <= LONGEST_TOP;
        return top ? i : -1;
    }

    private static boolean isLabel(String text, int start, int end) {
        return end > start && text.charAt(start) != '-' && text.charAt(end - 1) != '-';
    }
}
