package lucidsweep.core.edit;

import lucidsweep.core.text.Emoji;
import lucidsweep.core.text.Spaces;

/** Removes emoji, and the space that one leaves behind. */
public record RemoveEmoji() implements BulkEdit {

    @Override
    public String apply(String text) {
        String without = Emoji.removed(text);
        return without.length() == text.length() ? text : Spaces.closedUpInLines(without);
    }
}
