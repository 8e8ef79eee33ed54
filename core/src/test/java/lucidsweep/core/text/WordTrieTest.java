package lucidsweep.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;

class WordTrieTest {

    private final WordTrie trie = new WordTrie();
    private final Map<List<String>, Integer> plain = new HashMap<>();

    /** Counts as a plain map of beginnings does, before and after rare ones are forgotten. */
    @RepeatedTest(20)
    void countsBeginnings(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        add(random, 3_000);
        assertSame(1);
        trie.prune(2);
        plain.values().removeIf(count -> count < 2);
        assertSame(1);
        add(random, 500);
        assertSame(1);
        assertSame(4);
    }

    private void add(Random random, int texts) {
        for (int i = 0; i < texts; i++) {
            int at = WordTrie.ROOT;
            List<String> beginning = new ArrayList<>();
            for (int words = 1 + random.nextInt(5); words > 0; words--) {
                String word = "w" + random.nextInt(random.nextInt(3) == 0 ? 500 : 4);
                beginning.add(word);
                at = trie.next(at, word);
                assertThat(trie.count(at)).isEqualTo(plain.merge(List.copyOf(beginning), 1, Integer::sum));
            }
        }
    }

    private void assertSame(int least) {
        Map<List<String>, Integer> found = new HashMap<>();
        collect(WordTrie.ROOT, List.of(), trie.branches(least), found);
        Map<List<String>, Integer> wanted = new HashMap<>(plain);
        wanted.values().removeIf(count -> count < least);
        assertThat(found).isEqualTo(wanted);
    }

    private void collect(int node, List<String> words, List<List<Integer>> branches, Map<List<String>, Integer> found) {
        String before = "";
        for (int branch : branches.get(node)) {
            assertThat(trie.word(branch)).as("in their order").isGreaterThan(before);
            before = trie.word(branch);
            List<String> longer = new ArrayList<>(words);
            longer.add(before);
            found.put(longer, trie.count(branch));
            collect(branch, longer, branches, found);
        }
    }
}
