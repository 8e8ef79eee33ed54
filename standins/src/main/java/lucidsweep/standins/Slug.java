package lucidsweep.standins;

import java.util.Locale;

/** Makes the part of an address that names a page. */
final class Slug {

    private Slug() {}

    static String of(String name) {
        return name.toLowerCase(Locale.ROOT)
                .replaceAll("[’']", "")
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
    }
}
