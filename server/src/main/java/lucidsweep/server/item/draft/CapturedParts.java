package lucidsweep.server.item.draft;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.database.Packed;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The fields of a page that stand only in what a crawl captured of it: texts of images and links, and what it is shared as. */
public final class CapturedParts {

    private static final int MOST = 200;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** These fields. */
    public static final Set<Field> FIELDS = Set.of(Field.IMAGES, Field.LINKS, Field.OG_TITLE, Field.OG_DESCRIPTION);

    private final DraftMapper.Page page;
    private JsonNode facts;

    public CapturedParts(DraftMapper.Page page) {
        this.page = page;
    }

    /** Whether a field stands there. */
    public static boolean have(Field field) {
        return FIELDS.contains(field);
    }

    /**
     * The text of a field.
     *
     * @param address of the page
     * @return null where the page has no such part
     */
    public String text(Field field, String address) {
        return switch (field) {
            case IMAGES -> images();
            case LINKS -> links(PageAddress.host(address));
            case OG_TITLE -> facts().path("shared").path("title").asString("");
            default -> facts().path("shared").path("description").asString("");
        };
    }

    private JsonNode facts() {
        if (facts == null) facts = JSON.readTree(page.facts());
        return facts;
    }

    private String images() {
        List<PartTexts.Part> parts = new ArrayList<>();
        for (JsonNode image : facts().path("images")) {
            if (parts.size() == MOST) break;
            JsonNode alt = image.path("alt");
            PartTexts.Part part =
                    new PartTexts.Part(image.path("address").asString(""), alt.isString() ? alt.asString() : null);
            // An image that stands on the page several times is described once.
            if (!parts.contains(part)) parts.add(part);
        }
        return parts.isEmpty() ? null : PartTexts.join(parts);
    }

    /** Those of its copy that lead to pages of its own site: their words are its owner's to choose, and are no navigation. */
    private String links(String host) {
        List<PartTexts.Part> parts = Packed.text(page.links())
                .lines()
                .map(line -> line.split("\t", -1))
                .filter(link -> link.length == 3
                        && link[2].startsWith("c")
                        && PageAddress.host(link[0]).equals(host))
                .map(link -> new PartTexts.Part(link[0], link[1]))
                .distinct()
                .limit(MOST)
                .collect(Collectors.toList());
        return parts.isEmpty() ? null : PartTexts.join(parts);
    }
}
