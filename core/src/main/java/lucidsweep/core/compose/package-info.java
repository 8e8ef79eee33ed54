/** New wording: recipes that compose a field from parts so that it fits, and bulk edits of what is there. */
package lucidsweep.core.compose;
