package lucidsweep.core.edit;

import java.util.List;
import lucidsweep.core.text.YearsNamed;

/** Puts the years that are over forward to one: "Tours 2024" becomes "Tours 2026", "since 1998" stays. */
public record YearForward(int year) implements BulkEdit {

    @Override
    public String apply(String text) {
        List<YearsNamed.Span> years = YearsNamed.in(text);
        StringBuilder forward = new StringBuilder(text);
        for (int i = years.size() - 1; i >= 0; i--) {
            YearsNamed.Span span = years.get(i);
            if (span.year() < year) forward.replace(span.start(), span.end(), Integer.toString(year));
        }
        return forward.toString();
    }
}
