package lucidsweep.core.column;

/**
 * What a column is taken for.
 *
 * @param name as the file has it, or "column 1" and so on
 * @param sure how sure that is, from 0 to 1; 0 where it is not used
 */
public record GuessedColumn(String name, Meaning meaning, double sure) {}
