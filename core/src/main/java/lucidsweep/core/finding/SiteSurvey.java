package lucidsweep.core.finding;

import java.net.URI;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import lucidsweep.core.page.Noindex;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.text.HashNumbers;
import lucidsweep.core.text.TextKey;

/**
 * What the pages of a site say of each other: headings that several have, addresses at which one page answers, canonicals that
 * lead nowhere, languages that do not name each other, pages in the sitemap that ask not to be listed. Pages are held by hashes,
 * some 60 bytes each.
 *
 * <pre>{@code
 * SiteSurvey survey = new SiteSurvey();
 * survey.elsewhere("https://bay.example/old", "it redirects");
 * pages.forEach(survey::add);
 * survey.notes(addressesOf);   // 17 → "h1 duplicate\tthe same as https://bay.example/hire\n"
 * }</pre>
 */
public final class SiteSurvey {

    private static final int MAX_NAMED = 3;
    private static final int NONE = -1;

    private final Map<Long, String> elsewhere = new HashMap<>();
    private final HashNumbers byAddress = new HashNumbers();
    private final HashNumbers h1s = new HashNumbers();
    private final BitSet indexable = new BitSet();
    private final BitSet listed = new BitSet();
    private final Map<Integer, long[]> alternates = new HashMap<>();
    private final Map<Integer, Noindex> hidden = new HashMap<>();
    private final Map<Integer, Integer> addresses = new HashMap<>();
    private long[] ids = new long[1_024];
    private long[] titles = new long[1_024];
    private long[] headings = new long[1_024];
    private int[] h1Of = new int[1_024];
    private int[] h1Counts = new int[1_024];
    private int[] h1First = new int[1_024];
    private int[] h1Last = new int[1_024];
    private int h1Count;
    private int size;

    /**
     * A page of the site.
     *
     * @param noindex why it is not indexable; null where it is
     * @param notes what was noted when it was captured
     * @param inSitemap whether the sitemap has it
     */
    public record Page(
            long id, String address, Noindex noindex, String title, String h1, PageNotes notes, boolean inSitemap) {}

    /** Says what became of an address that is no page: "it redirects", "it answers 404". */
    public void elsewhere(String address, String became) {
        elsewhere.put(TextKey.exactHash(address), became);
    }

    public void add(Page page) {
        if (size == ids.length) grow();
        int at = size++;
        ids[at] = page.id();
        byAddress.add(TextKey.exactHash(page.address()), at);
        titles[at] = TextKey.hash(page.title());
        headings[at] = TextKey.hash(page.h1());
        h1Of[at] = NONE;
        if (page.inSitemap()) listed.set(at);
        if (page.noindex() == null) {
            indexable.set(at);
            addHeading(headings[at], at);
        } else {
            hidden.put(at, page.noindex());
        }
        List<String> others = page.notes().alternates();
        if (!others.isEmpty()) alternates.put(at, hashes(page.address(), others));
    }

    private void grow() {
        ids = Arrays.copyOf(ids, size * 2);
        titles = Arrays.copyOf(titles, size * 2);
        headings = Arrays.copyOf(headings, size * 2);
        h1Of = Arrays.copyOf(h1Of, size * 2);
        h1Counts = Arrays.copyOf(h1Counts, size * 2);
        h1First = Arrays.copyOf(h1First, size * 2);
        h1Last = Arrays.copyOf(h1Last, size * 2);
    }

    private void addHeading(long hash, int at) {
        if (hash == 0) return;
        if (h1s.add(hash, h1Count)) h1First[h1Count++] = at;
        int heading = h1s.get(hash);
        h1Of[at] = heading;
        h1Counts[heading]++;
        h1Last[heading] = at;
    }

    private static long[] hashes(String address, List<String> written) {
        URI base = URI.create(address);
        return written.stream()
                .flatMap(each -> PageAddress.resolve(base, each).stream())
                .mapToLong(each -> TextKey.exactHash(each.toString()))
                .toArray();
    }

    /** A note with the pages that it names. */
    private record Named(int page, Check check, String before, List<Integer> others, String after) {}

    /**
     * What is to be kept of each page of which something is to be said, as {@link PageNotes#read} takes it.
     *
     * @param addresses reads the addresses of some pages
     */
    public Map<Long, String> notes(Function<List<Long>, Map<Long, String>> addresses) {
        List<Named> found = new ArrayList<>();
        for (int page = 0; page < size; page++) {
            look(page, found);
        }
        this.addresses.forEach((page, twins) -> found.add(new Named(
                page,
                new SlugOfSeveral(),
                "it answers at " + (twins == 1 ? "another address" : twins + " other addresses") + ", too",
                List.of(),
                "")));
        List<Long> named = found.stream()
                .flatMap(note -> note.others().stream())
                .distinct()
                .map(page -> ids[page])
                .toList();
        Map<Long, String> names = named.isEmpty() ? Map.of() : addresses.apply(named);
        Map<Long, String> lines = new HashMap<>();
        for (Named note : found) {
            String others = String.join(
                    ", ",
                    note.others().stream()
                            .map(page -> names.getOrDefault(ids[page], "another page"))
                            .toList());
            lines.merge(
                    ids[note.page()],
                    PageNotes.line(note.check().id(), note.before() + others + note.after()),
                    String::concat);
        }
        return lines;
    }

    private void look(int page, List<Named> found) {
        heading(page, found);
        Noindex why = hidden.get(page);
        if (why != null) hidden(page, why, found);
        long[] others = alternates.get(page);
        if (others != null && indexable.get(page)) alternates(page, others, found);
    }

    private void heading(int page, List<Named> found) {
        int heading = h1Of[page];
        if (heading == NONE || h1Counts[heading] < 2) return;
        int twin = h1First[heading] == page ? h1Last[heading] : h1First[heading];
        int more = h1Counts[heading] - 2;
        String after = more == 0 ? "" : " and " + more + (more == 1 ? " other" : " others");
        found.add(new Named(page, new HeadingDuplicate(), "the same as ", List.of(twin), after));
    }

    private void hidden(int page, Noindex why, List<Named> found) {
        if (why.reason() == Noindex.Reason.SAME_PAGE) {
            int main = byAddress.get(TextKey.exactHash(why.detail()));
            if (main >= 0) addresses.merge(main, 1, Integer::sum);
            return;
        }
        if (listed.get(page))
            found.add(new Named(page, new InSitemap(), "the sitemap lists it, but " + why.words(), List.of(), ""));
        if (why.reason() != Noindex.Reason.CANONICAL) return;
        long hash = TextKey.exactHash(why.detail());
        int target = byAddress.get(hash);
        if (target < 0) {
            String became = elsewhere.get(hash);
            if (became != null)
                found.add(new Named(page, new CanonicalBroken(), why.detail() + ": " + became, List.of(), ""));
        } else if (!indexable.get(target)) {
            found.add(new Named(
                    page,
                    new CanonicalBroken(),
                    why.detail() + ": " + hidden.get(target).words(),
                    List.of(),
                    ""));
        } else if (titles[page] != titles[target] && headings[page] != headings[target]) {
            found.add(new Named(page, new CanonicalOther(), "it gives way to ", List.of(target), ""));
        }
    }

    private void alternates(int page, long[] others, List<Named> found) {
        List<Integer> silent = new ArrayList<>();
        for (long other : others) {
            int target = byAddress.get(other);
            if (target < 0 || target == page || names(target, page)) continue;
            if (!silent.contains(target)) silent.add(target);
        }
        if (silent.isEmpty()) return;
        int more = silent.size() - MAX_NAMED;
        found.add(new Named(
                page,
                new AlternateWithoutReturn(),
                "not named in return by ",
                silent.stream().limit(MAX_NAMED).toList(),
                more > 0 ? " and " + more + " more" : ""));
    }

    private boolean names(int page, int other) {
        long[] named = alternates.get(page);
        if (named == null) return false;
        for (long hash : named) if (byAddress.get(hash) == other) return true;
        return false;
    }
}
