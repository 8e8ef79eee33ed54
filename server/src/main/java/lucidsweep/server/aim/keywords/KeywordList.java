package lucidsweep.server.aim.keywords;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.keyword.SearchFigures;
import lucidsweep.core.text.Country;
import lucidsweep.core.text.Spaces;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.table.TableFile;

/**
 * Reads a list of keywords: one a line, or a table with columns for the phrase, its monthly volume and its competition.
 *
 * @param unreadable what could not be used, with line and reason
 * @param notes what was used and may yet be a mistake
 */
public record KeywordList(List<Line> lines, List<Remark> unreadable, List<Remark> notes) {

    private static final int SAMPLE_ROWS = 20;

    /** A keyword with its figures in one country; where the list names none, in "". */
    public record Line(String phrase, SearchFigures figures) {

        /** Searches a month; null where none was given. */
        public Long volume() {
            return figures.volume();
        }
    }

    /** What is said of a line. */
    public record Remark(long line, String reason) {}

    /** Reads a table; of lines that differ in case or spacing only the first is kept. */
    public static KeywordList read(TableFile table) {
        Mapping mapping = Mapping.guess(RowKind.KEYWORDS, table.first(SAMPLE_ROWS));
        KeywordList list = new KeywordList(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        String lastMonth = mapping.lastMonth();
        Map<String, String> sameWords = new HashMap<>();
        new Intake(RowKind.KEYWORDS, mapping).read(table, new Intake.Receiver() {
            @Override
            public void row(IntakeRow row, List<String> cells) {
                String phrase = Spaces.closedUp(row.get(Meaning.KEYWORD));
                String words = new TreeSet<>(List.of(TextKey.key(phrase).split(" "))).toString();
                String before = sameWords.putIfAbsent(words, phrase);
                if (before != null && !before.equals(phrase)) {
                    list.notes.add(new Remark(
                            row.line(), "“" + phrase + "” has the same words as “" + before + "”; both are kept"));
                }
                list.lines.add(new Line(phrase, figures(row, lastMonth)));
            }

            @Override
            public void unreadable(long line, String reason) {
                list.unreadable.add(new Remark(line, reason));
            }

            @Override
            public void leftOut(long line, String what) {
                list.notes.add(new Remark(line, "left out: " + what));
            }
        });
        return list;
    }

    private static SearchFigures figures(IntakeRow row, String lastMonth) {
        boolean any = row.months().stream().anyMatch(month -> !month.isEmpty());
        List<Long> monthly = !any
                ? List.of()
                : row.months().stream()
                        .map(month -> month.isEmpty() ? (Long) (-1L) : Long.valueOf(month))
                        .toList();
        return new SearchFigures(
                clip(Country.code(row.get(Meaning.COUNTRY))),
                number(row.get(Meaning.VOLUME)),
                number(row.get(Meaning.BROAD)),
                clip(row.get(Meaning.COMPETITION)),
                monthly,
                any ? lastMonth : "");
    }

    private static Long number(String text) {
        return text.isEmpty() ? null : Long.valueOf(text);
    }

    private static String clip(String text) {
        return text.length() <= 100 ? text : text.substring(0, 100);
    }
}
