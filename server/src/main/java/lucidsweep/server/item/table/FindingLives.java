package lucidsweep.server.item.table;

/** How many findings came after a moment, how many came back after it, and how many were there before. */
public record FindingLives(int fresh, int back, int old) {}
