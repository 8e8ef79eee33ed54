package lucidsweep.server.watch.course;

/**
 * Something that happened, on the time line.
 *
 * @param day as "2026-11-25"
 * @param kind release, sweep or note
 * @param id of the release, sweep or note
 */
public record Mark(String day, String kind, long id, String text) {}
