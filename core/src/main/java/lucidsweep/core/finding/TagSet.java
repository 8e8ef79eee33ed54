package lucidsweep.core.finding;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.TextKey;

/** The tags of a listing: none, too many, too long, of one word, the same twice, or fewer than there is room for. */
final class TagSet implements Rule {

    @Override
    public void check(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        List<String> tags = item.tags();
        if (tags == null) return;
        Standard.TagLimits limits = around.standard().tags();
        if (tags.isEmpty()) {
            report(FindingKind.MISSING, "there are no tags", found);
            return;
        }
        if (tags.size() > limits.max()) {
            report(FindingKind.TOO_MANY, tags.size() + " tags, " + limits.max() + " are allowed", found);
        }
        reportThose(
                tags.stream()
                        .filter(tag -> Graphemes.count(tag) > limits.maxChars())
                        .toList(),
                FindingKind.TOO_LONG,
                " longer than " + limits.maxChars() + " characters",
                found);
        reportThose(
                tags.stream().filter(tag -> TextKey.key(tag).indexOf(' ') < 0).toList(),
                FindingKind.ONE_WORD,
                " of one word only",
                found);
        Map<String, String> known = new LinkedHashMap<>();
        List<String> again = tags.stream()
                .filter(tag -> known.putIfAbsent(TextKey.key(tag), tag) != null)
                .toList();
        reportThose(again, FindingKind.SAME_TWICE, " there twice", found);
        if (tags.size() < limits.max()) {
            report(FindingKind.BUDGET_UNUSED, tags.size() + " of " + limits.max() + " tags are used", found);
        }
    }

    private static void reportThose(List<String> tags, FindingKind kind, String what, Consumer<Finding> found) {
        if (!tags.isEmpty()) report(kind, String.join(", ", tags) + (tags.size() == 1 ? " is" : " are") + what, found);
    }

    private static void report(FindingKind kind, String evidence, Consumer<Finding> found) {
        found.accept(Finding.of(Field.TAGS, kind, evidence));
    }
}
