/**
 * The command line: one class a command, and the one main class, which opens the window where no command is given.
 *
 * <p>For example {@code phalanx reach x32010 --json} answers with the easiest fingers 3 2 1 and their distances in mm.
 */
package phalanx.cli;
