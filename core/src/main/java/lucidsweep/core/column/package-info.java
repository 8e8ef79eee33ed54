/** What the columns of a file hold: told by their names in eight languages and by their cells. */
package lucidsweep.core.column;
