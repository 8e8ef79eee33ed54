package lucidsweep.server.gather.crawl;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What a page's JSON-LD says of it, the first of each that is found; "" where nothing does.
 *
 * @param rating such as "4.7 of 31"
 * @param price with its currency, such as "40 GBP"
 */
record StructuredData(String name, String description, String published, String rating, String price) {

    /** Of captures of before, which did not look for it, the price is not known. */
    StructuredData {
        price = price == null ? "" : price;
    }

    private static final int MAX_NODES = 2_000;
    private static final int LONGEST = 1_000;

    /** Reads the pieces that can be read; a broken one says nothing. */
    static StructuredData of(List<String> pieces, JsonMapper json) {
        String[] found = {"", "", "", "", ""};
        for (String piece : pieces) {
            try {
                read(json.readTree(piece), found);
            } catch (JacksonException broken) {
                continue;
            }
        }
        return new StructuredData(found[0], found[1], found[2], found[3], found[4]);
    }

    private static void read(JsonNode root, String[] found) {
        Deque<JsonNode> waiting = new ArrayDeque<>(List.of(root));
        for (int seen = 0; seen < MAX_NODES && !waiting.isEmpty(); seen++) {
            JsonNode node = waiting.poll();
            take(found, 0, node.path("name"));
            take(found, 0, node.path("headline"));
            take(found, 1, node.path("description"));
            take(found, 2, node.path("datePublished"));
            take(found, 2, node.path("uploadDate"));
            JsonNode rating = node.path("aggregateRating");
            if (found[3].isEmpty() && rating.has("ratingValue")) {
                String count = rating.path("reviewCount")
                        .asString(rating.path("ratingCount").asString(""));
                found[3] = clip(rating.path("ratingValue").asString("") + (count.isEmpty() ? "" : " of " + count));
            }
            price(node.path("offers"), found);
            if (node.isArray()) node.forEach(waiting::add);
            else node.path("@graph").forEach(waiting::add);
        }
    }

    private static void price(JsonNode offers, String[] found) {
        JsonNode offer = offers.isArray() ? offers.path(0) : offers;
        String price = offer.path("price").asString(offer.path("lowPrice").asString(""));
        if (!found[4].isEmpty() || price.isBlank()) return;
        found[4] = clip((price + " " + offer.path("priceCurrency").asString("")).strip());
    }

    private static void take(String[] found, int place, JsonNode value) {
        if (found[place].isEmpty() && value.isString())
            found[place] = clip(value.asString().strip());
    }

    private static String clip(String text) {
        return text.length() <= LONGEST ? text : text.substring(0, LONGEST);
    }
}
