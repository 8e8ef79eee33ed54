/** Keeps secrets sealed at rest. */
package lucidsweep.server.security;
