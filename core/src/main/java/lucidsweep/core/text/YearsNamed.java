package lucidsweep.core.text;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The years of this century that a text speaks of: "Tours 2024". "Since 2008", a range of years and a price are none. */
public final class YearsNamed {

    private static final int LOOK_BACK = 16;
    private static final Pattern YEAR = Pattern.compile("(?<![\\d.,/–-])20\\d\\d(?![\\d/–-]|[.,]\\d)");
    private static final Pattern SINCE = Pattern.compile(
            "(?i)(?:since|from|est\\.?|(?:established|founded|built|opened|born|made) in|©|seit|ab|depuis|desde|dal|sinds|od) *$");

    private YearsNamed() {}

    /** A year, and from where to where it stands, in UTF-16 units. */
    public record Span(int year, int start, int end) {}

    /** In the order in which they stand. */
    public static List<Span> in(String text) {
        if (!text.contains("20")) return List.of();
        List<Span> years = new ArrayList<>();
        Matcher year = YEAR.matcher(text);
        while (year.find()) {
            String before = text.substring(Math.max(0, year.start() - LOOK_BACK), year.start());
            if (SINCE.matcher(before).find()) continue;
            years.add(new Span(Integer.parseInt(year.group()), year.start(), year.end()));
        }
        return years;
    }
}
