package lucidsweep.standins;

import java.util.List;
import java.util.stream.IntStream;

/** Pages of the demo website whose addresses are at fault, and nothing else. */
final class OddAddresses {

    static final List<SitePage> PAGES = List.of(
            page("/journal/Geese-In-The-Mist/", "Geese in the mist", "Why they sing before the fog lifts"),
            page("/journal/lamps_on_the_quay/", "Lamps on the quay", "Who lights them now, and with what"),
            page("/journal/p-4711/", "Letters from the lifeboat crew", "Three of them, in their own hand"),
            page(
                    "/journal/the-winter-in-which-the-harbour-froze-and-everybody-walked-to-the-island-and-back-again/",
                    "The winter in which the harbour froze",
                    "And what came of it"),
            page("/journal/knots/?sessionid=4f2a9c71d0", "Knots that hold in a swell", "Five of them, tied slowly"));

    /** What is wrong with them, in their order. */
    private static final List<String> FAULTS = List.of("capitals", "underscores", "off-title", "too-long", "session");

    private OddAddresses() {}

    static List<Planted> planted() {
        return IntStream.range(0, PAGES.size())
                .mapToObj(i -> new Planted(PAGES.get(i).path, "slug", FAULTS.get(i)))
                .toList();
    }

    private static SitePage page(String path, String name, String more) {
        return new SitePage(
                path,
                "journal",
                name,
                name + ": a page of our journal",
                name + ". " + more + ", as it was told to us in the boat shed.",
                List.of(more + ".", "Come by when the kettle is on, and tell us yours."));
    }
}
