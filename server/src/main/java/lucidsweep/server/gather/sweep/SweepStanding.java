package lucidsweep.server.gather.sweep;

/** How many addresses of a sweep are done, and how many are known to be looked at. */
public record SweepStanding(int done, int known) {}
