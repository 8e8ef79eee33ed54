package lucidsweep.core.keyword;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A text in compatibility form (NFKC), in which "ﬁnd" is "find" and "½" is "1⁄2", that remembers where each of its letters
 * stood before. It is made cluster by cluster, since nothing is composed across clusters.
 *
 * @param starts for each UTF-16 unit, where what it was made of starts in the text before; null where nothing changed
 * @param ends … and where it ends
 */
record Compatible(String text, int[] starts, int[] ends) {

    private static final Pattern CLUSTER = Pattern.compile("\\X");

    static Compatible of(String text) {
        if (Normalizer.isNormalized(text, Normalizer.Form.NFKC)) return new Compatible(text, null, null);
        StringBuilder normal = new StringBuilder(text.length() + 16);
        int[] starts = new int[text.length() * 2];
        int[] ends = new int[text.length() * 2];
        Matcher cluster = CLUSTER.matcher(text);
        while (cluster.find()) {
            int from = normal.length();
            normal.append(Normalizer.normalize(cluster.group(), Normalizer.Form.NFKC));
            if (normal.length() > starts.length) {
                starts = Arrays.copyOf(starts, normal.length() * 2);
                ends = Arrays.copyOf(ends, normal.length() * 2);
            }
            Arrays.fill(starts, from, normal.length(), cluster.start());
            Arrays.fill(ends, from, normal.length(), cluster.end());
        }
        return new Compatible(normal.toString(), starts, ends);
    }

    /** Where the letter at a place began in the text before. */
    int startOf(int place) {
        return starts == null ? place : starts[place];
    }

    /** Where the letter before a place ended in the text before. */
    int endOf(int place) {
        return ends == null ? place : ends[place - 1];
    }
}
