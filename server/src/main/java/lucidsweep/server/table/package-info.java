/** Reads tables from files and pasted text: encoding and delimiter recognised, unreadable rows told apart. */
package lucidsweep.server.table;
