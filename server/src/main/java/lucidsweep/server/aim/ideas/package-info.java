/** Better keywords, pages to add, items competing for a query. */
package lucidsweep.server.aim.ideas;
