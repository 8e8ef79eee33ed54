package lucidsweep.server.release;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Optional;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Property;

/** A shape in which approved drafts are delivered. Every cell is as it is: machines read these files. */
interface HandoverFormat {

    /** As it is called in the API: "csv". */
    String code();

    /** What its files' names end in, without a dot. */
    String ending();

    String mediaType();

    /** Why a property cannot be delivered so, in words; empty where it can. */
    default Optional<String> objection(Property property) {
        return Optional.empty();
    }

    /** Whether it is what a property is mostly delivered in. */
    default boolean isUsualFor(Property property) {
        return false;
    }

    /** Whether a file of a property has a place for a field; what it has none for stays approved. */
    default boolean holds(Property property, Field field) {
        return true;
    }

    void write(HandoverLines lines, OutputStream out) throws IOException;
}
