/**
 * Pages to print: drawings of marks in points, laid out once and put out as PDF, SVG or a picture, or shown in the window.
 */
package phalanx.formats.page;
