package lucidsweep.standins;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** The videos of the demo client's channel in their groups, made from a seed, with faults planted on purpose. */
public final class ChannelVideos {

    private static final LocalDate FIRST = LocalDate.of(2022, 3, 5);
    static final String[] SKILLS = {
        "Rolling a sea kayak",
        "The forward stroke",
        "Edging without fear",
        "Getting back in alone",
        "Towing a tired friend",
        "Landing through surf",
        "Reading the tide table",
        "Packing for three nights",
        "The low brace",
        "Launching from rocks"
    };
    private static final String[] STEPS = {
        "Laying the first cedar strip",
        "Fairing the hull by hand",
        "Glassing on a dry day",
        "Cutting the hatches",
        "Carving a paddle from one plank",
        "Varnish, and how many coats",
        "Fitting the foot braces",
        "Bending ribs over steam"
    };
    private static final String[] QUESTIONS = {
        "How cold is too cold to paddle?",
        "Which paddle length is right?",
        "Single or double kayak for a couple?",
        "What do we carry in the day hatch?",
        "Can I bring my dog along?",
        "Do I need a dry suit in May?"
    };

    private final Random random;
    private final List<String> videos = new ArrayList<>();
    private final List<Planted> planted = new ArrayList<>();

    public ChannelVideos(long seed) {
        random = new Random(seed);
        for (Place place : Place.ALL) {
            add("Guided tours", "Paddling to " + place.name() + ": " + place.sight());
            add("Guided tours", "A morning at " + place.name() + " by kayak");
            add("Launching places", "Where to launch at " + place.name() + ": " + place.launch());
        }
        for (String skill : SKILLS) {
            add("Lessons", skill + " in five minutes");
            add("Lessons", skill + ": the three usual mistakes");
        }
        for (String step : STEPS) {
            add("In the workshop", step);
            add("In the workshop", step + ", without cutting a corner");
        }
        for (String question : QUESTIONS) {
            add("Questions", question);
            add("Questions", question + " Our guides answer");
        }
        for (int month = 1; month <= 8; month++)
            add("", "The bay in month " + month + " of the year, from the boat shed");
    }

    /** Each as a JSON object. */
    public List<String> json() {
        return videos;
    }

    /** Every planted fault; path is the video's id. */
    public List<Planted> planted() {
        return planted;
    }

    private void add(String group, String title) {
        int number = videos.size();
        String id = "tbk-v%03d".formatted(number + 1);
        String description =
                title + ". Filmed on the water between Fennick and Lantern Head by the people who guide our"
                        + " tours; kit list, tide times and how to book stand below.";
        List<String> tags = new ArrayList<>(List.of("tarrin bay", "sea kayaking", "kayak video"));
        tags.add(group.isEmpty() ? "kayak vlog" : group.toLowerCase() + " kayak");
        if (number % 9 == 2) {
            description = "";
            planted.add(new Planted(id, "description", "missing"));
        }
        if (number % 11 == 3) {
            tags.clear();
            planted.add(new Planted(id, "tags", "missing"));
        }
        if (number % 17 == 5) {
            title = title
                    + ", recorded in one take with the waterproof camera we bought after the old one sank off Skerry Island in the gales of last autumn";
            planted.add(new Planted(id, "title", "too-long"));
        }
        String opening = title;
        if (number % 19 == 7 && !description.isEmpty()) {
            opening = "Two hours of it, cut down to the part that matters";
            planted.add(new Planted(id, "description", "opening-off-title"));
            description = description.replace(title, opening);
        }
        if (number % 23 == 9) {
            tags.add("kayak videos");
            planted.add(new Planted(id, "tags", "near-twins"));
        }
        if (!tags.isEmpty()) planted.add(new Planted(id, "tags", "everywhere"));
        LocalDate published = FIRST.plusDays(number * 13L + random.nextInt(9));
        int views = (int) Math.round(Math.exp(4 + random.nextGaussian() * 1.4 + number % 5 * 0.4));
        videos.add(
                "{\"video id\":%s,\"title\":%s,\"description\":%s,\"tags\":[%s],\"published\":\"%s\",\"views\":%d,\"playlist\":%s}"
                        .formatted(
                                quoted(id),
                                quoted(title),
                                quoted(description),
                                String.join(
                                        ",",
                                        tags.stream().map(ChannelVideos::quoted).toList()),
                                published,
                                views,
                                quoted(group)));
    }

    static String quoted(String text) {
        return '"' + text.replace("\\", "\\\\").replace("\"", "\\\"") + '"';
    }
}
