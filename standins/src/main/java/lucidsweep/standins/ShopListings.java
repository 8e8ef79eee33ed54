package lucidsweep.standins;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** The listings of the demo client's shop, made from a seed, with faults planted on purpose. */
public final class ShopListings {

    static final String[] GOODS = {
        "Canoe paddle",
        "Greenland paddle",
        "Half-model of a kayak",
        "Boat shed key ring",
        "Driftwood lamp",
        "Chart print of the bay",
        "Kayak wall hook",
        "Cedar bread board",
        "Tide clock",
        "Oar coat rack",
        "Rope doormat",
        "Cleat drawer pull",
        "Paddle bookmark",
        "Boat name board",
        "Birch plywood tray"
    };
    static final String[] WOODS = {"ash", "cedar", "cherry", "oak", "walnut", "larch"};
    private static final String[] STORIES = {
        "we carve it on a shaving horse and balance it on one finger.",
        "narrow in the blade and loomed to your own hands.",
        "half a hull on a board, drawn from the lines of the boats we build.",
        "it floats when it falls in, which is more than the keys do.",
        "found on the tide line, wired and shaded in the loft.",
        "the soundings are those of 1887, and so are two of the rocks.",
        "two pegs and a batten, strong enough for a wet boat.",
        "a board for one loaf, with a groove that holds the crumbs.",
        "high water and low water, one hand, no numbers.",
        "an old oar, sawn and set with brass, for the hall.",
        "plaited from mooring line that has held boats for years.",
        "turned like the cleat on a jetty, for drawers that stick.",
        "thin as a shaving, with a blade at one end.",
        "letters cut by hand and gilded, as many as your boat is called.",
        "bent over a mould in one piece, with handles for cold fingers."
    };
    private static final String[] GRAINS = {
        "The grain is pale and runs straight, and it bends before it breaks.",
        "It smells of the shed for a year, and the colour deepens in the sun.",
        "Reddish at first, then browner every summer that it is looked at.",
        "Heavy and slow to dry; it will outlast the nail that it hangs on.",
        "Dark bands through brown, no two pieces of it alike.",
        "Knots the size of a penny, and resin that shines when it is oiled."
    };
    private static final String[] SIZES = {
        "This one goes into hand luggage: a gift for people who paddle by the sea, or would like to own a boat that is new.",
        "The big one wants a wall of its own, at home or on the coast: a gift for a paddler with room."
    };
    private static final String[] OCCASIONS = {"a new boat", "a birthday", "a cabin by the sea"};
    static final String[] TAGS = {
        "kayak gift",
        "canoe gift",
        "paddler gift",
        "wooden decor",
        "nautical decor",
        "coastal home",
        "beach house decor",
        "gift for sailors",
        "boat lover gift",
        "lake house decor",
        "hand carved wood",
        "cabin wall decor",
        "sea kayak",
        "ocean gift",
        "fathers day gift",
        "cottage decor",
        "rustic wall art",
        "new boat gift",
        "handmade wood"
    };

    /** Tags of which no word stands in any text of the shop. */
    private static final String[] UNLIKE = {
        "quiet evening",
        "rainy sunday",
        "granny birthday",
        "thank you",
        "study desk",
        "reading nook",
        "window sill",
        "christmas eve",
        "name day",
        "school leaver",
        "dinner guest",
        "pub quiz",
        "jigsaw club"
    };

    private static final int VARIANTS = 2;

    /** How many listings there are. */
    static final int COUNT = GOODS.length * WOODS.length * VARIANTS;

    /** The good of a listing by its place. */
    static String good(int number) {
        return GOODS[number / (WOODS.length * VARIANTS)];
    }

    static String wood(int number) {
        return WOODS[number / VARIANTS % WOODS.length];
    }

    static String id(int number) {
        return "TBK-" + (1001 + number);
    }

    private final Random random;
    private final List<Planted> planted = new ArrayList<>();
    private final StringBuilder csv = new StringBuilder();
    private final List<String> json = new ArrayList<>();

    public ShopListings(long seed) {
        random = new Random(seed);
        csv.append("listing id,title,description,tags,price,section,stock\r\n");
        for (int number = 0; number < COUNT; number++) {
            int variant = number % VARIANTS;
            int occasion = (number / VARIANTS % WOODS.length + variant) % OCCASIONS.length;
            add(good(number), wood(number), OCCASIONS[occasion], variant, number);
        }
    }

    /** Each as a JSON object, as the marketplace answers it. */
    List<String> json() {
        return json;
    }

    public String csv() {
        return csv.toString();
    }

    /** Every planted fault; path is the listing's id. */
    public List<Planted> planted() {
        return planted;
    }

    private void add(String good, String wood, String occasion, int variant, int number) {
        String id = id(number);
        String size = variant == 0 ? "small" : "large";
        String title = good + ", gift for " + occasion + ", " + size + ", solid " + wood;
        String description = "A " + size + " " + good.toLowerCase(Locale.ROOT) + " made of " + wood
                + " in our boat shed: "
                + STORIES[number / (WOODS.length * VARIANTS)] + " " + GRAINS[number / VARIANTS % WOODS.length] + " "
                + SIZES[variant];
        List<String> tags = tags();
        switch (number % 12) {
            case 1 -> {
                tags = List.of();
                note(id, "tags", "missing");
            }
            case 3 -> {
                tags = tags.subList(0, 5);
                tags.set(0, "kayak keepsake");
                note(id, "tags", "budget-unused");
            }
            case 5 -> {
                tags.set(0, "kayak");
                note(id, "tags", "one-word");
            }
            case 7 -> {
                tags.set(0, "present for people who paddle");
                note(id, "tags", "too-long");
            }
            case 8 -> {
                tags.set(0, tags.get(1).toUpperCase());
                note(id, "tags", "same-twice");
                note(id, "tags", "capitals");
            }
            case 9 -> {
                tags.add("spare tag");
                note(id, "tags", "too-many");
            }
            default -> {}
        }
        if (number == 26) {
            tags = new ArrayList<>(List.of(UNLIKE));
            note(id, "description", "without-tags");
        }
        if (number % 20 == 4) {
            title = "";
            note(id, "title", "empty");
        } else if (number % 20 == 10) {
            title = title
                    + " – made from the last planks of a cedar strip kayak that crossed the bay a thousand times before it was retired, oiled, waxed and signed by the maker";
            note(id, "title", "too-long");
        } else if (number % 20 == 14) {
            title = "Wooden thing from our shed";
            note(id, "title", "duplicate");
        } else if (number % 5 == 2) {
            title = "Made to order: " + title;
            note(id, "title", "common-beginning");
        }
        if (number % 30 == 6) {
            description = "";
            note(id, "description", "empty");
        }
        String price = "%d.00".formatted(12 + random.nextInt(90));
        String section = good.contains("paddle")
                ? "Paddles"
                : good.contains("Boat") || good.contains("kayak") ? "Boats" : "Home";
        json.add(
                "{\"listing id\":\"%s\",\"title\":%s,\"description\":%s,\"tags\":[%s],\"price\":\"%s\",\"section\":\"%s\"}"
                        .formatted(
                                id,
                                ChannelVideos.quoted(title),
                                ChannelVideos.quoted(description),
                                String.join(
                                        ",",
                                        tags.stream().map(ChannelVideos::quoted).toList()),
                                price,
                                section));
        csv.append(id)
                .append(',')
                .append(quoted(title))
                .append(',')
                .append(quoted(description))
                .append(',')
                .append(quoted(String.join(", ", tags)))
                .append(',')
                .append(price)
                .append(',')
                .append(quoted(section))
                .append(',')
                .append(1 + random.nextInt(9))
                .append("\r\n");
    }

    private List<String> tags() {
        List<String> pool = new ArrayList<>(List.of(TAGS));
        java.util.Collections.shuffle(pool, random);
        return new ArrayList<>(pool.subList(0, 13));
    }

    /** A text that is not there is read as missing, since a cell cannot be there and empty. */
    private void note(String id, String field, String finding) {
        planted.add(new Planted(id, field, finding.equals("empty") ? "missing" : finding));
    }

    private static String quoted(String text) {
        return "\"" + text.replace("\"", "\"\"") + "\"";
    }
}
