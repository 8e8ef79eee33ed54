package lucidsweep.server.aim.targets;

/** Items of a property may aim at something else now. */
public record TargetsChanged(long propertyId) {}
