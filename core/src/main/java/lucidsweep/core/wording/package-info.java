/** Ways to word a text: what each would reach, small changes that reach more, and what rivals write. */
package lucidsweep.core.wording;
