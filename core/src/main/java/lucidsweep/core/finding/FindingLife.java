package lucidsweep.core.finding;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import lucidsweep.core.item.Field;

/**
 * Since when the findings of an item are there, and when others of it ended, kept as one line of text: a check's id and a moment
 * each, separated by commas; those that ended stand behind a semicolon.
 *
 * <pre>{@code
 * FindingLife before = FindingLife.read("title too-long 1795000000");
 * before.next(List.of(missing), 1_796_000_000L, field -> false, 0).toString();
 * // "description missing 1796000000;title too-long 1796000000"
 * }</pre>
 */
public final class FindingLife {

    /** What was found by then was there before anybody noted since when. */
    private static final String BEFORE_ALL = "*";

    private static final char BACK = 'b';
    private static final char BY_DRAFT = 'd';

    private final Map<String, Since> findings;
    private final Map<String, End> ended;
    private final boolean beforeAll;

    /**
     * Since when a finding is there.
     *
     * @param moment the sweep that saw it first, in seconds since 1970; 0 where that was not noted
     * @param back whether it was fixed once
     */
    public record Since(long moment, boolean back) {}

    /**
     * When a finding ended.
     *
     * @param moment in seconds since 1970: of the draft, or of the sweep that saw it fixed
     * @param byDraft whether its field had a draft then
     */
    public record End(long moment, boolean byDraft) {}

    private FindingLife(Map<String, Since> findings, Map<String, End> ended, boolean beforeAll) {
        this.findings = findings;
        this.ended = ended;
        this.beforeAll = beforeAll;
    }

    /** Reads what {@link #toString} gave; "" where nothing was ever found. */
    public static FindingLife read(String line) {
        Map<String, Since> findings = new LinkedHashMap<>();
        Map<String, End> ended = new LinkedHashMap<>();
        int end = line.indexOf(';');
        String open = end < 0 ? line : line.substring(0, end);
        boolean beforeAll = open.equals(BEFORE_ALL);
        if (!beforeAll) read(open, BACK, (id, moment, marked) -> findings.put(id, new Since(moment, marked)));
        if (end >= 0)
            read(line.substring(end + 1), BY_DRAFT, (id, moment, marked) -> ended.put(id, new End(moment, marked)));
        return new FindingLife(findings, ended, beforeAll);
    }

    private interface Entry {
        void put(String checkId, long moment, boolean marked);
    }

    private static void read(String entries, char mark, Entry entry) {
        if (entries.isEmpty()) return;
        for (String each : entries.split(",")) {
            int space = each.lastIndexOf(' ');
            boolean marked = each.charAt(each.length() - 1) == mark;
            long moment = Long.parseLong(each, space + 1, each.length() - (marked ? 1 : 0), 10);
            entry.put(each.substring(0, space), moment, marked);
        }
    }

    /** Since when a finding is there; null where it is not. */
    public Since since(String checkId) {
        return findings.get(checkId);
    }

    /** The findings that are there, by the ids of their checks. */
    public Set<String> open() {
        return findings.keySet();
    }

    /** The findings that were there once and are not now, by the id of their check. */
    public Map<String, End> ended() {
        return ended;
    }

    /** The field of a check's id. */
    public static Field field(String checkId) {
        return Field.of(checkId.substring(0, checkId.indexOf(' ')));
    }

    /**
     * Goes on with what is found now.
     *
     * @param moment of the latest sweep, in seconds since 1970
     * @param drafted which fields have a draft
     * @param now when their findings end, in seconds since 1970
     */
    public FindingLife next(Collection<Check> found, long moment, Predicate<Field> drafted, long now) {
        Map<String, Since> open = new LinkedHashMap<>();
        Map<String, End> closed = new LinkedHashMap<>(ended);
        for (Check check : found) {
            String id = check.id();
            Since before = findings.get(id);
            boolean back = closed.remove(id) != null;
            if (before != null) open.put(id, before);
            else open.put(id, new Since(beforeAll && !back ? 0 : moment, back));
        }
        for (String id : findings.keySet()) {
            if (open.containsKey(id)) continue;
            boolean byDraft = drafted.test(field(id));
            closed.put(id, new End(byDraft ? now : moment, byDraft));
        }
        return new FindingLife(open, closed, false);
    }

    /** Whether a line says that just these are there, in their order, so that it stays as it is; quicker than reading it. */
    public static boolean isOf(String line, List<Check> found) {
        int closed = line.indexOf(';');
        int end = closed < 0 ? line.length() : closed;
        int at = 0;
        for (Check check : found) {
            String id = check.id();
            int after = at + id.length();
            if (after >= end || !line.startsWith(id, at) || line.charAt(after) != ' ') return false;
            int comma = line.indexOf(',', after);
            at = comma < 0 || comma > end ? end : comma + 1;
        }
        return at == end;
    }

    @Override
    public String toString() {
        StringBuilder line = new StringBuilder();
        if (beforeAll) line.append(BEFORE_ALL);
        findings.forEach((id, since) -> append(line, id, since.moment(), since.back() ? BACK : 0));
        if (ended.isEmpty()) return line.toString();
        StringBuilder closed = new StringBuilder();
        ended.forEach((id, end) -> append(closed, id, end.moment(), end.byDraft() ? BY_DRAFT : 0));
        return line.append(';').append(closed).toString();
    }

    private static void append(StringBuilder line, String id, long moment, int mark) {
        if (line.length() > 0) line.append(',');
        line.append(id).append(' ').append(moment);
        if (mark != 0) line.append((char) mark);
    }
}
