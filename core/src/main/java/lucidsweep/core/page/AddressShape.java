package lucidsweep.core.page;

/**
 * What addresses that are made by the same rule have in common: the address with every run of digits as "#".
 *
 * <pre>{@code AddressShape.of("https://example.com/events/2026/11?day=25")   // "https://example.com/events/#/#?day=#" }</pre>
 */
public final class AddressShape {

    private AddressShape() {}

    /** The shape of a normal address. */
    public static String of(String address) {
        StringBuilder shape = new StringBuilder(address.length());
        int path = Math.max(0, address.indexOf('/', address.indexOf("//") + 2));
        shape.append(address, 0, path);
        for (int i = path; i < address.length(); i++) {
            char c = address.charAt(i);
            if (c < '0' || c > '9') shape.append(c);
            else if (shape.charAt(shape.length() - 1) != '#') shape.append('#');
        }
        return shape.toString();
    }

    /** Whether an address names a year from 1900 to 2999, as those of calendars and archives do. */
    static boolean namesAYear(String address) {
        int run = 0;
        for (int i = address.indexOf("//") + 2; i <= address.length(); i++) {
            char c = i < address.length() ? address.charAt(i) : ' ';
            if (c >= '0' && c <= '9') {
                run++;
                continue;
            }
            // Eight digits are a date written without marks between.
            if (run == 4 || run == 6 || run == 8) {
                char first = address.charAt(i - run);
                if (first == '2' || first == '1' && address.charAt(i - run + 1) == '9') return true;
            }
            run = 0;
        }
        return false;
    }
}
