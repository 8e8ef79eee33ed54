/** Crawling websites: fetching politely, reading pages, going on where it was cut short. */
package lucidsweep.server.gather.crawl;
