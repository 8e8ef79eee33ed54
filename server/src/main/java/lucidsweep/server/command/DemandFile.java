package lucidsweep.server.command;

import java.time.LocalDate;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.table.TableFile;

/** A file of demand, read row by row; its columns are guessed. */
final class DemandFile {

    private static final int SAMPLE_ROWS = 2_000;
    private static final int MONTH = 30;

    private DemandFile() {}

    /** @param said gets a line for each row that cannot be read */
    static void forEach(TableFile table, List<String> said, Consumer<IntakeRow> rows) {
        Mapping mapping = Mapping.guess(RowKind.DEMAND, table.first(SAMPLE_ROWS));
        new Intake(RowKind.DEMAND, mapping).read(table, new Intake.Receiver() {
            @Override
            public void row(IntakeRow row, List<String> cells) {
                rows.accept(row);
            }

            @Override
            public void unreadable(long line, String reason) {
                said.add("demand, line " + line + ": " + reason);
            }
        });
    }

    /** The first day of a row; of one that names none, a month before the last day of all. */
    static int first(IntakeRow row, int today) {
        return day(row.get(Meaning.FROM), today - MONTH + 1);
    }

    /** The last day of a row. */
    static int last(IntakeRow row, int today) {
        int first = first(row, today);
        return Math.max(first, day(row.get(Meaning.TO), row.get(Meaning.FROM).isEmpty() ? today : first));
    }

    static int day(String iso, int otherwise) {
        return iso.isEmpty() ? otherwise : (int) LocalDate.parse(iso).toEpochDay();
    }

    static long count(String text) {
        return text.isEmpty() ? 0 : Long.parseLong(text);
    }

    /** 0 where it is not known. */
    static double position(IntakeRow row) {
        String position = row.get(Meaning.POSITION);
        return position.isEmpty() ? 0 : Double.parseDouble(position);
    }
}
