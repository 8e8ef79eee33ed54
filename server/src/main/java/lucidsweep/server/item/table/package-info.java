/** Tables of items in memory: filtered, sorted, counted. */
package lucidsweep.server.item.table;
