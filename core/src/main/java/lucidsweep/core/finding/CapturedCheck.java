package lucidsweep.core.finding;

import java.util.Collection;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.standard.Standard;

/** A check of what stands in the markup of a page besides its title, description and H1, or of what its site says of it. */
abstract class CapturedCheck extends Check implements Noting {

    private static final int MAX_EXAMPLES = 3;
    private static final int LONGEST_EXAMPLE = 80;

    CapturedCheck(Field field, String code, String label) {
        super(field, code, label, Cost.NEITHER, Fix.BY_HAND);
    }

    /** Nothing, where only the whole site tells. */
    @Override
    public String note(PageFacts page, String address) {
        return "";
    }

    /** What is found by a note; "" where a standard has nothing against it. */
    String evidence(String note, Standard standard) {
        return note;
    }

    @Override
    final void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.notes().isEmpty()) return;
        String note = item.notes().of(this);
        if (note == null) return;
        String evidence = evidence(note, around.standard());
        if (!evidence.isEmpty()) found.accept(finding(evidence));
    }

    /** The links of a page to its own site in its copy: those whose words its owner can choose and that are no navigation. */
    static List<PageFacts.Link> ownLinks(PageFacts page, String address) {
        int path = address.indexOf('/', address.indexOf("://") + 3);
        String site = path < 0 ? address : address.substring(0, path);
        return page.links().stream()
                .filter(link ->
                        link.place() == PageFacts.Place.COPY && link.address().startsWith(site))
                .toList();
    }

    /** "3 images of 12: /boat.jpg, /oar.jpg …"; "" where there are none. */
    static String some(Collection<String> found, int all, String noun) {
        if (found.isEmpty()) return "";
        String examples = found.stream()
                .distinct()
                .limit(MAX_EXAMPLES)
                .map(CapturedCheck::clipped)
                .collect(Collectors.joining(", "));
        boolean more = found.stream().distinct().count() > MAX_EXAMPLES;
        return found.size() + " of " + all + " " + noun + (all == 1 ? "" : "s") + ": " + examples + (more ? " …" : "");
    }

    static String clipped(String text) {
        return text.length() <= LONGEST_EXAMPLE ? text : text.substring(0, LONGEST_EXAMPLE) + "…";
    }
}
