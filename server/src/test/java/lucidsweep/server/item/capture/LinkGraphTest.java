package lucidsweep.server.item.capture;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import lucidsweep.core.text.TextKey;
import org.junit.jupiter.api.Test;

/** Links in and depths against counting them one by one. */
class LinkGraphTest {

    private record Link(int from, int to, String text) {}

    @Test
    void linksAndDepthsAreThoseOfANaiveCount() {
        for (int seed = 0; seed < 60; seed++) {
            Random random = new Random(seed);
            int pages = 2 + random.nextInt(40);
            List<Link> links = links(random, pages);
            Map<Integer, Integer> redirects = new HashMap<>();
            // Addresses from 1,000 on are no pages but lead on to one, some by way of another.
            for (int i = 0; i < 5; i++) redirects.put(1_000 + i, i < 2 ? 1_001 + i : random.nextInt(pages));

            LinkGraph graph = new LinkGraph();
            redirects.forEach((from, to) -> graph.redirect(hash(from), hash(to)));
            for (int page = 0; page < pages; page++) graph.item(nothing(page), hash(page));
            for (int page = 0; page < pages; page++) {
                int at = page;
                graph.links(
                        page(at, links.stream().filter(link -> link.from == at).toArray(Link[]::new)));
            }
            graph.measureDepth(hash(0));

            Map<Integer, Set<Integer>> from = new HashMap<>();
            for (Link link : links) {
                int to = link.to;
                for (int step = 0; step < 10 && redirects.containsKey(to); step++) to = redirects.get(to);
                if (to < pages && to != link.from)
                    from.computeIfAbsent(to, page -> new HashSet<>()).add(link.from);
            }
            int[] depths = depths(pages, from);
            Map<Long, CaptureMapper.LinkCount> found = new HashMap<>();
            graph.forEachChanged(count -> found.put(count.itemId(), count));
            for (int page = 0; page < pages; page++) {
                CaptureMapper.LinkCount count = found.getOrDefault(1L + page, nothing(page));
                assertThat(count.linksIn())
                        .as("links to %d of %s", page, links)
                        .isEqualTo(from.getOrDefault(page, Set.of()).size());
                assertThat(count.depth()).as("depth of %d of %s", page, links).isEqualTo(depths[page]);
            }
        }
    }

    @Test
    void onlyWhatChangedIsPassedOn() {
        LinkGraph graph = new LinkGraph();
        graph.item(new CaptureMapper.LinkCount(1, 1, "home", 0), hash(0));
        graph.item(new CaptureMapper.LinkCount(2, 0, "", -1), hash(1));
        graph.item(new CaptureMapper.LinkCount(3, 7, "gone link", 3), hash(2));
        graph.links(page(0, new Link(0, 1, "tours"), new Link(0, 1, "tours"), new Link(0, 1, "all tours")));
        graph.links(page(1, new Link(1, 0, "home")));
        graph.measureDepth(hash(0));
        List<CaptureMapper.LinkCount> changed = new ArrayList<>();
        graph.forEachChanged(changed::add);
        assertThat(changed)
                .containsExactly(
                        new CaptureMapper.LinkCount(2, 1, "tours\nall tours", 1),
                        new CaptureMapper.LinkCount(3, 0, "", -1));
    }

    @Test
    void textsAreKeptOnceAndCutWhereALetterEnds() {
        LinkGraph graph = new LinkGraph();
        graph.item(nothing(0), hash(0));
        graph.item(nothing(1), hash(1));
        List<Link> links = new ArrayList<>();
        for (String text : new String[] {"café", "", "cafe", "café", "ü".repeat(70), "x" + "ü".repeat(70)})
            links.add(new Link(0, 1, text));
        for (int i = 0; i < 40; i++) links.add(new Link(0, 1, "text " + i % 35));
        graph.links(page(0, links.toArray(Link[]::new)));
        List<String> texts = new ArrayList<>();
        graph.forEachChanged(count -> texts.addAll(List.of(count.linkTexts().split("\n"))));
        assertThat(texts)
                .hasSize(30)
                .doesNotHaveDuplicates()
                .startsWith("café", "cafe", "ü".repeat(50), "x" + "ü".repeat(49), "text 0");
    }

    private static long hash(int page) {
        return TextKey.exactHash("/" + page);
    }

    private static PageLinks page(int page, Link... links) {
        StringBuilder lines = new StringBuilder();
        for (Link link : links)
            lines.append("/").append(link.to).append('\t').append(link.text).append("\tc-\n");
        return PageLinks.of(1 + page, lines.toString().getBytes(StandardCharsets.UTF_8));
    }

    private static CaptureMapper.LinkCount nothing(int page) {
        return new CaptureMapper.LinkCount(1 + page, 0, "", -1);
    }

    /** Links of one page come together, as they do in a crawl. */
    private static List<Link> links(Random random, int pages) {
        List<Link> links = new ArrayList<>();
        for (int from = 0; from < pages; from++) {
            for (int n = random.nextInt(4); n > 0; n--) {
                int to = random.nextInt(6) == 0 ? 1_000 + random.nextInt(6) : random.nextInt(pages);
                links.add(new Link(from, to, "link " + n));
            }
        }
        return links;
    }

    private static int[] depths(int pages, Map<Integer, Set<Integer>> from) {
        int[] depths = new int[pages];
        java.util.Arrays.fill(depths, -1);
        depths[0] = 0;
        Deque<Integer> waiting = new ArrayDeque<>(List.of(0));
        while (!waiting.isEmpty()) {
            int at = waiting.poll();
            for (int to = 0; to < pages; to++) {
                if (depths[to] >= 0 || !from.getOrDefault(to, Set.of()).contains(at)) continue;
                depths[to] = depths[at] + 1;
                waiting.add(to);
            }
        }
        return depths;
    }
}
