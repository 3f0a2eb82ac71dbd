/**
 * The written arrangement: notes, holds, positions, findings; the track of the left hand read off it; and the price.
 *
 * <p>For example two notes on string 1, frets 3 and 5, by fingers 1 and 3 in one position: the track has two spans and one
 * change, in which finger 1 stays or lifts and finger 3 comes down; the scorer prices both spans and the change.
 */
package phalanx.arrange.score;
