package lucidsweep.core.text;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The same end of many texts, such as " | Tarrin Bay Kayaks – boats, tours and lessons", or the same beginning, such as
 * "Our boat shed's shop: ".
 *
 * @param text the part with the separator that sets it off
 * @param count how many texts have it
 * @param px what it costs, in px
 */
public record CommonPart(Side side, String text, int count, double px) {

    /** Where texts are alike. */
    public enum Side {
        START,
        END;

        /** Whether a text has a part on this side. */
        public boolean has(String text, String part) {
            return this == START ? text.startsWith(part) : text.endsWith(part);
        }

        /** A text that has a part on this side, without it. */
        public String cut(String text, String part) {
            return this == START ? text.substring(part.length()) : text.substring(0, text.length() - part.length());
        }
    }

    /** Whether a text has this part. */
    public boolean isIn(String text) {
        return side.has(text, this.text);
    }

    /** What is left of a text that has this part. */
    public String cutFrom(String text) {
        return side.cut(text, this.text);
    }

    /**
     * Finds the common beginnings or endings of many texts by support in a trie of words read from that side.
     *
     * <p>Feed it every text once, then ask. Memory grows with the number of distinct parts that occur at least
     * twice among the first texts seen, since rare branches are cut off whenever the trie passes its bound.
     */
    public static final class Finder {

        private static final int MAX_WORDS = 24;
        private static final int MAX_NODES = 400_000;
        private static final String SEPARATORS = "|:–—-·•»/";

        private final Side side;
        private final Node root = new Node();
        private int nodes;
        private int texts;

        public Finder(Side side) {
            this.side = side;
        }

        private static final class Node {
            private int count;
            private final Map<String, Node> next = new HashMap<>(2);
        }

        public void add(String text) {
            texts++;
            String[] words = text.split(" ");
            Node at = root;
            int longest = longest(words);
            for (int depth = 0; depth < longest; depth++) {
                String word = words[side == Side.START ? depth : words.length - 1 - depth];
                Node next = at.next.get(word);
                if (next == null) {
                    next = new Node();
                    at.next.put(word, next);
                    nodes++;
                }
                next.count++;
                at = next;
            }
            if (nodes > MAX_NODES) nodes = prune(root);
        }

        /** How many words the longest part of a text has; the last word is left to it, so that no part is a whole text. */
        private int longest(String[] words) {
            int longest = Math.min(words.length - 1, MAX_WORDS);
            if (side == Side.END) return longest;
            while (longest > 0 && !isSetOff(words[longest - 1] + " ")) longest--;
            return longest;
        }

        /**
         * The parts that many texts share, each as long as it can be: a shorter one is listed beside a longer one
         * only if enough further texts have it. A beginning ends in a separator, since "Kayak hire in" is how a title
         * goes on and not a part of it.
         *
         * @param share the least share of all texts, 0 to 1
         * @param minPx the least width in px
         * @param slot where the texts are shown
         */
        public List<CommonPart> common(double share, double minPx, Slot slot) {
            int min = Math.max(3, (int) Math.ceil(share * texts));
            List<CommonPart> found = new ArrayList<>();
            collect(root, "", min, minPx, slot, found);
            return found;
        }

        /** Returns how many texts the parts found at or beyond this node cover. */
        private int collect(Node node, String text, int min, double minPx, Slot slot, List<CommonPart> found) {
            int covered = 0;
            List<Map.Entry<String, Node>> branches = new ArrayList<>(node.next.entrySet());
            branches.sort(Map.Entry.comparingByKey());
            for (Map.Entry<String, Node> branch : branches) {
                if (branch.getValue().count < min) continue;
                String longer = side == Side.START ? text + branch.getKey() + " " : " " + branch.getKey() + text;
                covered += collect(branch.getValue(), longer, min, minPx, slot, found);
            }
            if (node.count - covered < min || !isSetOff(text) || slot.width(text) < minPx) return covered;
            found.add(new CommonPart(side, text, node.count, slot.width(text)));
            return node.count;
        }

        private boolean isSetOff(String text) {
            return side == Side.END || text.length() > 1 && SEPARATORS.indexOf(text.charAt(text.length() - 2)) >= 0;
        }

        private static int prune(Node node) {
            node.next.values().removeIf(next -> next.count < 2);
            int kept = node.next.size();
            for (Node next : node.next.values()) kept += prune(next);
            return kept;
        }
    }
}
