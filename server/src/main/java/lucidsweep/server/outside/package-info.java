/** Services of others, spoken to over HTTP: with their rests, faults and silences. */
package lucidsweep.server.outside;
