/** Sets of items: what an item must be to belong to one. */
package lucidsweep.core.set;
