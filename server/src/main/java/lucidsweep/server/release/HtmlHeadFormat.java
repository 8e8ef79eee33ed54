package lucidsweep.server.release;

import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;

/** What belongs into the head of each page. */
@Component
@Order(5)
final class HtmlHeadFormat extends LineFormat {

    private static final Map<Field, String> ELEMENTS = Map.of(
            Field.TITLE, "<title>%s</title>",
            Field.DESCRIPTION, "<meta name=\"description\" content=\"%s\">",
            Field.INDEXING, "<meta name=\"robots\" content=\"%s\">",
            Field.OG_TITLE, "<meta property=\"og:title\" content=\"%s\">",
            Field.OG_DESCRIPTION, "<meta property=\"og:description\" content=\"%s\">");

    HtmlHeadFormat() {
        super("html", "html");
    }

    @Override
    public Optional<String> objection(Property property) {
        return property.kind() == PropertyKind.WEBSITE
                ? Optional.empty()
                : Optional.of("only pages of a website have an HTML head");
    }

    @Override
    public boolean holds(Property property, Field field) {
        return ELEMENTS.containsKey(field);
    }

    @Override
    void write(HandoverLines lines, Consumer<String> line) {
        lines.forEachItem(item -> {
            line.accept("<!-- " + item.get(0).address().replace("--", "%2D%2D") + " -->");
            for (ReleaseMapper.Line text : item) {
                line.accept(ELEMENTS.get(text.field()).formatted(HtmlUtils.htmlEscape(text.after(), "UTF-8")));
            }
            line.accept("");
        });
    }
}
