/**
 * Timings, apart from the tests: none of them can fail a build.
 *
 * <p>For example {@code ArrangeBench} times the quick and the full answer for 32 bars of eighths, {@code
 * PathBench}, {@code BesideBench} and {@code WindowBench} time us beside others in one run.
 */
package phalanx.bench;
