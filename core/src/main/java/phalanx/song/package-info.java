/**
 * The song: bars, chart, tune, sections, form; edits of it; harmony read from it. Time is whole ticks, 1,680 to the quarter.
 *
 * <p>For example a bar of 4/4 has 6,720 ticks; its second eighth begins at tick 840, beat 1.5. A dotted quarter and an eighth are
 * notes of 2,520 and 840 ticks.
 */
package phalanx.song;
