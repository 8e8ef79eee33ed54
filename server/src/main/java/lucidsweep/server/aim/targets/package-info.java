/** Which keyword fits which item: worked out, decided by hand. */
package lucidsweep.server.aim.targets;
