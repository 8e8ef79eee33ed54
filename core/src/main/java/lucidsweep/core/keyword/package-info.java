/** Words and phrases: how a text is taken apart, whether it holds a phrase, and which item fits which keyword best. */
package lucidsweep.core.keyword;
