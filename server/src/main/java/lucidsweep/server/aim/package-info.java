/** Aiming: the keywords of a property and which item each of them is the target of. */
package lucidsweep.server.aim;
