package phalanx.arrange;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import phalanx.lefthand.FingeringFinder;

/** Finds the ways to serve a slot and remembers them: slots that ask for the same share their candidates. */
final class CandidateFinder {
    private final FingeringFinder finder;
    private final int width;
    private final Map<Slot.Demand, Candidate[]> known = new HashMap<>();

    /**
     * @param finder of fingerings
     * @param width how many times the usual number of candidates to keep; more than 1 shows what the bound costs
     */
    CandidateFinder(FingeringFinder finder, int width) {
        this.finder = finder;
        this.width = width;
    }

    /** At least one candidate, best first by itself, the same array for the same demand; a lock that cannot be kept is left. */
    Candidate[] candidates(Slot.Demand demand) {
        Candidate[] candidates = known.get(demand);
        if (candidates == null) {
            candidates = search(demand).toArray(Candidate[]::new);
            known.put(demand, candidates);
        }
        return candidates;
    }

    private List<Candidate> search(Slot.Demand demand) {
        List<Candidate> locked = demand.locked()
                .map(held -> new LockedSearch(finder, demand, held).run())
                .orElse(List.of());
        return locked.isEmpty() ? new CandidateSearch(finder, demand.unlocked(), width).run() : locked;
    }
}
