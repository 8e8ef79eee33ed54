/** How rows become records. */
package lucidsweep.server.database;
