package lucidsweep.server.triage;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.standard.StandardForm;
import lucidsweep.server.web.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectReader;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import tools.jackson.databind.json.JsonMapper;

/** A standard as JSON, in files and requests; what cannot be used is refused in words. */
public final class StandardFile {

    private static final Set<String> CHECKS =
            Checks.all().stream().map(Check::id).collect(Collectors.toSet());

    private static final ObjectReader STRICT = JsonMapper.shared()
            .readerFor(StandardForm.class)
            .with(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .with(DeserializationFeature.FAIL_ON_TRAILING_TOKENS);

    private StandardFile() {}

    /** Reads a file. */
    public static StandardForm of(String json) {
        try {
            return of(JsonMapper.shared().readTree(json));
        } catch (JacksonException e) {
            throw Refusal.badInput("expected a standard as JSON; this is no JSON");
        }
    }

    static StandardForm of(JsonNode json) {
        if (json == null || !json.isObject()) {
            throw Refusal.badInput("expected a standard as a JSON object, {…}, got "
                    + (json == null || json.isNull() ? "nothing" : "something else"));
        }
        try {
            return usable(STRICT.readValue(json));
        } catch (JacksonException e) {
            throw refusal(e);
        }
    }

    private static StandardForm usable(StandardForm form) {
        List<String> problems = form.problems(CHECKS);
        if (!problems.isEmpty()) throw Refusal.badInput(String.join("; ", problems));
        return form;
    }

    private static Refusal refusal(JacksonException problem) {
        if (problem instanceof UnrecognizedPropertyException unknown) {
            return Refusal.badInput("a standard has no part \"" + unknown.getPropertyName() + "\"; expected one of "
                    + unknown.getKnownPropertyIds());
        }
        String where = problem.getPath().stream()
                .map(each -> each.getPropertyName() == null ? "" : each.getPropertyName())
                .filter(name -> !name.isEmpty())
                .collect(Collectors.joining("."));
        return Refusal.badInput((where.isEmpty() ? "a standard" : where)
                + ": expected a number or a list, as a standard that is saved has it");
    }
}
