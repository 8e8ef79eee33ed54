package lucidsweep.core.finding;

import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.item.Field;

/** Letters that were read in the wrong encoding ("â€™", "Ã©"), or entities that were escaped twice ("&amp;amp;", "&amp;#39;"). */
final class BrokenEncoding extends TextCheck {

    /** UTF-8 read as windows-1252: a lead byte as a letter, then a byte from 0x80 to 0xBF as a sign. */
    private static final Pattern BROKEN = Pattern.compile("\uFFFD|â€.|[ÂÃ][\u0080-\u00BF€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ]"
            + "|&(?:amp|lt|gt|quot|apos|nbsp|ndash|mdash|hellip|[lr][sd]quo|#\\d{1,6}|#x[0-9a-fA-F]{1,5});");

    BrokenEncoding(Field field) {
        super(field, "broken-encoding", "broken encoding", Cost.APPEAL, Fix.BULK_EDIT);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "contains broken characters", "contain broken characters");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (!text.hasAny("\uFFFDâÂÃ&")) return;
        Matcher broken = BROKEN.matcher(text.value());
        if (broken.find()) found.accept(finding("“" + broken.group() + "” stands in it"));
    }
}
