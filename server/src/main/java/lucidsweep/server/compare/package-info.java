/** What changed between two sweeps of a property. */
package lucidsweep.server.compare;
