package lucidsweep.server.release;

import java.util.Optional;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Redirects;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;

/** The redirects of new slugs, as a web server reads them. */
abstract class RedirectFormat extends LineFormat {

    RedirectFormat(String code, String ending) {
        super(code, ending);
    }

    @Override
    public final Optional<String> objection(Property property) {
        return property.kind() == PropertyKind.WEBSITE
                ? Optional.empty()
                : Optional.of("only pages of a website have redirects");
    }

    @Override
    public final boolean holds(Field field) {
        return field == Field.SLUG;
    }

    /** What stands above the redirects, a line each. */
    abstract String above();

    abstract String line(Redirects.Redirect redirect);

    /** What stands below them; "" for nothing. */
    String below() {
        return "";
    }

    @Override
    final void write(HandoverLines lines, Consumer<String> line) {
        above().lines().forEach(line);
        for (Redirects.Redirect redirect : lines.redirects()) line.accept(line(redirect));
        below().lines().forEach(line);
    }

    /** A text in which no character means anything to a regular expression. */
    static String literal(String text) {
        return text.replaceAll("[\\\\.+*?()\\[\\]{}^$|\"]", "\\\\$0");
    }

    /** Path and query of an address. */
    static String path(String address) {
        int path = address.indexOf('/', address.indexOf("://") + 3);
        return path < 0 ? "/" : address.substring(path);
    }
}
