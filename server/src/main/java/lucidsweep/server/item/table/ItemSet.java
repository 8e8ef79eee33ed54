package lucidsweep.server.item.table;

import lucidsweep.core.set.SetConditions;
import lucidsweep.core.standard.StandardForm;

/**
 * A named set of items of a property.
 *
 * @param standard what its items are held to instead of the property's; null where it is the same
 */
public record ItemSet(long id, long propertyId, String name, SetConditions conditions, StandardForm standard) {}
