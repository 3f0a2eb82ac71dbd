/**
 * What a player decides about a song, and the one entrance from there to an arrangement. For example a
 * {@link phalanx.project.Project} of eight bars in D A D G A D with one lock goes into {@link phalanx.project.Solve}; its
 * quick answer comes first, the full one takes its place.
 */
package phalanx.project;
