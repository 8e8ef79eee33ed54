/** What result pages make of our texts: show them, cut them, or write their own. */
package lucidsweep.core.acceptance;
