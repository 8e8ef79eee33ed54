/** Files of pages, listings, videos, demand and results: read, tried, applied, undone. */
package lucidsweep.server.gather.imports;
