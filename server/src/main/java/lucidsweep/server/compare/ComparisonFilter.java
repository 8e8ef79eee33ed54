package lucidsweep.server.compare;

/** Which differences are shown; null or false where any. */
record ComparisonFilter(Change.Kind kind, String field, boolean undrafted) {}
