/** What is kept in memory for a while because it is probably wanted again. */
package lucidsweep.server.memory;
