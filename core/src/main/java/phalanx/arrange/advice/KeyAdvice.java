package phalanx.arrange.advice;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.score.Arrangement;
import phalanx.cost.Cost;
import phalanx.cost.Effort;
import phalanx.guitar.Tuning;
import phalanx.song.MelodyNote;
import phalanx.song.VoiceRange;
import phalanx.theory.Key;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/**
 * How a song lies in one key with one tuning and capo.
 *
 * @param tuning of the strings
 * @param key as it sounds
 * @param capo the fret of the capo
 * @param semitones that the song is moved by from where it was entered
 * @param octave how many of these the tune's octave makes, wherever the song's key is
 * @param cost of the whole arrangement
 * @param tempoCeiling the fastest tempo at which every change and digit fits
 * @param lowest MIDI number of the tune's lowest note
 * @param highest MIDI number of its highest
 * @param openShare the share of plucked notes on open strings, 0 to 1
 * @param barres how many times a barre is put down
 */
public record KeyAdvice(
        Tuning tuning,
        Key key,
        int capo,
        int semitones,
        int octave,
        Cost cost,
        double tempoCeiling,
        int lowest,
        int highest,
        double openShare,
        int barres)
        implements Comparable<KeyAdvice> {
    public KeyAdvice {
        Objects.requireNonNull(tuning, "tuning");
        Objects.requireNonNull(key, "key");
        Objects.requireNonNull(cost, "cost");
    }

    static KeyAdvice of(Arrangement arrangement, int semitones, int octave) {
        long open =
                arrangement.notes().stream().filter(note -> note.fret() == 0).count();
        long barres = arrangement.holds().stream()
                .filter(hold -> hold.press().isBarre())
                .count();
        return new KeyAdvice(
                arrangement.request().instrument().tuning(),
                arrangement.song().key(),
                arrangement.request().instrument().capo(),
                semitones + arrangement.movedBy(),
                octave,
                arrangement.cost(),
                arrangement.ceiling().tempo(),
                arrangement.song().melody().stream()
                        .mapToInt(MelodyNote::midi)
                        .min()
                        .orElse(0),
                arrangement.song().melody().stream()
                        .mapToInt(MelodyNote::midi)
                        .max()
                        .orElse(0),
                arrangement.notes().isEmpty()
                        ? 0
                        : open / (double) arrangement.notes().size(),
                (int) barres);
    }

    /** How far the written song moves: its octave is the arrangement's choice. */
    public int keySemitones() {
        return semitones - octave;
    }

    /** The key of the shapes under the fingers. */
    public Key fingered() {
        return key.transpose(-capo);
    }

    /** Whether every note of the tune is there and can be held. */
    public boolean isWhole() {
        return cost.unplayable() == 0;
    }

    /** What a singer would sing here, in words. */
    public String sung(VoiceRange voice) {
        return voice.octavesFor(lowest, highest)
                .map(octaves -> wording(
                        "KeyAdvice.sung-to-within-the-voice",
                        Pitch.of(lowest + 12 * octaves, key),
                        Pitch.of(highest + 12 * octaves, key)))
                .orElse(wording("KeyAdvice.the-tune-spans-semitones-and", highest - lowest));
    }

    /** Whether it is the same key with the same tuning and capo. */
    boolean isSamePlace(KeyAdvice other) {
        return semitones == other.semitones && capo == other.capo && tuning.equals(other.tuning);
    }

    /** Whether it is as playable as another way and its effort at most so many times the other's. */
    boolean isCloseTo(KeyAdvice other, double times) {
        return cost.unplayable() == other.cost.unplayable()
                && cost.tune() == other.cost.tune()
                && cost.effort().total() <= times * other.cost.effort().total();
    }

    /** Easier first, as costs compare: what cannot be played, then the tune, then effort. */
    @Override
    public int compareTo(KeyAdvice other) {
        return cost.compareTo(other.cost);
    }

    /** What it costs beside another way and which term makes most of that, in one sentence; nothing where they cost the same. */
    public Optional<String> against(KeyAdvice other, String named) {
        Effort more = cost.effort().minus(other.cost.effort());
        return more.decides()
                .map(term -> String.format(
                        Words.figures(),
                        wording("KeyAdvice.than-most-of-it"),
                        Math.abs(more.total()),
                        more.total() < 0 ? wording("KeyAdvice.less") : wording("KeyAdvice.more"),
                        named,
                        term.label()));
    }

    /** Why it lies as it does, in one plain sentence. */
    public String words() {
        String where = capo == 0
                ? wording("KeyAdvice.without-capo", key)
                : wording("KeyAdvice.with-capo-shapes-of", key, capo, fingered());
        String held = barres == 0
                ? wording("KeyAdvice.no-barre")
                : barres == 1 ? wording("KeyAdvice.one-barre") : wording("KeyAdvice.barres", barres);
        String trouble = cost.unplayable() > 0
                ? wording("KeyAdvice.places-out-of-reach", cost.unplayable())
                : cost.tune() > 0 ? wording("KeyAdvice.tune-notes-cut-short", cost.tune()) : "";
        return String.format(
                Words.figures(),
                wording("KeyAdvice.effort-ceiling-bpm-open-strings"),
                where,
                cost.effort().total(),
                Math.floor(tempoCeiling),
                100 * openShare,
                held,
                trouble);
    }
}
