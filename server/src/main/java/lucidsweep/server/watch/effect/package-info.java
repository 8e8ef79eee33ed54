/** What releases and other changes brought. */
package lucidsweep.server.watch.effect;
