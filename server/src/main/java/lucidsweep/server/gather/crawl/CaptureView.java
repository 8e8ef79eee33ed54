package lucidsweep.server.gather.crawl;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.page.PageFacts;
import lucidsweep.server.gather.imports.ImportShape;

/**
 * What the last sweep saw of an item.
 *
 * @param page null where it came from a file
 * @param cells the cells of its row; none where a crawl saw it
 * @param links the first links on it
 * @param linkCount how many there are
 * @param alsoAt addresses at which the same page stands, too
 * @param hasSource whether its markup was kept
 */
record CaptureView(
        @Nullable CapturedPage page,
        List<NamedCell> cells,
        List<OutLink> links,
        int linkCount,
        List<String> alsoAt,
        boolean hasSource) {

    private static final int MAX_LINKS = 500;

    /** A cell of a row with the name of its column. */
    record NamedCell(String column, String cell) {}

    /** A link on a page. */
    record OutLink(String address, String text, PageFacts.Place place, boolean nofollow) {}

    /** Reads links as they are stored: one a line, address, tab, text, tab, place and "-" where it is not to be followed. */
    static List<OutLink> links(String lines) {
        List<OutLink> links = new ArrayList<>();
        lines.lines().limit(MAX_LINKS).forEach(line -> {
            String[] parts = line.split("\t", -1);
            String mark = parts[parts.length - 1];
            PageFacts.Place place = mark.startsWith("n")
                    ? PageFacts.Place.NAVIGATION
                    : mark.startsWith("f") ? PageFacts.Place.FOOTER : PageFacts.Place.COPY;
            links.add(new OutLink(parts[0], parts.length < 3 ? "" : parts[1], place, mark.endsWith("-")));
        });
        return links;
    }

    static List<NamedCell> cells(ImportShape shape, ImportShape.Row row) {
        List<NamedCell> cells = new ArrayList<>();
        for (int i = 0; i < Math.min(shape.columns().size(), row.cells().size()); i++) {
            cells.add(new NamedCell(shape.columns().get(i), row.cells().get(i)));
        }
        return cells;
    }
}
