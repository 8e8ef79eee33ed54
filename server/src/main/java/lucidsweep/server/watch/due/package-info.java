/** What is due: reminders that make themselves, and those that a person made. */
package lucidsweep.server.watch.due;
