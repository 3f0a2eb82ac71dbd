/**
 * What is said to the player, in the player's language. Code names a sentence by its key; the sentences stand in
 * {@code phalanx/words/MODULE.properties} of each module (English) and {@code MODULE_it.properties} (Italian). {@code
 * bar-is = bar {0} is empty} and {@code wording("bar-is", 7)} give "bar 7 is empty".
 */
package phalanx.words;
