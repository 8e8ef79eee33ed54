/** Places and services, and spellings of the brand. */
package lucidsweep.server.aim.places;
