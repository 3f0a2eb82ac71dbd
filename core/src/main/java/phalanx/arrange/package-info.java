/**
 * Arranges songs, stage by stage: {@code demand}, candidates and path ({@code search}), notes and holds, price ({@code
 * score}), colours ({@code colour}), {@code audit}. {@code Arranger} lists the stages; {@code Transcriber} does the same for notes whose strings and
 * frets are given.
 *
 * <p>For example a bar of C with an E above it: the demand is one slot a beat, the thumb asked for C and then G or E; the
 * path puts the tune on string 1, the bass on strings 5 and 4, an inner note where the tune holds; the price of what was
 * written is that of the path, to the last digit.
 */
package phalanx.arrange;
