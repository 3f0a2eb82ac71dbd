/**
 * What a recorded take tells: how steady the thumb was, which notes were wrong or missing, what tempo was held. The score is
 * known, so a note is not guessed but looked for.
 *
 * <p>For example thumb strokes meant for 0, 500, 1000 and 1500 ms that are heard at 2, 512, 998 and 1515 ms are late by
 * 2, 12, -2 and 15 ms: on beats 1 and 3 by 0 ms with a spread of 2, on 2 and 4 by 13.5 with a spread of 1.5.
 */
package phalanx.listening;
