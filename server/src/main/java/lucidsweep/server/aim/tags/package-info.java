/** Tags and groups against what is searched. */
package lucidsweep.server.aim.tags;
