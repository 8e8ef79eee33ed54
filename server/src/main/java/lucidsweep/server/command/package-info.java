/** The command line: the same job without the interface. */
package lucidsweep.server.command;
