/**
 * Plain-text tablature, in and out.
 *
 * <p>For example the count {@code 1 & 2 &} under the strings says that the columns below "&" fall on the second half of a beat; without
 * a count the spacing tells.
 */
package phalanx.formats.tab;
