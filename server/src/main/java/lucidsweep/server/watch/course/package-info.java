/** Positions and clicks of parts of a property over time, with what happened beside them. */
package lucidsweep.server.watch.course;
