package phalanx.desktop.session;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BiFunction;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import phalanx.arrange.advice.FasterWay;
import phalanx.arrange.advice.FasterWays;
import phalanx.arrange.advice.LevelAdvisor;
import phalanx.arrange.advice.OtherWay;
import phalanx.arrange.demand.Request;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.OctaveChoice;
import phalanx.project.Answers;
import phalanx.project.Project;
import phalanx.project.Solve;
import phalanx.project.remedy.Remedies;
import phalanx.project.remedy.Remedy;
import phalanx.words.Words;

/**
 * Solves the project in the background, one at a time: the newest wins. What it has found is shown at once, the full
 * answer in its place when it is better.
 */
public final class Solver {
    private final Executor background;
    private final Executor interfaceThread;
    private final ObjectProperty<Message> message;
    private final Consumer<History> back;
    private final AtomicLong latest = new AtomicLong();
    private final Answers answers;
    private final Solve solve;
    private final ReadOnlyObjectWrapper<Arrangement> arrangement = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper();
    /** The history of what is shown. */
    private Optional<History> shown = Optional.empty();
    /** What was said last about the octave, so that it is said once. Background thread only. */
    private String octaveSaid = "";
    /** The decisions that were not kept when it was said last. */
    private Set<String> notKeptSaid = Set.of();

    /**
     * @param background runs one job after another
     * @param interfaceThread runs a job on the interface thread
     * @param message the line at the bottom of the window
     * @param back takes what to go back to when work was stopped or failed
     * @param answers found before
     */
    public Solver(
            Executor background,
            Executor interfaceThread,
            ObjectProperty<Message> message,
            Consumer<History> back,
            Answers answers) {
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.message = message;
        this.back = back;
        this.answers = answers;
        this.solve = new Solve(answers);
    }

    public ReadOnlyObjectProperty<Arrangement> arrangementProperty() {
        return arrangement.getReadOnlyProperty();
    }

    /** Whether something is at work. */
    public ReadOnlyBooleanProperty busyProperty() {
        return busy.getReadOnlyProperty();
    }

    /** Says that something else is at work, such as reading a file, or no longer. */
    public void busy(boolean now) {
        busy.set(now);
    }

    /**
     * Looks for other ways to play a moment, in the background.
     *
     * @param tick of the moment
     * @param most how many
     * @param found takes them on the interface thread, unless the project has changed meanwhile
     */
    public void otherWays(int tick, int most, Consumer<List<OtherWay>> found) {
        long ticket = latest.get();
        background.execute(() -> {
            if (latest.get() != ticket) {
                return;
            }
            try {
                List<OtherWay> ways = solve.otherWays(tick, most, () -> latest.get() != ticket);
                interfaceThread.execute(() -> {
                    if (latest.get() == ticket) {
                        found.accept(ways);
                    }
                });
            } catch (CancellationException e) {
                // the song has changed; it is asked for again when it is shown
            }
        });
    }

    /**
     * Looks for a way through the song that goes faster, in the background.
     *
     * @param found takes it on the interface thread, unless the project has changed meanwhile
     * @param givenUp told there instead when the search was stopped
     */
    public void fasterWay(Consumer<Optional<FasterWay>> found, Runnable givenUp) {
        search((now, cancelled) -> new FasterWays().find(now, cancelled), found, givenUp);
    }

    /**
     * Tries what could help against a finding, in the background.
     *
     * @param project that is shown
     * @param found takes what helps on the interface thread, unless the project has changed meanwhile
     * @param givenUp told there instead when the search was stopped
     */
    public void remedies(Project project, Finding finding, Consumer<List<Remedy>> found, Runnable givenUp) {
        search((now, cancelled) -> new Remedies().against(project, now, finding, cancelled), found, givenUp);
    }

    /** Looks for something about the arrangement that is shown, in the background. */
    private <T> void search(BiFunction<Arrangement, BooleanSupplier, T> looking, Consumer<T> found, Runnable givenUp) {
        long ticket = latest.get();
        Optional.ofNullable(arrangement.get())
                .ifPresent(now -> background.execute(() -> {
                    try {
                        T result = looking.apply(now, () -> latest.get() != ticket);
                        interfaceThread.execute(() -> {
                            if (latest.get() == ticket) {
                                found.accept(result);
                            } else {
                                givenUp.run();
                            }
                        });
                    } catch (CancellationException e) {
                        // the song has changed or Esc was pressed; it can be asked for again
                        interfaceThread.execute(givenUp);
                    }
                }));
    }

    /**
     * Arranges a project beside the one that is open, in the background.
     *
     * @param inFull whether the full answer is wanted, not the quick one
     * @param found takes the arrangement on the interface thread, unless the project has changed meanwhile
     */
    public void aside(Project project, boolean inFull, Consumer<Arrangement> found) {
        long ticket = latest.get();
        background.execute(() -> {
            try {
                Solve own = new Solve(answers);
                Arrangement quick = own.quick(project, () -> latest.get() != ticket);
                Arrangement tried =
                        inFull ? own.full(() -> latest.get() != ticket).orElse(quick) : quick;
                interfaceThread.execute(() -> {
                    if (latest.get() == ticket) {
                        found.accept(tried);
                    }
                });
            } catch (CancellationException e) {
                // the project has changed; it can be tried again
            }
        });
    }

    /**
     * Arranges the song at every level, in the background.
     *
     * @param found takes the figures on the interface thread, unless the project has changed meanwhile
     */
    public void levels(Project project, Consumer<List<LevelAdvisor.Figures>> found) {
        long ticket = latest.get();
        Optional.of(project)
                .filter(now -> now.written().isEmpty())
                .ifPresent(now -> background.execute(() -> {
                    try {
                        List<LevelAdvisor.Figures> levels = new LevelAdvisor()
                                .compare(
                                        new Request(
                                                now.song(),
                                                now.instrument(),
                                                now.hand(),
                                                now.locks(),
                                                now.picking(),
                                                now.wishes()),
                                        level -> answers.to(
                                                now.withPicking(now.picking().withLevel(level))),
                                        () -> latest.get() != ticket);
                        interfaceThread.execute(() -> {
                            if (latest.get() == ticket) {
                                found.accept(levels);
                            }
                        });
                    } catch (CancellationException e) {
                        // the song has changed; it is asked for again when the chip is opened
                    }
                }));
    }

    /**
     * Solves a project, quickly and then in full; what was at work before is given up.
     *
     * @param done what was done, said with the answer
     */
    public void solve(History next, String done) {
        busy.set(true);
        long ticket = latest.incrementAndGet();
        Message before = message.get();
        background.execute(() -> {
            if (latest.get() != ticket) {
                return;
            }
            long start = System.nanoTime();
            try {
                Arrangement first = solve.quick(next.now(), () -> latest.get() != ticket);
                long millis = (System.nanoTime() - start) / 1_000_000;
                String octave = first.octave()
                        .filter(choice ->
                                choice.octaves() != 0 && !choice.words().equals(octaveSaid))
                        .map(choice -> wording("Solver.the-tune-chip-has-it", choice.words()))
                        .orElse("");
                octaveSaid = first.octave().map(OctaveChoice::words).orElse(octaveSaid);
                String quick = wording("Solver.arranged-in-ms", done, millis, octave, notKept(first));
                boolean last = solve.isFinal();
                interfaceThread.execute(() -> solved(ticket, next, first, before, quick, last));
                solve.full(() -> latest.get() != ticket)
                        .ifPresent(full -> interfaceThread.execute(() -> completed(ticket, first, full, quick)));
                solve.ready(() -> latest.get() != ticket);
            } catch (CancellationException e) {
                // a later change or the player's Esc made this result void
            } catch (RuntimeException e) {
                FaultLog.keep(e);
                interfaceThread.execute(() -> failed(ticket, e));
            }
        });
    }

    /** What is decided and cannot be kept is said at once; background thread only. */
    private String notKept(Arrangement now) {
        Set<String> before = notKeptSaid;
        List<Finding> left = now.findings().stream()
                .filter(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT)
                .toList();
        notKeptSaid = left.stream().map(Finding::message).collect(Collectors.toSet());
        return left.stream()
                .map(Finding::message)
                .filter(message -> !before.contains(message))
                .findFirst()
                .map(message -> wording("Solver.ctrl-z-takes-it-back", message))
                .orElse("");
    }

    /** A fault of ours must not leave the window at work for ever, nor the project at odds with what is shown. */
    private void failed(long ticket, RuntimeException e) {
        if (latest.get() == ticket) {
            busy.set(false);
            shown.ifPresent(back);
            message.set(Message.error(wording("Solver.a-fault-of-phalanx-stopped", e.getMessage())));
        }
    }

    /** Gives memory back: forgets what the next edit does not need. */
    public void rest() {
        background.execute(() -> {
            solve.rest();
            System.gc();
        });
    }

    /** Gives up all work in hand. */
    public void stop() {
        latest.incrementAndGet();
    }

    /**
     * Gives up the work in hand; the project goes back to the one that is shown.
     *
     * @param now the project at work
     */
    public void cancel(Project now) {
        if (!busy.get() || shown.isEmpty()) {
            return;
        }
        latest.incrementAndGet();
        busy.set(false);
        if (shown.get().now().equals(now)) {
            message.set(Message.plain(wording("Solver.stopped-the-full-search-the")));
        } else {
            back.accept(shown.get());
            message.set(Message.plain(wording("Solver.stopped-the-arrangement-is-as")));
        }
    }

    /**
     * Shows the quick answer.
     *
     * @param before what stood in the message line when the work began; what was said since stays there
     */
    private void solved(long ticket, History from, Arrangement solved, Message before, String done, boolean last) {
        if (latest.get() == ticket) {
            shown = Optional.of(from);
            busy.set(!last);
            // what is said about the new arrangement comes after this line, not under it
            if (message.get() == before) {
                message.set(Message.plain(done));
            }
            arrangement.set(solved);
        }
    }

    /** Puts the full answer in the place of the quick one, and says so where nothing else was said meanwhile. */
    private void completed(long ticket, Arrangement quick, Arrangement full, String done) {
        if (latest.get() != ticket) {
            return;
        }
        busy.set(false);
        if (full.cost().compareTo(quick.cost()) < 0) {
            if (message.get().equals(Message.plain(done))) {
                message.set(Message.plain(String.format(
                        Words.figures(),
                        wording("Solver.the-full-search-took-its"),
                        done,
                        full.effort(),
                        quick.effort())));
            }
            arrangement.set(full);
        }
    }
}
