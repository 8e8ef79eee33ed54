package lucidsweep.server.release.push;

import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import lucidsweep.core.item.Field;
import lucidsweep.server.outside.PatientClient;
import lucidsweep.server.web.Refusal;

/**
 * Where the texts of a property are written, so that they can be read and stored there. Used by several threads.
 *
 * <p>What goes wrong for one item is a {@link Denied} or a {@link PatientClient.NoAnswer}; what goes wrong for all of them,
 * such as a login that is refused, is a {@link Refusal}.
 */
interface ContentSystem {

    /** The fields that it has a place for. */
    Set<Field> fields();

    /**
     * An item as it is there.
     *
     * @param key as the system calls it
     * @param version that changes with every change; "" where the system has none
     * @param texts by field; a field that the item does not have is left out
     */
    record Present(String key, String version, Map<Field, String> texts) {}

    /** An item or a text that the system does not take; trying again does not help. */
    final class Denied extends Exception {

        private static final long serialVersionUID = 1L;

        Denied(String why) {
            super(why);
        }
    }

    /** Nothing was stored, since somebody else was faster. */
    final class ChangedMeanwhile extends Exception {

        private static final long serialVersionUID = 1L;
    }

    /**
     * Reads an item.
     *
     * @param address as the property has it: of a page its address, of a listing or video its id
     * @param stopped whether nobody waits any more
     */
    Present read(String address, BooleanSupplier stopped) throws Denied, PatientClient.NoAnswer, InterruptedException;

    /**
     * Stores texts, all or none.
     *
     * @param present the item as it was read
     * @return why texts were not taken, by field; nothing was stored then. Empty where all were
     * @throws PatientClient.NoAnswer where it is not known whether they were stored
     */
    Map<Field, String> store(Present present, Map<Field, String> texts, BooleanSupplier stopped)
            throws Denied, ChangedMeanwhile, PatientClient.NoAnswer, InterruptedException;
}
