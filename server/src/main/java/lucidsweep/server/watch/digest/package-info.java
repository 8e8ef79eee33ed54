/** The week of a client's properties in one file, to read, print or send by mail. */
package lucidsweep.server.watch.digest;
