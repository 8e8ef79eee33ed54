/** All clients and properties at a glance: where each of the six stages stands. */
package lucidsweep.server.portfolio;
