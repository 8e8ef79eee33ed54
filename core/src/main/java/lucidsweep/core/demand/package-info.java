/** What search engines report of a property, and what can be worked out of it: clicks by position, seasons, better keywords. */
package lucidsweep.core.demand;
