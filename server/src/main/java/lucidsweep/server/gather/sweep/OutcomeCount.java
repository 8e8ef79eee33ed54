package lucidsweep.server.gather.sweep;

/** How many addresses of a sweep had an outcome and status, with one of them and its detail as an example. */
public record OutcomeCount(String outcome, int status, int count, String example, String detail) {}
