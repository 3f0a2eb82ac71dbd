/**
 * What helps against a finding. For example, of a barre that comes too late in one bar, "no barre in bar 5" is tried: the
 * song is solved with it, audited anew, and offered with what it costs when the finding is gone or less severe and nothing
 * as severe has come in its place.
 */
package phalanx.project.remedy;
