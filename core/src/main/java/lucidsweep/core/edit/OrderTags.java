package lucidsweep.core.edit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.keyword.Words;

/** Puts the tags that are searched most first; those of which nothing is known keep their order behind them. */
public final class OrderTags implements BulkEdit {

    private final Words language;
    private final Map<Set<String>, Double> searches = new HashMap<>();

    /** @param searches a month, by phrase; a tag in another form of the same words is worth as much */
    public OrderTags(Words language, Map<String, Double> searches) {
        this.language = language;
        searches.forEach((phrase, each) -> this.searches.merge(language.stems(phrase), each, Math::max));
    }

    @Override
    public String apply(String text) {
        List<String> tags = TagList.of(text);
        List<String> ordered = new ArrayList<>(tags);
        ordered.sort(Comparator.comparingDouble(tag -> -searches.getOrDefault(language.stems(tag), 0.0)));
        return ordered.equals(tags) ? text : TagList.join(ordered);
    }
}
