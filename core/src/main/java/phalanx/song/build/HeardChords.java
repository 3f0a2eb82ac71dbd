package phalanx.song.build;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.ChordProposal;
import phalanx.song.Song;
import phalanx.theory.ChordGuess;
import phalanx.theory.ChordSymbol;

/** Hears a chord for each bar in all that sounds in it, where much sounds beside the tune. */
final class HeardChords {
    private HeardChords() {}

    /**
     * The song with a chord for each bar in which it changes, each marked as proposed.
     *
     * @param accompaniment what sounds with the tune, in any order
     */
    static Song over(Song song, List<ChordProposal.Sounding> accompaniment) {
        List<ChordProposal.Sounding> sounding = new ArrayList<>(accompaniment);
        song.melody()
                .forEach(note -> sounding.add(new ChordProposal.Sounding(note.tick(), note.endTick(), note.midi())));
        double[][] weights = new double[song.bars().size()][12];
        int[] lowest = new int[weights.length];
        Arrays.fill(lowest, Integer.MAX_VALUE);
        for (ChordProposal.Sounding note : sounding) {
            for (int i = song.barIndexAt(note.tick()); i < weights.length; i++) {
                Bar bar = song.bars().get(i);
                int within = Math.min(note.endTick(), bar.endTick()) - Math.max(note.tick(), bar.startTick());
                if (within <= 0) {
                    break;
                }
                weights[i][note.midi() % 12] += within;
                lowest[i] = Math.min(lowest[i], note.midi());
            }
        }
        ChordGuess guess = new ChordGuess(song.key());
        List<ChordChange> chart = new ArrayList<>();
        Optional<ChordSymbol> before = Optional.empty();
        for (int i = 0; i < weights.length; i++) {
            Optional<ChordSymbol> chord = guess.guess(weights[i], lowest[i] % 12);
            if (chord.isPresent() && !chord.equals(before)) {
                chart.add(new ChordChange(song.bars().get(i).startTick(), chord).asProposed());
                before = chord;
            }
        }
        return song.withChart(chart);
    }
}
