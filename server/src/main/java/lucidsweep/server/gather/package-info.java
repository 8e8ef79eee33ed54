/** Gathering: crawls of websites and imports of files, and what each of them saw. */
package lucidsweep.server.gather;
