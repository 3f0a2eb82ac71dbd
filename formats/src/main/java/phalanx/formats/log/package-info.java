/** The practice log: one SQLite file in the data folder, and its export. */
package phalanx.formats.log;
