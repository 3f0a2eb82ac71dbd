/**
 * Timings, apart from the tests: none of them can fail a build.
 *
 * <p>For example {@code AnswerBench} times the quick and the full answer for 32 and 320 bars of eighths, {@code
 * EditBench} what comes after an edit of them; {@code PathBench}, {@code BesideBench} and {@code WindowBench} time us
 * beside others in one run.
 */
package phalanx.bench;
