/**
 * ABC tunes, in and out.
 *
 * <p>For example {@code K:G} and {@code "G"B2 c2|} give a chord G, then B4 and C5 of a quarter each where {@code L:1/8} is set.
 */
package phalanx.formats.abc;
