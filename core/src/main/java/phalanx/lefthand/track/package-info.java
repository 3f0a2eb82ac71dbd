/**
 * The hand in time: where it stands, who presses, where free fingers rest, what a change costs and how long it takes.
 *
 * <p>A worked change, on a 650 mm scale, plucked with all fingers on a beat at 100 quarter notes a minute: finger 2 goes
 * from string 6, fret 3 to string 1, fret 3, and finger 3 comes down on string 2, fret 3. Finger 2 plucked, so it has half
 * the beat, 300 ms; it jumps 40 mm and needs 50 + 60 * log2(40 / 13 + 1) = 171. Finger 3 was up; the hand stays, so it has
 * the whole beat, and from its rest place over the middle of the strings 33 mm away, it needs 159. {@code ChangeTest} runs it.
 */
package phalanx.lefthand.track;
