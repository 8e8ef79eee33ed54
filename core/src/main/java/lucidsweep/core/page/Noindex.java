package lucidsweep.core.page;

import java.util.Locale;

/**
 * Why a search engine does not list a page.
 *
 * @param detail what goes with the reason: the status, the robots directives, or the address of the page that is listed
 *     instead; "" for a page that robots.txt blocks
 */
public record Noindex(Reason reason, String detail) {

    /** What stands in the way. */
    public enum Reason {
        /** The page answers another status than 200. */
        STATUS,
        /** Its robots directives ask not to be indexed. */
        NOINDEX,
        /** Its canonical is another page. */
        CANONICAL,
        /** It is the same page as another, at a variant of the address. */
        SAME_PAGE,
        /** robots.txt keeps search engines from it. */
        BLOCKED;

        /** As it stands in the database and the API: "same-page". */
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Reads a code; an unknown one is an error. */
        public static Reason of(String code) {
            return valueOf(code.toUpperCase(Locale.ROOT).replace('-', '_'));
        }

        @Override
        public String toString() {
            return code();
        }
    }

    /** The reason as a sentence goes on: "it answers 404". */
    public String words() {
        return switch (reason) {
            case STATUS -> "it answers " + detail;
            case NOINDEX -> "it asks not to be indexed (" + detail + ")";
            case CANONICAL -> "its canonical is " + detail;
            case SAME_PAGE -> "the same page as " + detail;
            case BLOCKED -> "robots.txt keeps search engines from it";
        };
    }
}
