package lucidsweep.standins;

/** A fault that was planted on purpose: the path of the page, the field and the kind of finding, as files name them. */
public record Planted(String path, String field, String finding) {}
