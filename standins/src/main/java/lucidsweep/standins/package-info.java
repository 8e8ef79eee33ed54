/**
 * The outside world in small: a demo client's website and files, made from a seed, served over real HTTP on loopback.
 * Every place, person and text is invented.
 */
package lucidsweep.standins;
