package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.compose.Condition;
import lucidsweep.core.compose.ItemSources;
import lucidsweep.core.compose.RecipeComposer;
import lucidsweep.core.compose.Source;
import lucidsweep.core.finding.SaysNothing;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.page.FileWords;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.item.table.ItemDetail;

/** Composes the texts of the images or links of a page that have none, or one that says nothing; the others stay. */
final class ComposedParts {

    private final Field field;
    private final RecipeComposer composer;
    private final Map<String, ItemDetail> linked;

    /** @param linked the pages that links lead to, by address */
    ComposedParts(Field field, RecipeComposer composer, Map<String, ItemDetail> linked) {
        this.field = field;
        this.composer = composer;
        this.linked = linked;
    }

    /**
     * The parts with texts for those that lack one. No two images of a page, and no two links to different pages, get the same.
     *
     * @param text as {@link PartTexts} has them
     */
    String of(String text, ItemSources page) {
        List<PartTexts.Part> parts = PartTexts.of(text);
        Set<String> said = new HashSet<>();
        for (PartTexts.Part part : parts) if (!lacks(part)) said.add(TextKey.key(part.text()));
        List<PartTexts.Part> made = new ArrayList<>();
        for (PartTexts.Part part : parts) made.add(lacks(part) ? composed(part, page, said) : part);
        return PartTexts.join(made);
    }

    private boolean lacks(PartTexts.Part part) {
        return field == Field.IMAGES ? SaysNothing.asAlt(part.text()) : SaysNothing.asLink(part.text());
    }

    private PartTexts.Part composed(PartTexts.Part part, ItemSources page, Set<String> said) {
        ItemSources sources = new Sources(page, part.address(), linked.get(part.address()));
        String text = composer.compose(sources).text();
        if (!text.isEmpty() && said.contains(TextKey.key(text))) {
            String telling = FileWords.of(part.address());
            text = telling.isEmpty() ? "" : composer.compose(sources, telling).text();
        }
        return text.isEmpty() || !said.add(TextKey.key(text)) ? part : new PartTexts.Part(part.address(), text);
    }

    /** What a recipe may take of one part of a page. */
    private record Sources(ItemSources page, String address, ItemDetail linked) implements ItemSources {

        @Override
        public long id() {
            return page.id();
        }

        @Override
        public String text(Source source) {
            return switch (source.kind()) {
                case FILE_WORDS -> FileWords.of(address);
                case LINKED_KEYWORD -> linked == null || linked.keyword() == null ? "" : linked.keyword();
                case LINKED_H1 -> linked == null ? "" : linked.seen().h1();
                default -> page.text(source);
            };
        }

        @Override
        public boolean holds(Condition.What what, String value) {
            return page.holds(what, value);
        }
    }
}
