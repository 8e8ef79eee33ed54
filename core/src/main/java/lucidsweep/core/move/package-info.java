/** Sudden moves of positions and clicks: found, and gathered by what moved together. */
package lucidsweep.core.move;
