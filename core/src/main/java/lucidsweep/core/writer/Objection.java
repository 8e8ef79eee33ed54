package lucidsweep.core.writer;

import java.util.Locale;

/**
 * Why an answer may not be used.
 *
 * @param words that it is about, as the answer writes them; "" where it is about all of it
 * @param says in words: "“12 km” is not on the page"
 */
public record Objection(Kind kind, String words, String says) {

    /** What is wrong. */
    public enum Kind {
        EMPTY,
        NO_PLAIN_TEXT,
        TOO_LONG,
        KEYWORD_MISSING,
        OTHER_LANGUAGE,
        OTHERS_NAME,
        ADDRESS,
        NOT_ON_PAGE;

        /** As it stands in the API: "not-on-page". */
        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    static Objection of(Kind kind, String says) {
        return new Objection(kind, "", says);
    }

    static Objection notOnPage(String words) {
        return new Objection(Kind.NOT_ON_PAGE, words, "“" + words + "” is not on the page");
    }
}
