/**
 * The window: its frame, and the {@link phalanx.desktop.Workbench} that keeps the project, the history of edits and the solver.
 *
 * <p>For example a tuning chosen in the top bar is an edit of the project with a name; the workbench solves again in the background and
 * tells every station, and Ctrl+Z takes it back.
 */
package phalanx.desktop;
