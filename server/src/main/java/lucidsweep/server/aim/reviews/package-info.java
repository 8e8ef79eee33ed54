/** Lists of keywords and tags to look at again. */
package lucidsweep.server.aim.reviews;
