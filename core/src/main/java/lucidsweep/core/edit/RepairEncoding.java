package lucidsweep.core.edit;

import lucidsweep.core.text.BrokenLetters;

/** Puts damaged encoding right: "cafÃ©" becomes "café", "Tom &amp;amp; Ines" becomes "Tom & Ines". */
public record RepairEncoding() implements BulkEdit {

    @Override
    public String apply(String text) {
        return BrokenLetters.repaired(text);
    }
}
