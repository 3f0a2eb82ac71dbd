/** The pages as they will be printed, and how they are laid out. */
package phalanx.desktop.page;
