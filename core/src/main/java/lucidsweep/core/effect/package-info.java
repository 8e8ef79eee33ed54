/** Whether a change worked: what was changed held against comparable items that were left alone. */
package lucidsweep.core.effect;
