package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.item.Field;

/** Something of a template was left standing: "{{title}}", "undefined", "Lorem ipsum", "Your description here". */
final class TemplateText extends TextCheck {

    private static final Pattern LEFT_STANDING = Pattern.compile(
            "\\{\\{[^}]{0,80}}}|\\{%[^%]{0,80}%}|\\$\\{[^}]{0,80}}|<%|%%[a-z_]{1,40}%%|%(?:\\d\\$)?[sd]\\b|\\[object Object]"
                    + "|\\b(?:undefined|null|NaN)\\b|(?i:lorem ipsum|dolor sit amet"
                    + "|\\b(?:your|insert|enter|add) (?:page |site |meta )?(?:title|description|text|name) here\\b)");

    /** In the text as it is compared; quicker than the search for all that may be left standing. */
    private static final List<String> MAY_BE = List.of("undefined", "null", "nan", "lorem", "dolor", " here");

    TemplateText(Field field) {
        super(field, "template-text", "template text", Cost.APPEAL, Fix.ofText(field));
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "contains text of a template", "contain text of a template");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (!text.hasAny("{$<%[") && MAY_BE.stream().noneMatch(text.key()::contains)) return;
        Matcher left = LEFT_STANDING.matcher(text.value());
        if (left.find()) found.accept(finding("“" + left.group() + "” was left standing"));
    }
}
