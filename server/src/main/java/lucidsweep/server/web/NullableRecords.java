package lucidsweep.server.web;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import jakarta.annotation.Nullable;
import java.lang.reflect.RecordComponent;
import java.util.Iterator;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Says in the API's description which parts that are records themselves may be null; of texts and numbers it says so already. */
@Component
@SuppressWarnings("rawtypes")
final class NullableRecords implements ModelConverter {

    @Override
    public Schema resolve(AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
        if (!chain.hasNext()) return null;
        Schema<?> found = chain.next().resolve(type, context, chain);
        JavaType java = Json.mapper().constructType(type.getType());
        if (found == null || java == null || !java.getRawClass().isRecord()) return found;
        Schema<?> record =
                found.get$ref() == null ? found : context.getDefinedModels().get(name(found.get$ref()));
        if (record == null || record.getProperties() == null) return found;
        for (RecordComponent component : java.getRawClass().getRecordComponents()) {
            Schema<?> part = record.getProperties().get(component.getName());
            if (part == null || part.get$ref() == null) continue;
            if (component.getAccessor().isAnnotationPresent(Nullable.class)) {
                record.getProperties().put(component.getName(), orNull(part));
            }
        }
        return found;
    }

    private static String name(String reference) {
        return reference.substring(reference.lastIndexOf('/') + 1);
    }

    private static Schema<?> orNull(Schema<?> part) {
        Schema<?> nothing = new JsonSchema();
        nothing.setTypes(Set.of("null"));
        return new JsonSchema().addAnyOfItem(part).addAnyOfItem(nothing);
    }
}
