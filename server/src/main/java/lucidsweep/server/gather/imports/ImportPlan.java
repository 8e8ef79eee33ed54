package lucidsweep.server.gather.imports;

import java.util.List;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.server.intake.Meaning;
import lucidsweep.server.intake.RowKind;

/**
 * How a file was understood, to be looked at and put right before it is read.
 *
 * @param token names the file in what follows
 * @param delimiter in words: comma, tab, semicolon, bar or none
 * @param sheets of a spreadsheet
 * @param sheet the one that is read; null where there are none
 * @param kind what its rows are taken for
 * @param kinds what they may be taken for
 * @param meanings what its columns may be taken for
 * @param dates the order of day and month; null where somebody has to say
 * @param remembered whether the columns are taken for what they were taken for the last time
 * @param notes what should be looked at, in sentences
 */
record ImportPlan(
        String token,
        String fileName,
        String encoding,
        String delimiter,
        List<String> sheets,
        String sheet,
        RowKind kind,
        List<RowKind> kinds,
        List<Meaning> meanings,
        WrittenDate.Order dates,
        boolean remembered,
        List<Column> columns,
        List<String> notes) {

    /** A column: its name, what it is taken for, and its first cells. */
    record Column(String name, Meaning meaning, List<String> samples) {}
}
