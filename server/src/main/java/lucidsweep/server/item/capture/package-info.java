/** What sweeps captured of items, written many rows at a time. */
package lucidsweep.server.item.capture;
