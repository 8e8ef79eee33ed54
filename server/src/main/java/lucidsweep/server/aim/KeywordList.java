package lucidsweep.server.aim;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import lucidsweep.core.text.Likeness;
import lucidsweep.core.text.Spaces;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.intake.Meaning;
import lucidsweep.server.intake.RowKind;
import lucidsweep.server.table.TableFile;

/**
 * Reads a list of keywords: one a line, or a table with columns for the phrase, its monthly volume and its competition.
 *
 * @param unreadable what could not be used, with line and reason
 * @param notes what was used and may yet be a mistake
 * @param lastMonth the month of the last monthly volume, such as "2026-10"; "" where the columns name none
 */
public record KeywordList(List<Line> lines, List<Remark> unreadable, List<Remark> notes, String lastMonth) {

    private static final int SAMPLE_ROWS = 20;

    /**
     * A keyword.
     *
     * @param volume null where none was given
     * @param monthly searches by month, the latest last; -1 where none was given
     */
    public record Line(String phrase, Long volume, String competition, String country, long[] monthly) {}

    /** What is said of a line. */
    public record Remark(long line, String reason) {}

    /** Reads a table; of lines that differ in case or spacing only the first is kept. */
    public static KeywordList read(TableFile table) {
        Mapping mapping = Mapping.guess(RowKind.KEYWORDS, table.first(SAMPLE_ROWS));
        KeywordList list =
                new KeywordList(new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), mapping.lastMonth());
        Map<String, String> sameWords = new HashMap<>();
        new Intake(RowKind.KEYWORDS, mapping).read(table, new Intake.Receiver() {
            @Override
            public void row(IntakeRow row, List<String> cells) {
                String volume = row.get(Meaning.VOLUME);
                String phrase = Spaces.closedUp(row.get(Meaning.KEYWORD));
                String words = new TreeSet<>(List.of(Likeness.key(phrase).split(" "))).toString();
                String before = sameWords.putIfAbsent(words, phrase);
                if (before != null && !before.equals(phrase)) {
                    list.notes.add(new Remark(
                            row.line(), "“" + phrase + "” has the same words as “" + before + "”; both are kept"));
                }
                list.lines.add(new Line(
                        phrase,
                        volume.isEmpty() ? null : Long.valueOf(volume),
                        clip(row.get(Meaning.COMPETITION)),
                        clip(row.get(Meaning.COUNTRY)),
                        row.months().stream()
                                .mapToLong(month -> month.isEmpty() ? -1 : Long.parseLong(month))
                                .toArray()));
            }

            @Override
            public void unreadable(long line, String reason) {
                list.unreadable.add(new Remark(line, reason));
            }
        });
        return list;
    }

    private static String clip(String text) {
        return text.length() <= 100 ? text : text.substring(0, 100);
    }
}
