package lucidsweep.core.finding;

import java.util.List;

/**
 * How a page is linked to by the others of its site.
 *
 * @param links from how many
 * @param texts the different texts of the links, the first few
 */
public record Inbound(int links, List<String> texts) {

    public static final Inbound NONE = new Inbound(0, List.of());
}
