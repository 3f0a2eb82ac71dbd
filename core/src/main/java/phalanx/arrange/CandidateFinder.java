package phalanx.arrange;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import phalanx.lefthand.FingeringFinder;

/** Finds the ways to serve a slot and remembers them: slots that ask for the same share their candidates. */
final class CandidateFinder {
    private final FingeringFinder finder;
    private final double width;
    private final Map<Slot.Demand, Candidate[]> known = new ConcurrentHashMap<>();

    /**
     * @param finder of fingerings
     * @param width how many times the usual number of candidates to keep
     */
    CandidateFinder(FingeringFinder finder, double width) {
        this.finder = finder;
        this.width = width;
    }

    /** How many strings the guitar has. */
    int strings() {
        return finder.instrument().strings();
    }

    /**
     * The candidates of each of a row of slots: at least one, best first by itself, the same array for the same demand.
     * A lock that cannot be kept is left. Demands not seen before are shared out among the processor's cores.
     *
     * @param check called before each search; what it throws ends the work
     */
    Candidate[][] candidates(List<Slot> slots, Runnable check) {
        List<Slot.Demand> demands = slots.stream().map(Slot::demand).toList();
        demands.stream().filter(demand -> !known.containsKey(demand)).distinct().toList().parallelStream()
                .forEach(demand -> {
                    check.run();
                    known.put(demand, search(demand).toArray(Candidate[]::new));
                });
        return demands.stream().map(known::get).toArray(Candidate[][]::new);
    }

    private List<Candidate> search(Slot.Demand demand) {
        List<Candidate> locked = demand.locked()
                .map(held -> new LockedSearch(finder, demand, held).run())
                .orElse(List.of());
        return locked.isEmpty() ? new CandidateSearch(finder, demand.unlocked(), width).run() : locked;
    }
}
