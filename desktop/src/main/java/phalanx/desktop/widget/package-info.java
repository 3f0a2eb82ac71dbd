/**
 * What the stations share: cards, chips with their editors, drawings of necks, fonts.
 *
 * <p>For example a {@link phalanx.desktop.widget.Chip} shows "capo 2"; a click opens a small editor, and Esc closes it.
 */
package phalanx.desktop.widget;
