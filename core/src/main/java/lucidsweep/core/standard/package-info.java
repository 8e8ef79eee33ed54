/** The limits and rules that a property's fields must meet. */
package lucidsweep.core.standard;
