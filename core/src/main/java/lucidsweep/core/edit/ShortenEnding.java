package lucidsweep.core.edit;

import lucidsweep.core.compose.Trim;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;

/**
 * Shortens an ending that many texts share to as much of it as fits, word by word; where nothing of it fits, it goes. Texts
 * that fit as they are stay.
 *
 * <pre>{@code "Kayak hire in Gull Cove | Tarrin Bay: hire, tours and lessons"   // "Kayak hire in Gull Cove | Tarrin Bay" }</pre>
 */
public record ShortenEnding(String ending, Standard.TextLimits limits) implements BulkEdit {

    @Override
    public String apply(String text) {
        if (!text.endsWith(ending) || fits(text)) return text;
        String stem = text.substring(0, text.length() - ending.length());
        for (int end = ending.length(); end > 0; end = ending.lastIndexOf(' ', end - 1)) {
            String shorter = Trim.end(stem + ending.substring(0, end));
            if (shorter.length() > stem.length() && fits(shorter)) return shorter;
        }
        return Trim.end(stem);
    }

    private boolean fits(String text) {
        return limits.fits(text, Graphemes.count(text));
    }
}
