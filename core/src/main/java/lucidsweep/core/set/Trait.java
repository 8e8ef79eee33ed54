package lucidsweep.core.set;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * One thing that items may have in common beside their section: a folder within it, the pattern of their titles, a tag, or when
 * they were published or changed.
 *
 * <pre>{@code
 * Trait.of("folder /boats/kits/").inWords()   // "in /boats/kits/"
 * Trait.of("titled … | Hire").inWords()       // "under titles like “… | Hire”"
 * Trait.of("tagged sea kayak").inWords()      // "tagged “sea kayak”"
 * Trait.of("changed ..183").inWords()         // "changed in the last 6 months"
 * }</pre>
 *
 * @param value of a folder its path; of titles what they have in common, with "…" for the rest; a tag in small letters; of a time
 *     the days since then, from and to: "..61", "366..", "30..60"
 */
public record Trait(Kind kind, String value) implements Comparable<Trait> {

    private static final Pattern DAYS = Pattern.compile("(\\d{0,6})\\.\\.(\\d{0,6})");
    private static final int LONGEST = 2_001;

    /** Days that causes are told by, as they are written and as they are held against an item. */
    private record Age(String written, SetConditions.Range days) {}

    private static final List<Age> AGES = Stream.of("..61", "..183", "..365", "366..")
            .map(written -> new Age(written, days(written)))
            .toList();

    /** What it is about. */
    public enum Kind {
        FOLDER,
        TITLED,
        TAGGED,
        PUBLISHED,
        CHANGED;

        private boolean isTime() {
            return this == PUBLISHED || this == CHANGED;
        }

        private boolean fits(String value) {
            if (isTime()) return DAYS.matcher(value).matches();
            return this == FOLDER ? value.startsWith("/") : !value.isBlank();
        }
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
        boolean fits = kind != null && value != null && value.length() <= LONGEST && kind.fits(value);
        if (!fits) throw unreadable(kind + " " + value);
    }

    private static IllegalArgumentException unreadable(String written) {
        return new IllegalArgumentException(
                "expected \"folder /boats/kits/\", \"titled … | Hire\", \"tagged kayak\", \"published ..61\" or \"changed ..61\","
                        + " got \"" + written.substring(0, Math.min(100, written.length())) + "\"");
    }

    /**
     * The traits that an item's place and times give it, those that name fewer items behind the others.
     *
     * @param path of its address, "" of an id
     * @param section where it is
     * @param published days since it was published; NaN where that is not known
     * @param changed days since it was changed; NaN where that is not known
     */
    public static List<Trait> all(String path, String section, double published, double changed) {
        List<Trait> all = new ArrayList<>();
        int end = path.startsWith(section) ? path.indexOf('/', section.length()) : -1;
        if (end > 0) all.add(new Trait(Kind.FOLDER, path.substring(0, end + 1)));
        for (Age age : AGES) if (age.days.has(published)) all.add(new Trait(Kind.PUBLISHED, age.written));
        for (Age age : AGES) if (age.days.has(changed)) all.add(new Trait(Kind.CHANGED, age.written));
        return all;
    }

    /**
     * Tells who has it.
     *
     * @param today in days since 1 January 1970
     */
    public Predicate<SetMember> test(long today) {
        return switch (kind) {
            case FOLDER -> isIn(value.toLowerCase(Locale.ROOT));
            case TITLED -> item -> item.titlePatterns().contains(value);
            case TAGGED -> isTagged(value.toLowerCase(Locale.ROOT));
            case PUBLISHED -> since(today, SetMember::publishedDay);
            case CHANGED -> since(today, SetMember::changedDay);
        };
    }

    private static Predicate<SetMember> isIn(String folder) {
        return item -> {
            int host = item.address().indexOf("://");
            int path = host < 0 ? -1 : item.address().indexOf('/', host + 3);
            return path > 0 && item.address().startsWith(folder, path);
        };
    }

    private static Predicate<SetMember> isTagged(String tag) {
        return item -> SetConditions.hasTag(item.tags(), tag);
    }

    private Predicate<SetMember> since(long today, ToDoubleFunction<SetMember> day) {
        SetConditions.Range days = days(value);
        return item -> days.has(today - day.applyAsDouble(item));
    }

    /** Whether it comes and goes as days pass. */
    public boolean isTime() {
        return kind.isTime();
    }

    /** As it goes on in a sentence about items. */
    public String inWords() {
        return switch (kind) {
            case FOLDER -> "in " + value;
            case TITLED -> "under titles like “" + value + "”";
            case TAGGED -> "tagged “" + value + "”";
            case PUBLISHED, CHANGED -> kind.name().toLowerCase(Locale.ROOT) + " " + when();
        };
    }

    private String when() {
        return switch (value) {
            case "..61" -> "in the last 2 months";
            case "..183" -> "in the last 6 months";
            case "..365" -> "in the last year";
            case "366.." -> "more than a year ago";
            default -> value + " days ago";
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
