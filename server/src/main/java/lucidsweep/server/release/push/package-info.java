/** Releases that are pushed to a content system, line by line, followed and taken back. */
package lucidsweep.server.release.push;
