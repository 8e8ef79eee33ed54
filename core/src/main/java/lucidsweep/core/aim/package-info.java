/** What each item of a property should be found for: keywords, items and demand brought together. */
package lucidsweep.core.aim;
