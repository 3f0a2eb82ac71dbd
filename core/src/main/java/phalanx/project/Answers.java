package phalanx.project;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.Song;

/**
 * Full answers found before, so that a decision taken back, or a version gone back to, is not arranged a second time.
 * The last few that were asked for are kept. It is safe for use by several threads at once.
 */
public final class Answers {
    /** Enough to walk back and forth among; a long song's answer takes about a megabyte. */
    private static final int MOST = 16;

    private final int most;
    private final Map<Asked, Arrangement> known = new LinkedHashMap<>(MOST, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Asked, Arrangement> eldest) {
            return size() > most;
        }
    };

    /** For the last {@value #MOST}. */
    public Answers() {
        this(MOST);
    }

    Answers(int most) {
        this.most = most;
    }

    /** All that an answer follows from. */
    private record Asked(
            Song song, Instrument instrument, Hand hand, Picking picking, Wishes wishes, List<Lock> locks) {
        static Asked of(Project project) {
            return new Asked(
                    project.song(),
                    project.instrument(),
                    project.hand(),
                    project.picking(),
                    project.wishes(),
                    project.locks());
        }
    }

    /**
     * The full answer to a project without written notes, if it was found before: each time an arrangement of its own,
     * since what else the project says may have changed and is to be shown with it.
     */
    public synchronized Optional<Arrangement> to(Project project) {
        return Optional.ofNullable(known.get(Asked.of(project))).map(answer -> answer.with(answer.octave()));
    }

    synchronized void keep(Project project, Arrangement full) {
        known.put(Asked.of(project), full);
    }
}
