package lucidsweep.server.item.capture;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import lucidsweep.core.text.HashNumbers;
import lucidsweep.core.text.TextKey;

/** The links between the items of a property: who is linked to how often, with which words, and how far from the start. */
final class LinkGraph {

    private static final int MAX_REDIRECTS = 10;

    private final HashNumbers byHash = new HashNumbers();
    private final HashNumbers byId = new HashNumbers();
    private final Map<Long, Long> redirects = new HashMap<>();
    private final List<Node> nodes = new ArrayList<>();
    private int[] ahead = new int[64];

    private static final class Node {
        private static final int[] NOWHERE = new int[0];

        private final long id;
        private final int linksBefore;
        private final int depthBefore;
        private final long textsBefore;
        private final LinkTexts texts = new LinkTexts();
        private int[] to = NOWHERE;
        private int linksIn;
        private int depth = -1;
        private Node lastFrom;

        private Node(CaptureMapper.LinkCount before) {
            id = before.itemId();
            linksBefore = before.linksIn();
            depthBefore = before.depth();
            textsBefore = TextKey.exactHash(before.linkTexts());
        }
    }

    void redirect(long fromHash, long toHash) {
        redirects.put(fromHash, toHash);
    }

    /** Adds an item with what was counted before. */
    void item(CaptureMapper.LinkCount before, long addressHash) {
        byHash.add(addressHash, nodes.size());
        byId.add(before.itemId(), nodes.size());
        nodes.add(new Node(before));
    }

    /** Counts the links of an item. One counts once however often it stands there; links of an item to itself do not count. */
    void links(PageLinks page) {
        Node from = nodes.get(byId.get(page.item()));
        int count = 0;
        if (ahead.length < page.to().length) ahead = new int[page.to().length];
        for (int i = 0; i < page.to().length; i++) {
            int target = byHash.get(end(page.to()[i]));
            if (target < 0 || nodes.get(target) == from) continue;
            Node to = nodes.get(target);
            to.texts.add(page.lines(), page.texts()[2 * i], page.texts()[2 * i + 1]);
            if (to.lastFrom == from) continue;
            to.lastFrom = from;
            to.linksIn++;
            ahead[count++] = target;
        }
        from.to = Arrays.copyOf(ahead, count);
    }

    private long end(long hash) {
        if (redirects.isEmpty()) return hash;
        long at = hash;
        for (int step = 0; step < MAX_REDIRECTS && redirects.containsKey(at); step++) at = redirects.get(at);
        return at;
    }

    void measureDepth(long startHash) {
        int start = byHash.get(end(startHash));
        if (start < 0) return;
        nodes.get(start).depth = 0;
        Deque<Integer> waiting = new ArrayDeque<>(List.of(start));
        while (!waiting.isEmpty()) {
            Node from = nodes.get(waiting.poll());
            for (int place : from.to) {
                Node to = nodes.get(place);
                if (to.depth >= 0) continue;
                to.depth = from.depth + 1;
                waiting.add(place);
            }
        }
    }

    /** Passes on every item of which something else is counted now than before. */
    void forEachChanged(Consumer<CaptureMapper.LinkCount> visit) {
        for (Node node : nodes) {
            String texts = node.texts.toString();
            boolean same = node.linksIn == node.linksBefore
                    && node.depth == node.depthBefore
                    && TextKey.exactHash(texts) == node.textsBefore;
            if (!same) visit.accept(new CaptureMapper.LinkCount(node.id, node.linksIn, texts, node.depth));
        }
    }
}
