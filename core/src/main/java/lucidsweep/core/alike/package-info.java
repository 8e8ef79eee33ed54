/** Texts that are nearly the same, and texts that are told apart by a place, a number or a name only. */
package lucidsweep.core.alike;
