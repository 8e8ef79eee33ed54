/** What a text-generation service is asked, and whether its answers may be used: each word is held against the page. */
package lucidsweep.core.writer;
