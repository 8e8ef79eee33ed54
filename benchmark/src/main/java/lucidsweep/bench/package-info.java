/** What is measured: core alone by JMH, the whole through its own services and API. */
package lucidsweep.bench;
