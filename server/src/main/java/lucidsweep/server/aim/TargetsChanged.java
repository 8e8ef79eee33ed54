package lucidsweep.server.aim;

import java.util.List;

/**
 * Items aim at something else now.
 *
 * @param items which; null for any of the property
 */
public record TargetsChanged(long propertyId, List<Long> items) {}
