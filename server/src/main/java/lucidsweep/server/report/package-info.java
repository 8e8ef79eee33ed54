/** The report for the client: what was found, what it costs, what was done and what is next. */
package lucidsweep.server.report;
