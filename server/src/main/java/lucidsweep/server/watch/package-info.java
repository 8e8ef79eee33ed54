/** What became of it: positions and clicks over time, sudden moves, what a release brought, and what is due. */
package lucidsweep.server.watch;
