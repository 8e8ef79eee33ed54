/** New texts: recipes that compose a field from parts so that it fits, and tag sets under a budget. */
package lucidsweep.core.compose;
