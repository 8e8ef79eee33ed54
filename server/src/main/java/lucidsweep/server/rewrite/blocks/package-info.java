/** Blocks of text that the descriptions of a shop or channel share, and what it says of itself. */
package lucidsweep.server.rewrite.blocks;
