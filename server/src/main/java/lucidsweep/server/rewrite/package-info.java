/** Rewriting: the desk, recipes and bulk edits, each change a batch that can be undone. */
package lucidsweep.server.rewrite;
