package lucidsweep.server.gather.imports;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.text.WrittenDate;

/**
 * How a file was understood, to be looked at and put right before it is read.
 *
 * @param token names the file in what follows
 * @param kind what its rows are taken for
 * @param kinds what they may be taken for
 * @param meanings what its columns may be taken for
 * @param dates the order of day and month; null where somebody has to say
 * @param remembered whether the columns are taken for what they were taken for the last time
 * @param above the lines that stand above the table in the file
 * @param notes what should be looked at, in sentences
 * @param questions what has to be agreed to before anything is imported
 */
record ImportPlan(
        String token,
        String fileName,
        @JsonUnwrapped FileFormat format,
        RowKind kind,
        List<RowKind> kinds,
        List<Meaning> meanings,
        @Nullable WrittenDate.Order dates,
        boolean remembered,
        List<Column> columns,
        List<String> above,
        List<String> notes,
        List<Question> questions) {

    /**
     * How the file is written.
     *
     * @param delimiter in words: comma, tab, semicolon, bar or none
     * @param sheets of a spreadsheet
     * @param sheet the one that is read; null where there are none
     */
    record FileFormat(
            String encoding,
            String delimiter,
            List<String> sheets,
            @Nullable String sheet) {}

    /**
     * A column: its name, what it is taken for, and its first cells.
     *
     * @param sure from 0 to 1 how sure that is; 1 where somebody said so
     */
    record Column(String name, Meaning meaning, double sure, List<String> samples) {}

    /**
     * A text that all items would be left without.
     *
     * @param column where the column stands that may hold it after all; -1 where none looks like it
     * @param sentence such as "No titles were found; is it “Headline” (such as “Ash paddle”)?"
     * @param agreed whether that was agreed to the last time
     */
    record Question(Meaning meaning, int column, String sentence, boolean agreed) {}
}
