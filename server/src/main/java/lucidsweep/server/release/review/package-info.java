/** Sheets in which a client decides about drafts, away from the application, and what comes back of them. */
package lucidsweep.server.release.review;
