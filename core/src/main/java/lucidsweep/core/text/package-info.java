/** Texts as they are seen: how wide they are, where they are cut, which of them are alike, how they end. */
package lucidsweep.core.text;
