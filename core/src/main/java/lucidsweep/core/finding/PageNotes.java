package lucidsweep.core.finding;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;

/**
 * What the checks of a page's markup found when it was captured, and what its site says of it: no draft changes that, so
 * that it is looked at once. Kept as lines of a check's id, a tab, and what it noted.
 */
public final class PageNotes {

    public static final PageNotes NONE = new PageNotes(Map.of());

    private static final Pattern SPACE = Pattern.compile("\\s");
    private static final int LONGEST = 4_000;
    private static final int MAX_ALTERNATES = 40;

    /** The addresses of the page in other languages: no check's id, but what the whole site is asked about. */
    private static final String ALTERNATES = "alternates";

    /** Stands for a text of which it is only known that it is there. */
    private static final String SOMETHING = "…";

    private static final String SHARED = Field.HEAD.code() + " shared-";

    private static final List<Check> NOTING =
            Checks.all().stream().filter(Noting.class::isInstance).toList();

    private final Map<String, String> byCheck;

    private PageNotes(Map<String, String> byCheck) {
        this.byCheck = byCheck;
    }

    /** Looks at a page that was just read; the lines to be kept, "" where there is nothing to be said. */
    public static String of(PageFacts page, String address) {
        StringBuilder lines = new StringBuilder();
        for (Check check : NOTING) {
            String note = ((Noting) check).note(page, address);
            if (!note.isEmpty()) lines.append(line(check.id(), note));
        }
        String alternates = page.alternates().stream()
                .filter(each -> !each.address().isEmpty())
                .limit(MAX_ALTERNATES)
                .map(PageFacts.Alternate::address)
                .collect(Collectors.joining(" "));
        if (!alternates.isEmpty()) lines.append(line(ALTERNATES, alternates));
        return lines.toString();
    }

    /** A line to be kept. */
    static String line(String id, String note) {
        String plain = SPACE.matcher(note).replaceAll(" ");
        return id + '\t' + (plain.length() > LONGEST ? plain.substring(0, LONGEST) : plain) + '\n';
    }

    /** Reads lines that were kept. */
    public static PageNotes read(String lines) {
        if (lines.isEmpty()) return NONE;
        Map<String, String> byCheck = new HashMap<>();
        for (String line : lines.split("\n")) {
            int tab = line.indexOf('\t');
            if (tab > 0) byCheck.put(line.substring(0, tab), line.substring(tab + 1));
        }
        return new PageNotes(byCheck);
    }

    /** The same without what was noted of a field. */
    public PageNotes without(Field field) {
        Map<String, String> others = new HashMap<>(byCheck);
        others.keySet().removeIf(id -> id.startsWith(field.code() + " "));
        return new PageNotes(others);
    }

    /** The same as if its images had the alt texts that are drafted; null for what was captured. */
    public PageNotes withImages(String parts, String address) {
        return parts == null ? this : with(DraftedPage.withImages(parts), address, Field.IMAGES.code() + " ");
    }

    /** The same as if the links in its copy had the texts that are drafted; null for what was captured. */
    public PageNotes withLinks(String parts, String address) {
        return parts == null ? this : with(DraftedPage.withLinks(parts), address, Field.LINKS.code() + " ");
    }

    /** The same as if it were shared as is drafted; null for what was captured. */
    public PageNotes withShared(String title, String description, String address) {
        if (title == null && description == null) return this;
        String missing = byCheck.getOrDefault(SHARED + "incomplete", "");
        boolean neither = byCheck.containsKey(SHARED + "missing");
        boolean captured = !neither && !missing.startsWith("og:description");
        PageFacts.Shared shared = new PageFacts.Shared(
                title == null ? byCheck.getOrDefault(SHARED + "other", "") : title,
                description != null ? description : captured ? SOMETHING : "");
        return with(DraftedPage.sharedAs(shared), address, SHARED);
    }

    private PageNotes with(PageFacts drafted, String address, String concerned) {
        Map<String, String> redone = new HashMap<>(byCheck);
        for (Check check : NOTING) {
            // Whether an image that links has a text depends on which one it is.
            if (!check.id().startsWith(concerned) || check instanceof AltEmptyInLink) continue;
            String note = ((Noting) check).note(drafted, address);
            if (note.isEmpty()) redone.remove(check.id());
            else redone.put(check.id(), note);
        }
        return new PageNotes(redone);
    }

    /** The addresses of the page in other languages, as written. */
    List<String> alternates() {
        String found = byCheck.get(ALTERNATES);
        return found == null ? List.of() : List.of(found.split(" "));
    }

    boolean isEmpty() {
        return byCheck.isEmpty();
    }

    /** What a check noted; null where it did not. */
    String of(Check check) {
        return byCheck.get(check.id());
    }
}
