package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Since when the findings of an item are there, kept as one line of text: a check's id and a moment each, separated by commas.
 *
 * <pre>{@code
 * FindingLife.Step step = FindingLife.read("title too-long 1795000000").next(List.of(missing), Set.of(), 1_796_000_000L);
 * step.now().toString();   // "description missing 1796000000"
 * step.ended();            // title too-long, since 1795000000
 * }</pre>
 */
public final class FindingLife {

    /** What was found by then was there before anybody noted since when. */
    private static final String BEFORE_ALL = "*";

    private static final char BACK = 'b';

    private final Map<String, Since> findings;
    private final boolean beforeAll;

    /**
     * Since when a finding is there.
     *
     * @param moment the sweep that saw it first, in seconds since 1970; 0 where that was not noted
     * @param back whether it was fixed once
     */
    public record Since(long moment, boolean back) {}

    private FindingLife(Map<String, Since> findings, boolean beforeAll) {
        this.findings = findings;
        this.beforeAll = beforeAll;
    }

    /** Reads what {@link #toString} gave; "" where nothing was ever found. */
    public static FindingLife read(String line) {
        Map<String, Since> findings = new LinkedHashMap<>();
        if (line.equals(BEFORE_ALL)) return new FindingLife(findings, true);
        if (!line.isEmpty()) {
            for (String entry : line.split(",")) {
                int space = entry.lastIndexOf(' ');
                boolean back = entry.charAt(entry.length() - 1) == BACK;
                long moment = Long.parseLong(entry, space + 1, entry.length() - (back ? 1 : 0), 10);
                findings.put(entry.substring(0, space), new Since(moment, back));
            }
        }
        return new FindingLife(findings, false);
    }

    /** Since when a finding is there; null where it is not. */
    public Since since(String checkId) {
        return findings.get(checkId);
    }

    /** A finding that is there no longer. */
    public record Ended(String checkId, long since) {}

    /**
     * What became of the findings of an item.
     *
     * @param ended those that are there no longer
     * @param back the ids of the checks whose findings were fixed once and are here again
     */
    public record Step(FindingLife now, List<Ended> ended, List<String> back) {}

    /**
     * Goes on with what is found now.
     *
     * @param fixed the ids of checks whose findings were fixed before
     * @param moment of the latest sweep, in seconds since 1970
     */
    public Step next(Collection<Check> found, Set<String> fixed, long moment) {
        Map<String, Since> now = new LinkedHashMap<>();
        List<String> back = new ArrayList<>();
        for (Check check : found) {
            String id = check.id();
            Since before = findings.get(id);
            if (before != null) {
                now.put(id, before);
            } else if (fixed.contains(id)) {
                back.add(id);
                now.put(id, new Since(moment, true));
            } else {
                now.put(id, new Since(beforeAll ? 0 : moment, false));
            }
        }
        List<Ended> ended = findings.entrySet().stream()
                .filter(each -> !now.containsKey(each.getKey()))
                .map(each -> new Ended(each.getKey(), each.getValue().moment()))
                .toList();
        return new Step(new FindingLife(now, false), ended, back);
    }

    @Override
    public String toString() {
        if (beforeAll) return BEFORE_ALL;
        StringBuilder line = new StringBuilder();
        findings.forEach((id, since) -> {
            if (line.length() > 0) line.append(',');
            line.append(id).append(' ').append(since.moment());
            if (since.back()) line.append(BACK);
        });
        return line.toString();
    }
}
