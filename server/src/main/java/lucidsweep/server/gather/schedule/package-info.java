/** Sweeps that start when they are due. */
package lucidsweep.server.gather.schedule;
