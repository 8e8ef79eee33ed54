package lucidsweep.core.edit;

import java.util.List;
import lucidsweep.core.compose.Sentences;
import lucidsweep.core.compose.Trim;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Cut;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.Slot;

/**
 * Cuts at the last word with which the text passes every limit; no ellipsis, nothing left dangling.
 *
 * @param atSentence whether it is cut at the last sentence that fits, where one does
 */
public record CutToFit(Standard.TextLimits limits, boolean atSentence) implements BulkEdit {

    @Override
    public String apply(String text) {
        if (fits(text)) return text;
        if (atSentence) {
            String sentences = Sentences.fitting(text, this::fits);
            if (!sentences.isEmpty()) return sentences;
        }
        String cut = text;
        for (Slot slot : List.of(limits.desktop(), limits.phone())) {
            cut = cut.substring(0, Cut.lastFitting(cut, slot.sizePx(), slot.limitPx()));
        }
        while (Graphemes.count(cut) > limits.maxChars()) {
            int space = cut.lastIndexOf(' ');
            cut = cut.substring(0, space > 0 ? space : cut.offsetByCodePoints(cut.length(), -1));
        }
        return Trim.end(cut);
    }

    private boolean fits(String text) {
        return limits.fits(text, Graphemes.count(text));
    }
}
