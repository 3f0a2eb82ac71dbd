/** What a place of the window is for, its keys, and a way to find any command. */
package phalanx.desktop.help;
