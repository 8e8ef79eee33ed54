/** Watch at a glance, for the first page. */
package lucidsweep.server.watch.summary;
