package lucidsweep.server.gather.sweep;

/** A sweep has stored what it saw; what is derived from it can be worked out. */
public record SweepEnded(long propertyId, long sweepId) {}
