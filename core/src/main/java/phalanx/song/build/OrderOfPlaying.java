package phalanx.song.build;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import phalanx.song.BarMarks;
import phalanx.song.PlayingOrder;
import phalanx.song.Section;
import phalanx.song.Song;

/** Finds in which order written bars are played, whatever their signs are worth. */
final class OrderOfPlaying {
    private final Song written;
    private final List<BarMarks> marks;
    private final Report report;

    /** @param marks one for each bar */
    OrderOfPlaying(Song written, List<BarMarks> marks, Report report) {
        this.written = written;
        this.marks = marks;
        this.report = report;
    }

    /**
     * The indices of bars as they are played; as written where signs lead nowhere. No bar is passed over in all rounds.
     *
     * @param names of sections in the order of playing, none where the signs say it
     */
    List<Integer> find(List<String> names) {
        try {
            if (!names.isEmpty()) {
                return bySections(names);
            }
            List<BarMarks> reached = new ArrayList<>(withoutLostJumps());
            List<Integer> played = PlayingOrder.of(reached);
            Set<Integer> all = new HashSet<>(played);
            for (int i = 0; i < marks.size(); i++) {
                if (!all.contains(i)) {
                    BarMarks bar = reached.get(i);
                    reached.set(
                            i, new BarMarks(bar.repeatStart(), bar.timesToEnd(), Set.of(), bar.signs(), bar.jump()));
                    report.once(
                            wording("OrderOfPlaying.bar", written.bars().get(i).number()),
                            wording("OrderOfPlaying.an-ending-that-is-never"));
                }
            }
            return all.size() == marks.size() ? played : PlayingOrder.of(reached);
        } catch (IllegalArgumentException e) {
            report.say("", wording("OrderOfPlaying.the-bars-are-taken-as", e.getMessage()));
            return IntStream.range(0, marks.size()).boxed().toList();
        }
    }

    /** The marks without jumps that go to a sign that is nowhere; repeats are played all the same. */
    private List<BarMarks> withoutLostJumps() {
        boolean segno = marks.stream().anyMatch(bar -> bar.has(BarMarks.Sign.SEGNO));
        boolean coda = marks.stream().anyMatch(bar -> bar.has(BarMarks.Sign.CODA));
        List<BarMarks> sound = new ArrayList<>();
        for (BarMarks bar : marks) {
            boolean lost =
                    !segno && bar.jump().filter(BarMarks.Jump.DAL_SEGNO::equals).isPresent();
            boolean lostCoda = !coda && bar.has(BarMarks.Sign.TO_CODA);
            if (lost) {
                report.once("", wording("OrderOfPlaying.a-jump-goes-to-a"));
            }
            if (lostCoda) {
                report.once("", wording("OrderOfPlaying.a-jump-goes-to-a-2"));
            }
            Set<BarMarks.Sign> signs = new HashSet<>(bar.signs());
            signs.remove(coda ? null : BarMarks.Sign.TO_CODA);
            sound.add(new BarMarks(
                    bar.repeatStart(), bar.timesToEnd(), bar.endings(), signs, lost ? Optional.empty() : bar.jump()));
        }
        return sound;
    }

    private List<Integer> bySections(List<String> names) {
        List<Section> sections = written.sections();
        List<Integer> all = new ArrayList<>();
        for (String name : names) {
            int index = IntStream.range(0, sections.size())
                    .filter(i -> sections.get(i).name().equals(name))
                    .findFirst()
                    .orElseThrow(() ->
                            new IllegalArgumentException(wording("OrderOfPlaying.the-order-of-playing-names", name)));
            int from = written.barIndexAt(sections.get(index).startTick());
            int to = index + 1 < sections.size()
                    ? written.barIndexAt(sections.get(index + 1).startTick())
                    : marks.size();
            PlayingOrder.of(marks.subList(from, Math.max(from, to))).forEach(at -> all.add(from + at));
            if (all.size() > Song.MOST_BARS) {
                throw new IllegalArgumentException(wording("OrderOfPlaying.with-its-repeats-the-song", Song.MOST_BARS));
            }
        }
        return all;
    }
}
