package lucidsweep.server.item;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;

/** The links between the items of a property: who is linked to how often, with which words, and how far from the start. */
final class LinkGraph {

    private static final int MOST_TEXTS = 30;
    private static final int MOST_TEXT = 100;
    private static final int MOST_REDIRECTS = 10;

    private final Map<Long, Integer> byHash = new HashMap<>();
    private final Map<Long, Long> redirects = new HashMap<>();
    private final Map<Long, Integer> byId = new HashMap<>();
    private final List<Node> nodes = new ArrayList<>();
    private final Set<Integer> linkedByCurrent = new HashSet<>();
    private Node current;

    private static final class Node {
        private final CaptureMapper.LinkCount before;
        private int[] to = new int[8];
        private int links;
        private int linksIn;
        private int depth = -1;
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
        byHash.put(addressHash, nodes.size());
        byId.put(before.id(), nodes.size());
        nodes.add(new Node(before));
    }

    /** Counts a link; those of one page come together. It counts once per page it stands on; links of a page to itself do not count. */
    void link(long fromItem, long toHash, String text) {
        Integer target = byHash.get(end(toHash));
        if (target == null) return;
        Node from = nodes.get(byId.get(fromItem));
        Node to = nodes.get(target);
        if (from == to) return;
        if (to.texts.size() < MOST_TEXTS && !text.isBlank()) {
            to.texts.add(text.length() <= MOST_TEXT ? text : text.substring(0, MOST_TEXT));
        }
        if (from != current) {
            current = from;
            linkedByCurrent.clear();
        }
        if (!linkedByCurrent.add(target)) return;
        if (from.links == from.to.length) from.to = Arrays.copyOf(from.to, from.links * 2);
        from.to[from.links++] = target;
        to.linksIn++;
    }

    private long end(long hash) {
        long at = hash;
        for (int step = 0; step < MOST_REDIRECTS && redirects.containsKey(at); step++) at = redirects.get(at);
        return at;
    }

    void measureDepth(long startHash) {
        Integer start = byHash.get(end(startHash));
        if (start == null) return;
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
