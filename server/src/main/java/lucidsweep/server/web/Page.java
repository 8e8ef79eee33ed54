package lucidsweep.server.web;

import java.util.List;

/**
 * A stretch of a table.
 *
 * @param total how many rows the whole table has
 */
public record Page<T>(long total, List<T> rows) {}
