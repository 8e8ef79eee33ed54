/** Clients and their properties. */
package lucidsweep.server.client;
