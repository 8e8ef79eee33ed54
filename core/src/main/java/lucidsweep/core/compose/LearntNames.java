package lucidsweep.core.compose;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The names that a property's own titles are written with: words and runs of words that always have a capital, though they
 * do not begin the title, in titles whose other words have none.
 *
 * <pre>{@code "Kayak hire in Gull Cove", "Tours from Gull Cove"   // "Gull", "Cove", "Gull Cove" }</pre>
 */
public final class LearntNames {

    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{M}'’]{2,}");
    private static final int MIN_COUNT = 2;
    private static final int SMALL_WORD = 3;

    private final Map<String, int[]> counts = new HashMap<>();
    private final Map<String, String> written = new HashMap<>();

    public void add(String title) {
        Matcher word = WORD.matcher(title);
        if (!word.find() || isAllCapitals(title, word.end())) return;
        int runStart = -1;
        int runEnd = -1;
        while (word.find()) {
            boolean capital = Character.isUpperCase(word.group().charAt(0));
            count(word.group(), capital);
            boolean goesOn = capital
                    && runEnd >= 0
                    && title.substring(runEnd, word.start()).equals(" ");
            if (runEnd >= 0 && !goesOn) count(title.substring(runStart, runEnd), true);
            if (capital && !goesOn) runStart = word.start();
            runEnd = capital ? word.end() : -1;
        }
        if (runEnd >= 0) count(title.substring(runStart, runEnd), true);
    }

    private void count(String text, boolean capital) {
        String lower = text.toLowerCase(Locale.ROOT);
        counts.computeIfAbsent(lower, any -> new int[2])[capital ? 1 : 0]++;
        if (capital) written.put(lower, text);
    }

    /** Whether every later word has a capital, which then says nothing. */
    private static boolean isAllCapitals(String title, int from) {
        Matcher word = WORD.matcher(title);
        for (int at = from; word.find(at); at = word.end()) {
            boolean small = word.group().length() <= SMALL_WORD;
            if (!small && !Character.isUpperCase(word.group().charAt(0))) return false;
        }
        return true;
    }

    public List<String> names() {
        return counts.entrySet().stream()
                .filter(each -> each.getValue()[0] == 0 && each.getValue()[1] >= MIN_COUNT)
                .map(each -> written.get(each.getKey()))
                .sorted()
                .toList();
    }
}
