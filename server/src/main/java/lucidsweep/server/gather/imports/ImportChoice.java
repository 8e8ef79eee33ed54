package lucidsweep.server.gather.imports;

import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.text.WrittenDate;

/**
 * What the columns of a file are taken for.
 *
 * @param meanings one for each column
 * @param dates the order of day and month; null as it was guessed
 * @param takenOn the day that the file is of, such as an export of last spring; null for today
 * @param leaveEmpty the texts that somebody agrees to leave empty on all items; null for none
 */
public record ImportChoice(
        @NotNull List<Meaning> meanings, WrittenDate.Order dates, LocalDate takenOn, List<Meaning> leaveEmpty) {

    /** Those that are agreed to. */
    List<Meaning> agreed() {
        return leaveEmpty == null ? List.of() : leaveEmpty;
    }
}
