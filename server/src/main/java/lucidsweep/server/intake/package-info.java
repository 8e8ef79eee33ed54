/** Reads files of pages, listings, videos, demand, keywords and results into rows with our column names. */
package lucidsweep.server.intake;
