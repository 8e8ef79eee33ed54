package lucidsweep.core.writer;

import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.core.item.Field;

/**
 * A column of the writer: what is asked for every item.
 *
 * @param makes the field that its answers are drafts of; null for notes such as an outline
 * @param words what is wanted, in the person's own words
 * @param inputs what of the item goes with it
 * @param after the names of columns whose answers go with it; those are asked first
 * @param maxChars the most characters of an answer; 0 for what the standard says
 */
public record Instruction(
        long id,
        String name,
        @Nullable Field makes,
        String words,
        List<Input> inputs,
        List<String> after,
        int maxChars) {}
