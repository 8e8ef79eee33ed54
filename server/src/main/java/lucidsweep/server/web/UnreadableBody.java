package lucidsweep.server.web;

import java.util.Arrays;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.exc.InvalidFormatException;

/** What is wrong with the body of a request that cannot be read, in words and without the names of our classes. */
final class UnreadableBody {

    private UnreadableBody() {}

    static String said(Throwable problem) {
        for (Throwable cause = problem; cause != null; cause = cause.getCause()) {
            if (cause instanceof InvalidFormatException format) return said(format);
            if (cause instanceof JacksonException json) return said(json);
        }
        return "the request has no body, or none that can be read; a JSON object was expected";
    }

    private static String said(InvalidFormatException format) {
        Class<?> type = format.getTargetType();
        String expected = type.isEnum()
                ? "one of " + Arrays.toString(type.getEnumConstants())
                : Number.class.isAssignableFrom(type) || type.isPrimitive() ? "a number" : "something else";
        return place(format) + "expected " + expected + ", got \"" + format.getValue() + "\"";
    }

    private static String said(JacksonException json) {
        if (json.getPath().isEmpty() && json.getLocation() != null) {
            return "the request is no JSON that can be read, at line "
                    + json.getLocation().getLineNr() + ", column "
                    + json.getLocation().getColumnNr();
        }
        return place(json) + "this is not what is expected there";
    }

    /** Where it stands: "selection.ids[0]: ". */
    private static String place(JacksonException json) {
        String path = json.getPath().stream()
                .map(step ->
                        step.getPropertyName() == null ? "[" + step.getIndex() + "]" : "." + step.getPropertyName())
                .collect(Collectors.joining());
        return path.isEmpty() ? "" : (path.startsWith(".") ? path.substring(1) : path) + ": ";
    }
}
