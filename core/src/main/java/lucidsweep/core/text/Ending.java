package lucidsweep.core.text;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The same end of many texts, such as " | Tarrin Bay Kayaks – boats, tours and lessons".
 *
 * @param text the ending with the separator before it
 * @param count how many texts end so
 * @param px what it costs, in px
 */
public record Ending(String text, int count, double px) {

    /**
     * Finds the common endings of many texts by support in a trie of words read from the back.
     *
     * <p>Feed it every text once, then ask. Memory grows with the number of distinct endings that occur at least
     * twice among the first texts seen, since rare branches are cut off whenever the trie passes its bound.
     */
    public static final class Finder {

        private static final int MAX_WORDS = 24;
        private static final int MAX_NODES = 400_000;

        private final Node root = new Node();
        private int nodes;
        private int texts;

        private static final class Node {
            private int count;
            private final Map<String, Node> before = new HashMap<>(2);
        }

        public void add(String text) {
            texts++;
            String[] words = text.split(" ");
            Node at = root;
            int depth = 0;
            for (int i = words.length - 1; i > 0 && depth < MAX_WORDS; i--, depth++) {
                Node next = at.before.get(words[i]);
                if (next == null) {
                    next = new Node();
                    at.before.put(words[i], next);
                    nodes++;
                }
                next.count++;
                at = next;
            }
            if (nodes > MAX_NODES) nodes = prune(root);
        }

        /**
         * The endings that many texts share, each as long as it can be: a shorter one is listed beside a longer one
         * only if enough further texts end in it.
         *
         * @param share the least share of all texts, 0 to 1
         * @param minPx the least width in px
         * @param slot where the texts are shown
         */
        public List<Ending> common(double share, double minPx, Slot slot) {
            int min = Math.max(3, (int) Math.ceil(share * texts));
            List<Ending> found = new ArrayList<>();
            collect(root, "", min, minPx, slot, found);
            return found;
        }

        /** Returns how many texts the endings found at or beyond this node cover. */
        private static int collect(Node node, String text, int min, double minPx, Slot slot, List<Ending> found) {
            int covered = 0;
            List<Map.Entry<String, Node>> branches = new ArrayList<>(node.before.entrySet());
            branches.sort(Map.Entry.comparingByKey());
            for (Map.Entry<String, Node> branch : branches) {
                if (branch.getValue().count < min) continue;
                covered += collect(branch.getValue(), " " + branch.getKey() + text, min, minPx, slot, found);
            }
            if (node.count - covered < min || slot.width(text) < minPx) return covered;
            found.add(new Ending(text, node.count, slot.width(text)));
            return node.count;
        }

        private static int prune(Node node) {
            node.before.values().removeIf(next -> next.count < 2);
            int kept = node.before.size();
            for (Node next : node.before.values()) kept += prune(next);
            return kept;
        }
    }
}
