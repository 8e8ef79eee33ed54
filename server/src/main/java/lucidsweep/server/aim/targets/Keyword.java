package lucidsweep.server.aim.targets;

/** A phrase people search for; its volume is null where not known. */
public record Keyword(long id, String phrase, Long volume) {}
