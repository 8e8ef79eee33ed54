/** Bulk edits: one change that is made to the same field of many items, a small class for each. */
package lucidsweep.core.edit;
