/** Keywords with their figures. */
package lucidsweep.server.aim.keywords;
