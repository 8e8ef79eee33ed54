/** What every controller shares: problem details, the guard of the door, the stream of events, downloads. */
package lucidsweep.server.web;
