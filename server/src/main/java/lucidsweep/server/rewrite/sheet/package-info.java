/** Texts that people write elsewhere: a sheet goes out with what there is, and comes back with what they wrote. */
package lucidsweep.server.rewrite.sheet;
