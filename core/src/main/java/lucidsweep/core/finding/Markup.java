package lucidsweep.core.finding;

import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.item.Field;

/** Markup that is shown as text: "Kayaks <b>for hire</b>". */
final class Markup extends TextCheck {

    private static final Pattern TAG = Pattern.compile("</?[a-zA-Z][a-zA-Z0-9]*(?:\\s[^<>]*)?/?>");

    Markup(Field field) {
        super(field, "markup", "markup", Cost.APPEAL, Fix.BULK_EDIT);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "contains markup", "contain markup");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (text.value().indexOf('<') < 0) return;
        Matcher tag = TAG.matcher(text.value());
        if (tag.find()) found.accept(finding("“" + tag.group() + "” is shown as it stands"));
    }
}
