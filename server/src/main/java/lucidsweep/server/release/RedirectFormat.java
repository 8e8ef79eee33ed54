package lucidsweep.server.release;

import java.util.Optional;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;

/** The redirects of new slugs. */
interface RedirectFormat extends HandoverFormat {

    @Override
    default Optional<String> objection(Property property) {
        return property.kind() == PropertyKind.WEBSITE
                ? Optional.empty()
                : Optional.of("only pages of a website have redirects");
    }

    @Override
    default boolean holds(Property property, Field field) {
        return field == Field.SLUG;
    }
}
