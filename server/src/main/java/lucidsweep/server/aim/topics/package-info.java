/** Topics and the words that belong to them. */
package lucidsweep.server.aim.topics;
