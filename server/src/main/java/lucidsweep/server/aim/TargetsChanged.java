package lucidsweep.server.aim;

/** Items of a property may aim at something else now. */
public record TargetsChanged(long propertyId) {}
