package lucidsweep.core.finding;

import java.util.List;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.PageFacts;

/** A page that says nothing but what is drafted for it, for the checks of markup to look at. */
final class DraftedPage {

    private static final PageFacts.Head NO_HEAD = new PageFacts.Head("", "", "", "", "", "", "");
    private static final PageFacts.Shared NOT_SHARED = new PageFacts.Shared("", "");

    private DraftedPage() {}

    /** @param parts the alt texts of its images, as {@link PartTexts} has them */
    static PageFacts withImages(String parts) {
        return page(
                PartTexts.of(parts).stream()
                        .map(part -> new PageFacts.Image(part.address(), part.text()))
                        .toList(),
                List.of(),
                NOT_SHARED);
    }

    /** @param parts the texts of the links in its copy */
    static PageFacts withLinks(String parts) {
        return page(
                List.of(), PartTexts.of(parts).stream().map(DraftedPage::link).toList(), NOT_SHARED);
    }

    private static PageFacts.Link link(PartTexts.Part part) {
        String text = part.text() == null ? "" : part.text();
        PageFacts.Link.Shows shows = text.isBlank() ? PageFacts.Link.Shows.NOTHING : PageFacts.Link.Shows.WORDS;
        PageAddress.Destination to = new PageAddress.Destination(part.address(), null);
        return new PageFacts.Link(to, text, shows, false, PageFacts.Place.COPY);
    }

    static PageFacts sharedAs(PageFacts.Shared shared) {
        return page(List.of(), List.of(), shared);
    }

    private static PageFacts page(List<PageFacts.Image> images, List<PageFacts.Link> links, PageFacts.Shared shared) {
        return new PageFacts(
                List.of(), List.of(), List.of(), List.of(), NO_HEAD, images, links, "", "", shared, List.of(),
                List.of());
    }
}
