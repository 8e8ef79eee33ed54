package lucidsweep.server.item;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import lucidsweep.core.text.HashNumbers;

/** The links between the items of a property: who is linked to how often, with which words, and how far from the start. */
final class LinkGraph {

    private static final int MOST_TEXTS = 30;
    private static final int MOST_TEXT = 100;
    private static final int MOST_REDIRECTS = 10;

    private final HashNumbers byHash = new HashNumbers();
    private final HashNumbers byId = new HashNumbers();
    private final Map<Long, Long> redirects = new HashMap<>();
    private final List<Node> nodes = new ArrayList<>();
    private Node from;

    private static final class Node {
        private final CaptureMapper.LinkCount before;
        private int[] to = new int[8];
        private int links;
        private int linksIn;
        private int depth = -1;
        private Node lastFrom;
        private String lastText = "";
        private final Set<String> texts = new LinkedHashSet<>(4);

        private Node(CaptureMapper.LinkCount before) {
            this.before = before;
        }
    }

    void redirect(long fromHash, long toHash) {
        redirects.put(fromHash, toHash);
    }

    /** Adds an item with what was counted before. */
    void item(CaptureMapper.LinkCount before, long addressHash) {
        byHash.add(addressHash, nodes.size());
        byId.add(before.id(), nodes.size());
        nodes.add(new Node(before));
    }

    /** Says on which item the links stand that come next. */
    void linksOf(long item) {
        from = nodes.get(byId.get(item));
    }

    /** Counts a link. It counts once per page it stands on; links of a page to itself do not count. */
    void link(long toHash, String text) {
        int target = byHash.get(end(toHash));
        if (target < 0) return;
        Node to = nodes.get(target);
        if (from == to) return;
        if (to.texts.size() < MOST_TEXTS && !text.equals(to.lastText) && !text.isBlank()) {
            to.texts.add(text.length() <= MOST_TEXT ? text : text.substring(0, MOST_TEXT));
            to.lastText = text;
        }
        if (to.lastFrom == from) return;
        to.lastFrom = from;
        if (from.links == from.to.length) from.to = Arrays.copyOf(from.to, from.links * 2);
        from.to[from.links++] = target;
        to.linksIn++;
    }

    private long end(long hash) {
        if (redirects.isEmpty()) return hash;
        long at = hash;
        for (int step = 0; step < MOST_REDIRECTS && redirects.containsKey(at); step++) at = redirects.get(at);
        return at;
    }

    void measureDepth(long startHash) {
        int start = byHash.get(end(startHash));
        if (start < 0) return;
        nodes.get(start).depth = 0;
        Deque<Integer> waiting = new ArrayDeque<>(List.of(start));
        while (!waiting.isEmpty()) {
            Node from = nodes.get(waiting.poll());
            for (int i = 0; i < from.links; i++) {
                Node to = nodes.get(from.to[i]);
                if (to.depth >= 0) continue;
                to.depth = from.depth + 1;
                waiting.add(from.to[i]);
            }
        }
    }

    /** Passes on every item of which something else is counted now than before. */
    void forEachChanged(Consumer<CaptureMapper.LinkCount> visit) {
        for (Node node : nodes) {
            CaptureMapper.LinkCount now = new CaptureMapper.LinkCount(
                    node.before.id(), node.linksIn, String.join("\n", node.texts), node.depth);
            if (!now.equals(node.before)) visit.accept(now);
        }
    }
}
