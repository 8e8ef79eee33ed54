package lucidsweep.core.edit;

import lucidsweep.core.compose.Trim;

/** Takes an ending away, and with it a separator left dangling. */
public record RemoveEnding(String ending) implements BulkEdit {

    @Override
    public String apply(String text) {
        return text.endsWith(ending) ? Trim.end(text.substring(0, text.length() - ending.length())) : text;
    }
}
