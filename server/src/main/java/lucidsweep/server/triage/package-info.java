/** Triage: what is wrong, worked out from the items, and what causes it. */
package lucidsweep.server.triage;
