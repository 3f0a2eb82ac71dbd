/**
 * An arrangement as sound: plucked strings rendered to samples, and their way to a loudspeaker.
 *
 * <p>For example A2 at 110 Hz and 44,100 samples a second goes round a delay line of 44,100 / 110 = 400.9 samples, tuned between whole
 * ones.
 */
package phalanx.sound;
