package lucidsweep.standins;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Writes the sections of the demo website, every page without a fault. */
final class Sections {

    static final String BRAND = "Tarrin Bay Kayaks";
    static final List<String> TOURS = List.of(
            "Sunrise paddle",
            "Sea cave tour",
            "Seal-watching tour",
            "Sunset tour",
            "Birdwatching tour",
            "Island day tour");
    private static final String[][] PROMISES = {
        {
            "Join our %s: first light on the water and a hot flask.",
            "Up before the gulls? Our %s ends with breakfast.",
            "Book our %s and have the whole bay to yourself."
        },
        {
            "Lamps on and heads down: our %s has echoes all round.",
            "Our %s goes in at half tide. Helmets are included.",
            "Come on our %s; we know every rock by its name."
        },
        {
            "On our %s you drift quietly while they come to look.",
            "Forty pups last year: join our %s in small groups.",
            "Our %s keeps its distance, and brings binoculars."
        },
        {
            "Paddle home in the dusk: our %s has a lantern on each bow.",
            "Our %s: two hours, one beach, and the sky on fire.",
            "Join our %s with a blanket and something warm to drink."
        },
        {
            "Terns, divers and a guide who whispers: our %s.",
            "Our %s comes with dry bags for your glasses and camera.",
            "Book our %s and bring patience; the rest is in the boat."
        },
        {
            "Two crossings and lunch on the far side: our %s.",
            "A long day out: our %s is for people who can paddle.",
            "Our %s has sand in every sandwich. Kit is included."
        }
    };
    static final List<String> CRAFT = List.of(
            "Single kayak",
            "Double kayak",
            "Sea kayak",
            "Sit-on-top kayak",
            "Fishing kayak",
            "Children’s kayak",
            "Touring canoe",
            "Paddleboard");

    private static final List<String> CRAFT_NOTES = List.of(
            "dry, quick and easy to turn.",
            "for two who like each other.",
            "long, fast and made for swell.",
            "warm days, wet legs, no worries.",
            "rod holders and room for a catch.",
            "short paddles, low sides, big smiles.",
            "three seats and space for the tent.",
            "stand up, fall in, try again.");

    private final Random random;

    Sections(long seed) {
        random = new Random(seed);
    }

    List<SitePage> all() {
        List<SitePage> pages = new ArrayList<>();
        pages.add(
                page(
                        "/",
                        "",
                        BRAND,
                        "Kayak hire, guided tours and lessons on Tarrin Bay",
                        "Hire a kayak, join a guided tour or build a boat of your own on Tarrin Bay.",
                        "We are a small team on the slip at Fennick. Since 1987 we have hired out boats, guided tours along the coast and built wooden kayaks in the shed behind the office.",
                        "Whether you have an hour or a week, we will find you a boat that fits and a stretch of water to match the weather."));
        tours(pages);
        hire(pages);
        lessons(pages);
        workshop(pages);
        boats(pages);
        journal(pages);
        shop(pages);
        legal(pages);
        return pages;
    }

    private void tours(List<SitePage> pages) {
        pages.add(index(
                "/tours/",
                "tours",
                "Guided kayak tours",
                "Guided kayak tours along the Tarrin coast",
                "Six kinds of guided tour from thirteen places along the coast, all year round."));
        for (Place place : Place.ALL) {
            for (String tour : TOURS) {
                String name = tour + " at " + place.name();
                pages.add(
                        page(
                                "/tours/" + place.slug() + "/" + Slug.of(tour) + "/",
                                "tours",
                                name,
                                name,
                                pick(PROMISES[TOURS.indexOf(tour)]).formatted(lower(tour) + " at " + place.name()),
                                "This tour starts at " + place.launch() + ". The water here is " + place.water()
                                        + ", and the guide decides on the day how far we go.",
                                "The reason most people come is simple: " + place.sight() + ". "
                                        + pick(
                                                "Bring a flask and something warm.",
                                                "Bring a camera with a strap.",
                                                "Bring dry shoes for afterwards."),
                                pick(
                                                "We take eight people at most.",
                                                "Six boats at most, two guides.",
                                                "Groups of up to ten, with one guide for every five.")
                                        + " Beginners are welcome on every tour but the island day, for which you should be able to paddle for two hours."));
            }
        }
    }

    private void hire(List<SitePage> pages) {
        pages.add(index(
                "/hire/",
                "hire",
                "Kayak hire",
                "Kayak hire by the hour, the day and the week – Tarrin Bay",
                "What we hire out, what it costs and where you can pick it up along the coast."));
        for (int i = 0; i < 4; i++) {
            Place place = Place.ALL.get(i * 3);
            for (String craft : CRAFT) {
                String name = craft + " hire in " + place.name();
                pages.add(
                        page(
                                "/hire/" + Slug.of(craft + " " + place.name()) + "/",
                                "hire",
                                name,
                                name + " – Tarrin Bay",
                                craft + " hire from " + place.name()
                                        + pick(": ", ", by the hour or the day: ")
                                        + CRAFT_NOTES.get(CRAFT.indexOf(craft)),
                                "Pick up at " + place.launch()
                                        + ". We fit the boat to you, show you the chart and agree where you turn round.",
                                "The water at " + place.name() + " is " + place.water()
                                        + ". If the wind is above force four, we move the hire to Heron Creek or give your money back."));
            }
        }
    }

    private void lessons(List<SitePage> pages) {
        pages.add(index(
                "/lessons/",
                "lessons",
                "Kayak lessons",
                "Kayak lessons for beginners and improvers – Tarrin Bay",
                "Lessons in small groups, from the first stroke to rolling in moving water."));
        String[][] lessons = {
            {"First strokes", "two hours on flat water"},
            {"Family taster", "parents and children in doubles"},
            {"Forward paddling clinic", "film, feedback and better mileage"},
            {"Rolling in the pool", "warm water and a patient coach"},
            {"Rolling at sea", "from pool roll to one that works"},
            {"Rescues and re-entries", "alone and with a partner"},
            {"Tides and charts evening", "read the water before you launch"},
            {"Surf landings", "in through small waves, with grace"},
            {"Night paddling", "lights, bearings and quiet"},
            {"Moving water weekend", "ferry glides and break-outs"},
            {"Women’s paddle morning", "taught by women, for women"},
            {"Over-sixties course", "six mornings, no hurry"},
            {"Youth club paddle", "Saturdays from nine to eleven"},
            {"Private coaching", "one coach, you and your goals"},
            {"Guide training", "the first step to leading others"},
            {"Greenland paddle class", "narrow blades, low angle"},
            {"Winter skills course", "cold hands, short days, clear heads"},
            {"Kayak sailing afternoon", "a small sail and a steady breeze"}
        };
        for (String[] lesson : lessons) {
            pages.add(
                    page(
                            "/lessons/" + Slug.of(lesson[0]) + "/",
                            "lessons",
                            lesson[0],
                            lesson[0] + ": lesson on the water – Tarrin Bay",
                            lesson[0] + ": " + lesson[1] + ". Kit, hot drinks and coaching are included.",
                            "We teach " + lower(lesson[0])
                                    + " from April to October, with no more than six people to a coach.",
                            "You will need swimwear, a towel and shoes that may get wet. Everything else hangs in the drying room."));
        }
    }

    private void workshop(List<SitePage> pages) {
        pages.add(index(
                "/workshop/",
                "workshop",
                "The workshop",
                "The workshop where we build wooden kayaks",
                "Strip-planked and stitch-and-glue boats, built by us or by you under our roof."));
        String[] jobs = {
            "Build your own kayak in nine days", "Carve a Greenland paddle", "Repair a cracked hull", "Varnish day",
            "Choosing timber for a strip boat", "Lofting from paper plans", "Steam-bending ribs",
                    "Fitting hatches and bulkheads",
            "Keel strips and skegs", "Seat carving weekend", "Fibreglass without tears", "Restoring an old canoe",
            "Cedar strip basics", "A boat for two in a fortnight", "Skin-on-frame weekend", "Oiling and winter storage",
            "Deck lines and fittings", "Ask the boatbuilder", "Workshop bench hire", "Gift vouchers for makers"
        };
        for (String job : jobs) {
            pages.add(
                    page(
                            "/workshop/" + Slug.of(job) + "/",
                            "workshop",
                            job,
                            job + " in our boat shed",
                            job + ": what you will do, what it costs and when the bench is free.",
                            job
                                    + " is taught by Ines Calder, who has built one hundred and twelve boats and still knows them by name.",
                            "Timber, glue and tea are part of the price. You take home what you make, and we help to tie it to the roof of the car."));
        }
    }

    private void boats(List<SitePage> pages) {
        pages.add(index(
                "/boats/",
                "boats",
                "Our wooden boats",
                "Wooden kayaks built to order and as kits",
                "Twenty-five designs in cedar, ash and plywood, built to order or as a kit."));
        String[] models = {
            "Sandpiper 12",
            "Petrel 16",
            "Shearwater 17",
            "Dunlin 11",
            "Whimbrel 15",
            "Turnstone 14",
            "Guillemot 17",
            "Razorbill 16",
            "Fulmar 18",
            "Kittiwake 15",
            "Eider Double",
            "Gannet Double",
            "Cormorant 19",
            "Plover 10",
            "Teal Junior",
            "Redshank 13",
            "Greenshank 14",
            "Oystercatcher 16",
            "Knot 9",
            "Sanderling 12",
            "Avocet 15",
            "Curlew 17",
            "Heron Canoe",
            "Bittern Canoe",
            "Swift Racer"
        };
        for (String model : models) {
            for (String form : List.of("kit", "built to order")) {
                boolean kit = form.equals("kit");
                pages.add(page(
                        "/boats/" + Slug.of(model + " " + form) + "/",
                        "boats",
                        model + (kit ? " kit" : ", built to order"),
                        model + (kit ? " wooden boat kit with plans" : " wooden boat, built to order"),
                        kit
                                ? "The " + model + " as a kit: cut parts, plans, epoxy and help by telephone."
                                : "The " + model + " built for you in our shed, in about fourteen weeks.",
                        "The " + model + " is "
                                + pick(
                                        "quick and dry",
                                        "steady and forgiving",
                                        "light enough to carry alone",
                                        "at home in a following sea")
                                + ", with " + pick("a low deck", "hard chines", "a rounded hull", "a little rocker")
                                + ".",
                        kit
                                ? "The parts are cut on our own machine. Most people need sixty to ninety evenings."
                                : "We agree on timber, fit and fittings, and send you a photograph every Friday."));
            }
        }
    }

    private void journal(List<SitePage> pages) {
        pages.add(index(
                "/journal/",
                "journal",
                "Journal",
                "The journal: notes from a boat shed by the sea",
                "Stories, tides, recipes and repairs, written down when it is too windy to paddle."));
        String[][] topics = {
            {"What to wear on the water in %s", "Layers that work in %s, and the cotton you should leave at home."},
            {"Where to launch in %s", "Quiet slips, parking and tides: our favourite launches for %s."},
            {"Five birds to look for in %s", "Who calls, who dives and who only passes through in %s."},
            {"A paddler’s soup for %s", "One pot, one ring, four hungry people: the soup we make in %s."},
            {"How the tides run in %s", "Springs, neaps and the hour that matters most in %s."},
            {"Camping by kayak in %s", "What to pack, where to sleep and how to leave no trace in %s."},
            {"Looking after a wooden hull in %s", "Oil, shade and a dry shed: what wood needs in %s."},
            {"Paddling with children in %s", "Short legs, long breaks and many biscuits: family trips in %s."}
        };
        String[] months = {
            "January",
            "February",
            "March",
            "April",
            "May",
            "June",
            "July",
            "August",
            "September",
            "October",
            "November",
            "December"
        };
        for (int t = 0; t < topics.length; t++) {
            for (int m = 0; m < months.length; m++) {
                String name = topics[t][0].formatted(months[m]);
                SitePage article = page(
                        "/journal/" + Slug.of(name) + "/",
                        "journal",
                        name,
                        name,
                        topics[t][1].formatted(months[m]),
                        "It was " + pick("blowing hard", "flat calm", "raining sideways", "the first warm day")
                                + " when I wrote this down, with the kettle on and the radio reading the forecast for the Tarrin coast.",
                        pick(
                                        "People ask us this every year.",
                                        "A customer asked me this on the slip.",
                                        "I learned this the slow way.")
                                + " The short answer is that it depends on the wind, and the long answer fills this page.",
                        "Come and tell us how you do it. The best ideas in this journal were told to us on the jetty at "
                                + Place.ALL.get((t + m) % Place.ALL.size()).name() + ".");
                article.published = "2025-%02d-%02d".formatted(m + 1, 3 + t * 3);
                // Some were looked over again before this year's season.
                if (t == 1) article.modified = "2026-%02d-12".formatted(1 + m / 2);
                pages.add(article);
            }
        }
    }

    private void shop(List<SitePage> pages) {
        pages.add(index(
                "/shop/",
                "shop",
                "The old shop",
                "Paddling kit from our old shop by the harbour",
                "Paddles, clothing and bits that fall overboard, while stocks last."));
        String[] goods = {
            "Ash paddle",
            "Carbon paddle",
            "Split paddle",
            "Greenland paddle",
            "Paddle float",
            "Bilge pump",
            "Tow line",
            "Spray deck",
            "Buoyancy aid",
            "Junior buoyancy aid",
            "Dry bag 10 l",
            "Dry bag 30 l",
            "Deck bag",
            "Map case",
            "Deck compass",
            "Head torch",
            "Whistle",
            "Helmet",
            "Neoprene boots",
            "Neoprene gloves",
            "Pogies",
            "Cagoule",
            "Dry trousers",
            "Thermal top",
            "Roof pads",
            "Roof straps",
            "Kayak trolley",
            "Wall rack",
            "Repair tape",
            "Varnish, half a litre",
            "Teak oil",
            "Brass screws",
            "Hatch cover",
            "Foot pegs",
            "Seat pad",
            "Rudder kit",
            "Kayak sail",
            "Flask",
            "Sponge"
        };
        for (String good : goods) {
            pages.add(page(
                    "/shop/" + Slug.of(good) + "/",
                    "shop",
                    good,
                    good + " for sea kayaking and canoeing",
                    good + " that has been on our own boats for a season before we sell it.",
                    "We keep a few in the office. Ask for the " + lower(good)
                            + " at the counter, or ring us and we put one by.",
                    "If it breaks within two years, bring it back. We mend what can be mended."));
        }
    }

    private void legal(List<SitePage> pages) {
        String[][] legal = {
            {"Terms of hire and booking", "What you agree to when you hire a boat or book a tour, in plain words."},
            {"How we treat your data", "What we write down about you, why, and how to have it struck out."},
            {"Safety on the water", "Our rules for wind, cold, tides and what to do if you capsize."},
            {"Imprint and company details", "Who we are in law, where the office is and whom to write to."},
            {
                "As it was",
                "Who kept the slip before the road came, and what they charged.",
                "As it was: the slip before the road came"
            },
            {"Cancellations and refunds", "When you get your money back and when you get a new date."}
        };
        for (String[] page : legal) {
            pages.add(page(
                    "/legal/" + Slug.of(page[0]) + "/",
                    "legal",
                    page[0],
                    page.length > 2 ? page[2] : page[0],
                    page[1],
                    "These pages were written by us and read by a solicitor, in that order.",
                    "If something is not clear, ask in the office. We would rather explain it than have you guess."));
        }
    }

    private SitePage index(String path, String section, String name, String title, String description) {
        return page(
                path,
                section,
                name,
                title,
                description,
                "Choose from the list below. If you do not find what you need, ring the office between nine and five.");
    }

    private static SitePage page(
            String path, String section, String name, String title, String description, String... paragraphs) {
        return new SitePage(path, section, name, title, description, List.of(paragraphs));
    }

    private String pick(String... texts) {
        return texts[random.nextInt(texts.length)];
    }

    private static String lower(String text) {
        return Character.toLowerCase(text.charAt(0)) + text.substring(1);
    }
}
