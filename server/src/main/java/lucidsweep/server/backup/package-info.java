/** Copies of everything: before an upgrade, every day, and when somebody asks for one; and putting one back. */
package lucidsweep.server.backup;
