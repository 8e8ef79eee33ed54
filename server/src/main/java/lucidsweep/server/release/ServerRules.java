package lucidsweep.server.release;

import java.util.function.Consumer;
import lucidsweep.core.page.Redirects;

/** Redirects as a web server reads them: a rule a line. */
abstract class ServerRules extends LineFormat implements RedirectFormat {

    ServerRules(String code) {
        super(code, "conf");
    }

    /** What stands above the rules. */
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
