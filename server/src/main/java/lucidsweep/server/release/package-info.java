/** Releasing: drafts looked at, approved or sent back, and handed over as files. */
package lucidsweep.server.release;
