/** Sudden moves, what happened near them, and what somebody said of them. */
package lucidsweep.server.watch.move;
