/**
 * What a player may put before, after and into a song: intros, endings, bass runs, second times. A
 * {@link phalanx.project.extra.Proposal} is a whole project with one such thing in it; nothing is put in unasked. For
 * example "descending bass at the end" appends two bars in which an own bass goes down the scale to the root.
 */
package phalanx.project.extra;
