/** The items of a property and their fields: what every stage lists, filters and changes. */
package lucidsweep.server.item;
