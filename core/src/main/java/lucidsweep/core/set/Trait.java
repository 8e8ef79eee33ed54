package lucidsweep.core.set;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One thing that items may have in common beside their section: a folder within it, or when they were published.
 *
 * <pre>{@code
 * Trait.of("folder /boats/kits/").inWords()   // "in /boats/kits/"
 * Trait.of("published ..183").inWords()       // "published in the last 6 months"
 * }</pre>
 *
 * @param value of a folder its path; of a publication the days since then, from and to: "..61", "366..", "30..60"
 */
public record Trait(Kind kind, String value) implements Comparable<Trait> {

    private static final Pattern DAYS = Pattern.compile("(\\d{0,6})\\.\\.(\\d{0,6})");
    private static final int LONGEST = 2_000;

    /** Days since publication that causes are told by, and how they are said. */
    private static final List<Trait> AGES = List.of(
            new Trait(Kind.PUBLISHED, "..61"),
            new Trait(Kind.PUBLISHED, "..183"),
            new Trait(Kind.PUBLISHED, "..365"),
            new Trait(Kind.PUBLISHED, "366.."));

    /** What it is about. */
    public enum Kind {
        FOLDER,
        PUBLISHED
    }

    /**
     * Reads a trait as {@link #toString} writes it.
     *
     * @throws IllegalArgumentException where it is none, with what was expected
     */
    public static Trait of(String written) {
        int space = written.indexOf(' ');
        for (Kind kind : Kind.values()) {
            if (space > 0 && written.substring(0, space).equalsIgnoreCase(kind.name()))
                return new Trait(kind, written.substring(space + 1));
        }
        throw unreadable(written);
    }

    /** @throws IllegalArgumentException where the value is none of the kind */
    public Trait {
        boolean fits = kind != null
                && value != null
                && value.length() <= LONGEST
                && (kind == Kind.FOLDER
                        ? value.startsWith("/")
                        : DAYS.matcher(value).matches());
        if (!fits) throw unreadable(kind + " " + value);
    }

    private static IllegalArgumentException unreadable(String written) {
        return new IllegalArgumentException("expected \"folder /boats/kits/\" or \"published ..61\", got \""
                + written.substring(0, Math.min(100, written.length())) + "\"");
    }

    /**
     * The traits of an item, those that name fewer items behind the others.
     *
     * @param path of its address, "" of an id
     * @param section where it is
     * @param age in days since it was published; NaN where that is not known
     */
    public static List<Trait> all(String path, String section, double age) {
        List<Trait> all = new ArrayList<>();
        int end = path.startsWith(section) ? path.indexOf('/', section.length()) : -1;
        if (end > 0) all.add(new Trait(Kind.FOLDER, path.substring(0, end + 1)));
        for (Trait trait : AGES) if (days(trait.value).has(age)) all.add(trait);
        return all;
    }

    /**
     * Tells who has it.
     *
     * @param today in days since 1 January 1970
     */
    public Predicate<SetMember> test(long today) {
        if (kind == Kind.PUBLISHED) {
            SetConditions.Range days = days(value);
            return item -> days.has(today - item.publishedDay());
        }
        String folder = value.toLowerCase(Locale.ROOT);
        return item -> {
            int host = item.address().indexOf("://");
            int path = host < 0 ? -1 : item.address().indexOf('/', host + 3);
            return path > 0 && item.address().startsWith(folder, path);
        };
    }

    /** As it goes on in a sentence about items. */
    public String inWords() {
        if (kind == Kind.FOLDER) return "in " + value;
        return switch (value) {
            case "..61" -> "published in the last 2 months";
            case "..183" -> "published in the last 6 months";
            case "..365" -> "published in the last year";
            case "366.." -> "published more than a year ago";
            default -> "published " + value + " days ago";
        };
    }

    private static SetConditions.Range days(String written) {
        Matcher days = DAYS.matcher(written);
        days.matches();
        return new SetConditions.Range(number(days.group(1)), number(days.group(2)));
    }

    private static Double number(String written) {
        return written.isEmpty() ? null : Double.valueOf(written);
    }

    @Override
    public String toString() {
        return kind.name().toLowerCase(Locale.ROOT) + " " + value;
    }

    @Override
    public int compareTo(Trait other) {
        int byKind = kind.compareTo(other.kind);
        return byKind != 0 ? byKind : value.compareTo(other.value);
    }
}
