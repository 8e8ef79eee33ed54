/** Lists of keywords, tags and items to look at again. */
package lucidsweep.server.aim.reviews;
