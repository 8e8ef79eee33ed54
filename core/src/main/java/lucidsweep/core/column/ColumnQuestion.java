package lucidsweep.core.column;

/**
 * A text that all items would be left without, and what should be asked before they are.
 *
 * @param column where the column stands that may hold it after all, counted from 0; -1 where none looks like it
 * @param sentence such as "No titles were found; is it “Headline” (such as “Ash paddle”)?"
 */
public record ColumnQuestion(Meaning meaning, int column, String sentence) {}
