/** How rows become records, and records rows. */
package lucidsweep.server.database;
