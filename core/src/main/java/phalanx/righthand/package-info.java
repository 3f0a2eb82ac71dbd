/**
 * What the right hand does: digits and schools, patterns and their text, bass lines, levels, digits assigned and planted, the
 * count.
 *
 * <p>For example over C in 4/4 the alternating thumb asks for the root on beats 1 and 3 and for E or G on beats 2 and 4; a beat in
 * which four sixteenths are struck is counted 1 e &amp; a.
 */
package phalanx.righthand;
