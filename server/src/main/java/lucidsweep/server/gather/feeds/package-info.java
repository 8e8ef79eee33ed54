/** Lists fetched over HTTP and imported like files. */
package lucidsweep.server.gather.feeds;
