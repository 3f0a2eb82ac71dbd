/**
 * The sound of one guitar: a delay loop a string, a body, hits. Nothing here knows of songs; what is to happen is asked
 * for by the frame.
 *
 * <p>For example the open A string, 110 Hz, goes round 44,100 / 110 = 400.909 samples. On steel it falls by 60 dB in 8 s, so
 * each round keeps 10^(-3 / (110 * 8)) = 0.99218 of it. The loss filter that also lets 3 kHz die in 1.1 s delays it by 0.07
 * samples; what is left over, 400.84, is 399 whole samples and a fraction of 1.84.
 */
package phalanx.sound.guitar;
