package phalanx.arrange.advice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.righthand.Picking;
import phalanx.song.Song;

/**
 * Arranges a song in all twelve keys with every capo, from the octave where it lies best, and says how it lies in each.
 * What the hand holds the same is arranged once and moved with the capo; this is shared out among the processor's cores.
 * It compares rough answers, whose efforts are some percent higher than those of full ones; the best few are arranged
 * again less roughly, the first place and the present one in full, so that both show the figures that arranging gives.
 */
public final class KeyAdvisor {
    /** The highest capo that is tried. */
    public static final int HIGHEST_CAPO = 7;

    /** All that is tried in one tuning: keys times capos. */
    public static final int WAYS = 12 * (HIGHEST_CAPO + 1);

    private static final int CAPOS = HIGHEST_CAPO + 1;

    private static final int LOWEST_MOVE = -5;
    /** What the hand holds, as the song moved by the key less the capo. */
    private static final int HELD = 12 + HIGHEST_CAPO;

    /** So many of the best at most are arranged again, less roughly. */
    private static final int FIRST = 8;

    /** And only those whose rough effort is at most so many times the least: rough answers of good keys differ by less. */
    private static final double CLOSE = 1.1;

    private final Instrument instrument;
    private final Hand hand;
    private final Picking picking;
    private final Wishes wishes;
    /** The full answer to the song as it is now, where it is known. */
    private Optional<Arrangement> now = Optional.empty();
    /** One for each guitar, for what it remembers. */
    private final Map<Instrument, Arranger> arrangers = new ConcurrentHashMap<>();

    /** One for a plain right hand and the usual wishes. */
    public KeyAdvisor(Instrument instrument, Hand hand) {
        this(instrument, hand, Picking.PLAIN, Wishes.USUAL);
    }

    /**
     * @param instrument the guitar; its own capo is not looked at
     * @param picking how the right hand plays
     * @param wishes who has the tune, in which octave of the song's own key, what is held
     */
    public KeyAdvisor(Instrument instrument, Hand hand, Picking picking, Wishes wishes) {
        this.instrument = instrument;
        this.hand = hand;
        this.picking = picking;
        this.wishes = wishes;
    }

    /**
     * Takes the full answer to the song as it is now, so that it is not looked for again; it is used where it answers to
     * the same song, guitar, hand, picking and wishes, and nothing is decided in it.
     *
     * @param full as arranged, not as written notes are kept
     */
    public KeyAdvisor knowing(Arrangement full) {
        boolean same = full.request().instrument().equals(instrument)
                && full.request().hand().equals(hand)
                && full.request().picking().equals(picking)
                && full.request().wishes().equals(wishes)
                && full.request().locks().stream().allMatch(AddedLock.class::isInstance);
        now = same ? Optional.of(full) : Optional.empty();
        return this;
    }

    /** As new, as for a song that is opened: what is promised is what arranging gives. */
    private Arranger arranger(Instrument guitar) {
        return arrangers.computeIfAbsent(guitar, own -> new Arranger(own, hand)).fresh();
    }

    /** The ways in the guitar's own tuning. */
    public List<KeyAdvice> advise(Song song, IntConsumer done, BooleanSupplier cancelled) {
        return advise(song, List.of(instrument.tuning()), done, cancelled);
    }

    /**
     * Every way, by tuning, by capo and then by key from five semitones below the song's to six above.
     *
     * @param tunings to try
     * @param done told how many ways are arranged, from any thread
     * @param cancelled asked again and again while the work goes on, from any thread
     * @throws CancellationException soon after it says yes
     */
    public List<KeyAdvice> advise(Song song, List<Tuning> tunings, IntConsumer done, BooleanSupplier cancelled) {
        AtomicInteger count = new AtomicInteger();
        now = now.filter(one -> one.request().song().equals(song.transpose(one.movedBy())));
        int octave = octave(song, cancelled);
        Trying trying = new Trying(song, octave, cancelled);
        // the same shapes serve many ways: those that differ by the capo alone
        List<KeyAdvice> rough = tunings.stream()
                .flatMap(tuning -> IntStream.range(0, HELD)
                        .parallel()
                        .mapToObj(held -> ofShapes(
                                trying,
                                new Held(tuning, held),
                                capos(held),
                                true,
                                () -> done.accept(count.incrementAndGet())))
                        .flatMap(List::stream)
                        .sorted(Comparator.comparingInt(KeyAdvice::capo).thenComparingInt(KeyAdvice::semitones)))
                .toList();
        return inFull(trying, again(trying, rough));
    }

    /**
     * What is tried.
     *
     * @param octave the semitones to the octave where the song lies best
     */
    private record Trying(Song song, int octave, BooleanSupplier cancelled) {
        int semitones(int held, int capo) {
            return octave + LOWEST_MOVE - HIGHEST_CAPO + held + capo;
        }

        int held(KeyAdvice way) {
            return way.semitones() - semitones(0, way.capo());
        }
    }

    /**
     * What the hand holds.
     *
     * @param moved number of the song moved by the key less the capo, below {@link #HELD}
     */
    private record Held(Tuning tuning, int moved) {}

    private static List<Integer> capos(int held) {
        return IntStream.range(0, CAPOS)
                .filter(capo -> held + capo >= HIGHEST_CAPO && held + capo < HIGHEST_CAPO + 12)
                .boxed()
                .toList();
    }

    /** Ways in which the hand holds the same: arranged with the middle capo, moved with the others. */
    private List<KeyAdvice> ofShapes(Trying trying, Held held, List<Integer> capos, boolean roughly, Runnable done) {
        Instrument guitar = instrument.withTuning(held.tuning);
        IntFunction<Song> moved = capo -> trying.song.transpose(trying.semitones(held.moved, capo));
        IntFunction<Arrangement> anew =
                capo -> anew(arranger(guitar.withCapo(capo)), moved.apply(capo), roughly, trying.cancelled);
        int middle = capos.get(capos.size() / 2);
        Arrangement[] arranged = new Arrangement[CAPOS];
        arranged[middle] = anew.apply(middle);
        boolean moves = arranged[middle].request().tune() == TuneUse.PLAYED;
        List<KeyAdvice> ways = new ArrayList<>();
        int lower = middle;
        for (int capo : capos) {
            Arranger arranger = arranger(guitar.withCapo(capo));
            for (int from : new int[] {middle, lower}) {
                if (arranged[capo] == null && moves) {
                    arranged[capo] =
                            arranger.moved(arranged[from], moved.apply(capo)).orElse(null);
                }
            }
            if (arranged[capo] == null) {
                // what only a hand further up reaches: easier places serve the capos above, too
                arranged[capo] = anew.apply(capo);
                lower = capo;
            }
            ways.add(KeyAdvice.of(arranged[capo], trying.semitones(held.moved, capo), trying.octave));
            done.run();
        }
        return ways;
    }

    private Arrangement anew(Arranger arranger, Song moved, boolean roughly, BooleanSupplier cancelled) {
        Wishes thatOctave = wishes.withOctave(Octave.AS_WRITTEN);
        return roughly
                ? arranger.rough(moved, picking, thatOctave, cancelled)
                : arranger.quick(moved, picking, thatOctave, List.of(), cancelled);
    }

    /** The ways, the best few of them arranged again, less roughly: those that hold the same together. */
    private List<KeyAdvice> again(Trying trying, List<KeyAdvice> ways) {
        KeyAdvice least = ways.stream().min(Comparator.naturalOrder()).orElseThrow();
        Map<Held, List<Integer>> best = ways.stream()
                .filter(way -> way.isCloseTo(least, CLOSE))
                .sorted()
                .limit(FIRST)
                .collect(Collectors.groupingBy(
                        way -> new Held(way.tuning(), trying.held(way)),
                        Collectors.mapping(KeyAdvice::capo, Collectors.toList())));
        return replaced(
                ways,
                best.entrySet().parallelStream()
                        .map(held -> ofShapes(
                                trying,
                                held.getKey(),
                                held.getValue().stream().sorted().toList(),
                                false,
                                () -> {}))
                        .flatMap(List::stream)
                        .toList());
    }

    /** The ways, the first one and the present one in full. */
    private List<KeyAdvice> inFull(Trying trying, List<KeyAdvice> ways) {
        KeyAdvice least = ways.stream().min(Comparator.naturalOrder()).orElseThrow();
        return replaced(
                ways,
                ways.parallelStream()
                        .filter(way -> way == least || isNow(way))
                        .map(way -> inFull(trying, way))
                        .toList());
    }

    private KeyAdvice inFull(Trying trying, KeyAdvice way) {
        Arrangement full = now.filter(one -> isNow(way) && one.movedBy() == way.semitones())
                .orElseGet(() -> arranger(instrument.withTuning(way.tuning()).withCapo(way.capo()))
                        .arrange(
                                trying.song.transpose(way.semitones()),
                                picking,
                                wishes.withOctave(Octave.AS_WRITTEN),
                                List.of(),
                                trying.cancelled));
        return KeyAdvice.of(full, way.semitones() - full.movedBy(), way.octave());
    }

    private static List<KeyAdvice> replaced(List<KeyAdvice> ways, List<KeyAdvice> by) {
        return ways.stream()
                .map(way -> by.stream().filter(way::isSamePlace).findFirst().orElse(way))
                .toList();
    }

    /** Whether it is the song's own key on the guitar as it is. */
    private boolean isNow(KeyAdvice way) {
        return way.keySemitones() == 0
                && way.capo() == instrument.capo()
                && way.tuning().equals(instrument.tuning());
    }

    /** The semitones to the octave where the song lies best in its own key; nothing where none fits. */
    private int octave(Song song, BooleanSupplier cancelled) {
        int moved = now.filter(one -> instrument.capo() == 0)
                .orElseGet(() -> arranger(instrument.withCapo(0)).quick(song, picking, wishes, List.of(), cancelled))
                .movedBy();
        return moved % 12 == 0 ? moved : 0;
    }
}
