package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Made-up sites, crawled as a crawl would: which of their addresses are asked, and what is said of the others. */
class TrapWatchTest {

    private static final String HOST = "https://bay.example";

    private final Set<String> asked = new LinkedHashSet<>();
    private final Set<String> traps = new TreeSet<>();

    /** A page: its title and where it links to. */
    private record Page(String title, List<String> links) {}

    private void crawl(String start, int max, Function<String, Page> site) {
        TrapWatch watch = new TrapWatch();
        Set<String> known = new LinkedHashSet<>(List.of(HOST + start));
        Deque<String> waiting = new ArrayDeque<>(known);
        while (!waiting.isEmpty() && asked.size() < max) {
            String address = waiting.poll();
            asked.add(address.substring(HOST.length()));
            Page page = site.apply(address.substring(HOST.length()));
            boolean newShapes = false;
            for (String link : page.links) {
                if (!known.add(HOST + link)) continue;
                var objection = watch.objection(HOST + link, address);
                objection.ifPresent(traps::add);
                if (objection.isPresent()) continue;
                waiting.add(HOST + link);
                newShapes |= !AddressShape.of(HOST + link).equals(AddressShape.of(address));
            }
            watch.read(address, page.title, newShapes);
        }
    }

    @Test
    void aCalendarThatGoesOnIsLeftAfterAWhile() {
        crawl("/tides/2026/1", 10_000, path -> {
            if (path.equals("/")) return new Page("Home", List.of("/tides/2026/1"));
            int month = Integer.parseInt(path.substring(path.lastIndexOf('/') + 1));
            int year = Integer.parseInt(path.split("/")[2]);
            String next = month == 12 ? "/tides/" + (year + 1) + "/1" : "/tides/" + year + "/" + (month + 1);
            return new Page("Tides " + path, List.of("/", next));
        });
        assertThat(asked).hasSizeBetween(20, 60);
        assertThat(traps).containsExactly("a calendar without end: /tides/#/#");
    }

    @Test
    void pagesOfAListThatLeadToItsItemsAreAllAsked() {
        crawl("/shop?page=1", 10_000, path -> {
            if (!path.startsWith("/shop?")) return new Page("Item " + path, List.of("/shop?page=1"));
            int page = Integer.parseInt(path.substring(path.indexOf('=') + 1));
            List<String> links =
                    page == 900 ? List.of("/item-" + page) : List.of("/item-" + page, "/shop?page=" + (page + 1));
            return new Page("Shop, page " + page, links);
        });
        assertThat(asked).hasSize(1_800);
        assertThat(traps).isEmpty();
    }

    @Test
    void aSessionIdIsSeenThroughAndEveryPageIsStillAsked() {
        int[] clock = {0};
        crawl("/p0", 10_000, path -> {
            String[] links = new String[20];
            for (int i = 0; i < links.length; i++) {
                links[i] = "/p" + i + "?sid=" + String.format("%08x%08x", clock[0]++ * 7_919, 0x5e551017 + clock[0]);
            }
            return new Page("A page", List.of(links));
        });
        assertThat(asked).hasSizeLessThan(100);
        assertThat(traps).containsExactly("a session id: sid changes from link to link");
        for (int i = 0; i < 20; i++) {
            String page = "/p" + i;
            assertThat(asked).anyMatch(address -> address.startsWith(page + "?"));
        }
    }

    @Test
    void filtersInEveryCombinationAreLeftWhereTheirPagesSayTheSame() {
        crawl("/kayaks?a=0&b=0&c=0", 10_000, path -> {
            int a = path.charAt("/kayaks?a=".length()) - '0';
            int b = path.charAt(path.indexOf("&b=") + 3) - '0';
            int c = path.charAt(path.indexOf("&c=") + 3) - '0';
            return new Page(
                    "Kayaks to hire",
                    List.of(filtered((a + 1) % 10, b, c), filtered(a, (b + 1) % 10, c), filtered(a, b, (c + 1) % 10)));
        });
        assertThat(asked).hasSizeLessThan(150);
        assertThat(traps).containsExactly("filters in every combination: a, b, c of /kayaks");
    }

    @Test
    void pagesThatOnlyTheirParametersTellApartAreAllAsked() {
        crawl("/page?view=item&id=0&lang=en", 10_000, path -> {
            if (!path.startsWith("/page")) return new Page("About", List.of());
            int id = Integer.parseInt(path.replaceAll(".*id=(\\d+).*", "$1"));
            List<String> links =
                    id == 400 ? List.of() : List.of("/page?view=item&id=" + (id + 1) + "&lang=en", "/about-" + id);
            return new Page("Boat number " + id, links);
        });
        assertThat(asked).hasSize(801);
        assertThat(traps).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/boats/boats/boats/boats/",
                "/a/b/a/b/a/b/a/b/c",
                "/x/1/2/3/1/2/3/1/2/3/1/2/3/",
            })
    void foldersThatNestInThemselves(String path) {
        assertThat(new TrapWatch().objection(HOST + path, HOST + "/").orElseThrow())
                .startsWith("folders that nest: /");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/",
                "/2026/2026/11/11/",
                "/boats/boats/boats/",
                "/a/b/a/b/a/b/",
                "/tour?date=2026-11-25&people=2",
                "/file?id=0123456789abcdef0123456789abcdef",
            })
    void honestAddresses(String path) {
        assertThat(new TrapWatch().objection(HOST + path, HOST + "/")).isEmpty();
    }

    private static String filtered(int a, int b, int c) {
        return "/kayaks?a=" + a + "&b=" + b + "&c=" + c;
    }
}
