/** Sweeps as they are stored, crawls and imports alike, and what became of every address. */
package lucidsweep.server.gather.sweep;
