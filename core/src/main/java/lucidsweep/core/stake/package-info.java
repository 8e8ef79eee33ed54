/** What faults cost a property in clicks, from its own demand. */
package lucidsweep.core.stake;
