package lucidsweep.server.aim;

import java.util.ArrayList;
import java.util.List;
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
 */
record KeywordList(List<Line> lines, List<Unreadable> unreadable) {

    private static final int SAMPLE_ROWS = 20;

    /** A keyword; volume is null where none was given. */
    record Line(String phrase, Long volume, String competition) {}

    /** A line that could not be used. */
    record Unreadable(long line, String reason) {}

    static KeywordList read(TableFile table) {
        KeywordList list = new KeywordList(new ArrayList<>(), new ArrayList<>());
        Mapping mapping = Mapping.guess(RowKind.KEYWORDS, table.first(SAMPLE_ROWS));
        new Intake(RowKind.KEYWORDS, mapping).read(table, new Intake.Receiver() {
            @Override
            public void row(IntakeRow row, List<String> cells) {
                String volume = row.get(Meaning.VOLUME);
                list.lines.add(new Line(
                        Spaces.closedUp(row.get(Meaning.KEYWORD)),
                        volume.isEmpty() ? null : Long.valueOf(volume),
                        clip(row.get(Meaning.COMPETITION))));
            }

            @Override
            public void unreadable(long line, String reason) {
                list.unreadable.add(new Unreadable(line, reason));
            }
        });
        return list;
    }

    private static String clip(String text) {
        return text.length() <= 100 ? text : text.substring(0, 100);
    }
}
