/** The writer: columns of instructions that a text-generation service answers for items, held against their pages. */
package lucidsweep.server.rewrite.writer;
