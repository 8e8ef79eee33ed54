/** What is wrong with the fields of an item, by one small rule each, and what findings have in common. */
package lucidsweep.core.finding;
