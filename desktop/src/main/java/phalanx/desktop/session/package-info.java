/**
 * What the window keeps besides the project itself: which file it belongs to and whether it has changed, the steps that
 * can be taken back, the copy that survives a kill, recent songs. For example an edit makes a {@link
 * phalanx.desktop.session.History} one step longer, and within two seconds its project stands in the data folder.
 */
package phalanx.desktop.session;
