package lucidsweep.server.web;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

/** Pages with places for what they say, as they ship with the application. */
public final class Templates {

    private Templates() {}

    /**
     * Reads a template that lies beside a class. What is missing, false or an empty text is left out together with what
     * stands around it.
     */
    public static Template beside(Class<?> user, String name) {
        try (Reader source = new InputStreamReader(user.getResourceAsStream(name), StandardCharsets.UTF_8)) {
            return Mustache.compiler().nullValue("").emptyStringIsFalse(true).compile(source);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
