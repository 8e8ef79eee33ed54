/** Long work: stored, with progress, stoppable, in one way for all. */
package lucidsweep.server.job;
