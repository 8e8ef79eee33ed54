/** What search engines report, over any window. */
package lucidsweep.server.aim.demand;
