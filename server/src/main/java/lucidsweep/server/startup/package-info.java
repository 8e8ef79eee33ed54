/** What happens before the application is there: its data folder is made ready, and what stands in the way is said. */
package lucidsweep.server.startup;
