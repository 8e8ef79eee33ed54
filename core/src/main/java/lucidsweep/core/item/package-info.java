/** The texts of an item: what was captured, what is drafted, and how far a draft has come. */
package lucidsweep.core.item;
