package lucidsweep.core.text;

import java.util.ArrayList;
import java.util.List;

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
        private final WordTrie trie = new WordTrie();
        private int texts;
        private int bound = MAX_NODES;

        public Finder(Side side) {
            this.side = side;
        }

        public void add(String text) {
            texts++;
            String[] words = text.split(" ");
            int at = WordTrie.ROOT;
            int longest = longest(words);
            for (int depth = 0; depth < longest; depth++) {
                at = trie.next(at, words[side == Side.START ? depth : words.length - 1 - depth]);
            }
            if (trie.size() <= bound) return;
            trie.prune(2);
            // Where most of it is used twice, it is not gone through again for every text.
            bound = Math.max(MAX_NODES, trie.size() * 3 / 2);
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
            Common common = new Common(trie.branches(min), min, minPx, slot, found);
            collect(WordTrie.ROOT, "", common);
            return found;
        }

        /** What is looked for in the trie, and found. */
        private record Common(List<List<Integer>> branches, int min, double minPx, Slot slot, List<CommonPart> found) {}

        /** Returns how many texts the parts found at or beyond this node cover. */
        private int collect(int node, String text, Common common) {
            int covered = 0;
            for (int branch : common.branches.get(node)) {
                String word = trie.word(branch);
                covered += collect(branch, side == Side.START ? text + word + " " : " " + word + text, common);
            }
            int count = trie.count(node);
            double px = common.slot.width(text);
            if (count - covered < common.min || !isSetOff(text) || px < common.minPx) return covered;
            common.found.add(new CommonPart(side, text, count, px));
            return count;
        }

        private boolean isSetOff(String text) {
            return side == Side.END || text.length() > 1 && SEPARATORS.indexOf(text.charAt(text.length() - 2)) >= 0;
        }
    }
}
