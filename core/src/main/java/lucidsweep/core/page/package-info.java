/** What a page says of itself: its address and, read from its markup, its titles, descriptions, headings, links and copy. */
package lucidsweep.core.page;
