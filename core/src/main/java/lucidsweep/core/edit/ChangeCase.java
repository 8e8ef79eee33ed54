package lucidsweep.core.edit;

import lucidsweep.core.compose.LetterCase;
import lucidsweep.core.compose.Names;
import lucidsweep.core.keyword.Language;

/** Changes the letter case; names keep theirs. */
public record ChangeCase(LetterCase letterCase, Names names, Language language) implements BulkEdit {

    @Override
    public String apply(String text) {
        return letterCase.apply(text, names, language);
    }
}
