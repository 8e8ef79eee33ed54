/** The texts of items: captured, drafted, kept. */
package lucidsweep.server.item.draft;
