package lucidsweep.server.client;

import java.time.Instant;

/**
 * Something that was removed and can be brought back.
 *
 * @param kind client or property
 */
record Removed(String kind, long id, String name, Instant removed) {}
