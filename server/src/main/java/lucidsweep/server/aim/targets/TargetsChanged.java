package lucidsweep.server.aim.targets;

/** Any item of a property may aim at something else now. */
public record TargetsChanged(long propertyId) {}
