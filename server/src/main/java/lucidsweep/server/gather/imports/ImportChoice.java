package lucidsweep.server.gather.imports;

import java.time.LocalDate;
import java.util.List;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.server.intake.Meaning;

/**
 * What the columns of a file are taken for.
 *
 * @param meanings one for each column
 * @param dates the order of day and month; null as it was guessed
 * @param takenOn the day that the file is of, such as an export of last spring; null for today
 */
public record ImportChoice(List<Meaning> meanings, WrittenDate.Order dates, LocalDate takenOn) {}
