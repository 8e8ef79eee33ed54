package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.item.Field;

/** Holds an item against every rule. */
public final class Inspection {

    private static final List<Rule> RULES = List.of(
            new MissingText(),
            new SeveralElements(),
            new DuplicateText(),
            new TextLength(),
            new KeywordInText(),
            new GenericTitle(),
            new RepeatedWord(),
            new CommonEnding(),
            new TagSet(),
            new MissingHeading());

    private final InspectionContext around;

    public Inspection(InspectionContext around) {
        this.around = around;
    }

    /**
     * Everything that is wrong with an item, fields that are kept left out. An item that is not indexable has that
     * finding first; its others are told apart by it.
     */
    public List<Finding> of(InspectedItem item) {
        List<Finding> found = new ArrayList<>();
        item.noindex().ifPresent(why -> found.add(Finding.of(Field.INDEXING, FindingKind.NOT_INDEXABLE, why.words())));
        for (Rule rule : RULES) {
            rule.check(item, around, finding -> {
                if (!item.kept().contains(finding.field())) found.add(finding);
            });
        }
        return found;
    }
}
