package lucidsweep.core.finding;

import java.util.Comparator;
import java.util.Objects;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;

/** An alternative text that is read out for longer than anybody listens. */
final class AltTooLong extends CapturedCheck {

    private static final int NEVER_TOO_LONG = 40;

    AltTooLong() {
        super(Field.IMAGES, "too-long", "too long");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has alt texts that are too long", "have alt texts that are too long");
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + standard.pages().maxAltChars() + " characters";
    }

    /** The longest with its length: limits may change after a page was captured. */
    @Override
    public String note(PageFacts page, String address) {
        return page.images().stream()
                .map(PageFacts.Image::alt)
                .filter(Objects::nonNull)
                .max(Comparator.comparingInt(String::length))
                .filter(alt -> alt.length() > NEVER_TOO_LONG)
                .map(alt -> Graphemes.count(alt) + " characters: “" + clipped(alt) + "”")
                .orElse("");
    }

    @Override
    String evidence(String note, Standard standard) {
        int length = Integer.parseInt(note.substring(0, note.indexOf(' ')));
        return length > standard.pages().maxAltChars() ? note : "";
    }
}
