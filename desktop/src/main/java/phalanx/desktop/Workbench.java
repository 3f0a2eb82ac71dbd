package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Function;
import java.util.function.IntConsumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import phalanx.arrange.advice.FasterWay;
import phalanx.arrange.advice.KeyAdvice;
import phalanx.arrange.demand.CascadeLock;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.session.Document;
import phalanx.desktop.session.EditWords;
import phalanx.desktop.session.History;
import phalanx.desktop.session.Message;
import phalanx.desktop.session.OpenDocument;
import phalanx.desktop.session.Rescue;
import phalanx.desktop.session.Shelf;
import phalanx.desktop.session.Solver;
import phalanx.formats.SongFiles;
import phalanx.formats.library.LibraryFile;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.PartialCapo;
import phalanx.guitar.StringSet;
import phalanx.project.Answers;
import phalanx.project.Project;
import phalanx.righthand.Picking;
import phalanx.song.BarEdit;
import phalanx.song.ChartText;
import phalanx.song.ChordChange;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.TuneEdit;
import phalanx.theory.Key;
import phalanx.theory.NoteNames;
import phalanx.words.Words;

/**
 * The open project and its arrangement. Every change of the project solves it anew in the background; a change that
 * comes meanwhile makes the earlier result void. All properties change on the interface thread.
 */
public final class Workbench {
    private static final String ANEW = wording("Workbench.the-song-to-be-arranged");

    private static final int NEW_TEMPO = 90;

    private final Executor background;
    private final Executor interfaceThread;
    private final Solver solver;
    private final Rescue rescue;
    private final List<IntConsumer> returns = new ArrayList<>();
    /** Where the project stands among its states; nothing before a song is open. */
    private Optional<History> history = Optional.empty();

    private final ReadOnlyObjectWrapper<Project> project = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Message> message =
            new ReadOnlyObjectWrapper<>(Message.plain(wording("Workbench.open-a-lead-sheet-ctrl")));
    private final OpenDocument file;
    private final Shelf shelf;

    /**
     * @param background runs the solver and files, one job after another
     * @param interfaceThread runs a job on the interface thread
     * @param libraryFile where the player's own things are kept
     * @param rescue keeps unsaved work
     * @param answers found before
     */
    public Workbench(
            Executor background, Executor interfaceThread, LibraryFile libraryFile, Rescue rescue, Answers answers) {
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.rescue = rescue;
        this.solver = new Solver(background, interfaceThread, message, this::goBack, answers);
        this.file = new OpenDocument(background, interfaceThread, rescue, message::set);
        this.shelf = new Shelf(libraryFile, background, interfaceThread, message::set);
    }

    public ReadOnlyObjectProperty<Project> projectProperty() {
        return project.getReadOnlyProperty();
    }

    public Optional<Project> project() {
        return Optional.ofNullable(project.get());
    }

    public ReadOnlyObjectProperty<Arrangement> arrangementProperty() {
        return solver.arrangementProperty();
    }

    public Optional<Arrangement> arrangement() {
        return Optional.ofNullable(solver.arrangementProperty().get());
    }

    public ReadOnlyObjectProperty<Message> messageProperty() {
        return message.getReadOnlyProperty();
    }

    /** Whether the solver is at work. */
    public ReadOnlyBooleanProperty busyProperty() {
        return solver.busyProperty();
    }

    /** Opens a song from a file; on an error the open song stays. */
    public void open(Path file) {
        open(file, Choice.LIKELIEST);
    }

    /** Reads the open file again, others of its parts, tracks or tunes. */
    public void chooseParts(Choice choice) {
        file.source().ifPresent(now -> open(now.file(), choice));
    }

    private void open(Path from, Choice choice) {
        solver.busy(true);
        background.execute(() -> {
            try {
                if (ProjectFile.isProject(from)) {
                    ProjectFile.Opened opened = new ProjectFile().open(from);
                    boolean later = !opened.report().isEmpty();
                    Document saved = later ? Document.unnamed(opened.project()) : Document.in(from, opened.project());
                    String words = later ? wording("Workbench.a-later-phalanx-wrote-it") : "";
                    interfaceThread.execute(() -> {
                        file.readFrom(OpenDocument.Source.project(from, opened.report()));
                        begin(saved, wording("Workbench.opened", from.getFileName(), words));
                    });
                    return;
                }
                Reading reading = SongFiles.read(from, choice);
                interfaceThread.execute(() -> {
                    file.readFrom(new OpenDocument.Source(
                            from, reading.choices(), choice.withTune(reading.chosen()), reading.report()));
                    opened(reading, String.valueOf(from.getFileName()));
                });
            } catch (FormatException e) {
                interfaceThread.execute(() -> refused(e.getMessage()));
            }
        });
    }

    /** Opens the song that is shipped as a first example. */
    public void openDemo() {
        openDemo(Demo.SLATE_HARBOUR);
    }

    /** Opens a song that is shipped as an example. */
    public void openDemo(Demo demo) {
        file.readFromNone();
        try (InputStream in = Workbench.class.getResourceAsStream(demo.resource())) {
            byte[] bytes = in.readAllBytes();
            if (demo == Demo.SLATE_HARBOUR) {
                opened(new MusicXmlReader("Demo").read(bytes), wording("Workbench.the-demo-song"));
            } else {
                begin(
                        Document.unnamed(new ProjectFile().read(bytes)),
                        wording("Workbench.opened-the-demo-song", demo.title()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (FormatException e) {
            throw new IllegalStateException(e);
        }
    }

    private void refused(String reason) {
        solver.busy(false);
        String kept = project.get() == null
                ? ""
                : wording("Workbench.stays-open", project.get().song().title());
        message.set(Message.error(reason + (reason.endsWith(".") ? "" : ".") + kept));
    }

    private void opened(Reading reading, String from) {
        List<String> report = reading.report();
        String more = report.isEmpty()
                ? "."
                : ": " + report.get(0)
                        + (report.size() > 1 ? wording("Workbench.more-lines-stand-in-song", report.size() - 1) : ".");
        Project fresh = Project.of(reading.song(), shelf.library().setup());
        Project tuned = asNow(fresh);
        Project next = reading.written().map(tuned::withWritten).orElse(tuned);
        begin(Document.unnamed(next), wording("Workbench.opened-2", from, more));
    }

    /** Another song by the same school; tuning, capo and patterns belong to the song before. */
    private Project asNow(Project fresh) {
        return project()
                .map(now -> fresh.withPicking(Picking.PLAIN
                        .withSchool(now.picking().school())
                        .withPlace(now.picking().place())))
                .orElse(fresh);
    }

    /** Changes the song itself. */
    public void editSong(String what, UnaryOperator<Song> change) {
        edit(what, now -> now.withSong(change.apply(now.song())));
    }

    /** Puts bars in or takes them out; what is anchored to the song moves along. */
    public void editBars(String what, Function<Song, BarEdit.Edited> change) {
        edit(what, now -> now.withBars(change.apply(now.song())));
    }

    /** Takes a chart; where it has bars more or less in the middle, tune, locks and picking move along. */
    public void editChart(ChartText chart) {
        edit(wording("Workbench.chart"), now -> {
            Song next = chart.over(now.song());
            return ChartText.moved(now.song(), next)
                    .map(moved -> now.withBars(new BarEdit.Edited(next, moved)))
                    .orElseGet(() -> now.withSong(next));
        });
    }

    /**
     * Moves the song to another key by the nearest way. Locks are released: their shapes belong to the key before.
     *
     * @param text a tonic such as G; with the word capo after it the shapes stay and a capo brings them there
     */
    public void setKey(String text) {
        edit(
                wording("Workbench.key", text.trim()),
                now -> now.inKey(NoteNames.current().english(text)));
    }

    /** Starts an empty song on the player's guitar. */
    public void newSong() {
        file.readFromNone();
        Song empty = TuneEdit.empty(wording("Workbench.new-song"), Key.C_MAJOR, NEW_TEMPO, Meter.COMMON, 1);
        Project fresh = Project.of(empty, shelf.library().setup());
        begin(Document.unnamed(asNow(fresh)), wording("Workbench.a-new-song-type-its"));
    }

    /** Moves the song to another key, tuning and capo. Locks are released: their shapes belong to the key before. */
    public void moveTo(KeyAdvice way) {
        edit(
                wording(
                        "Workbench.key-capo",
                        way.key(),
                        way.capo(),
                        project()
                                .filter(now -> !now.instrument().tuning().equals(way.tuning()))
                                .map(now -> wording(
                                        "Workbench.tuning-2", way.tuning().label()))
                                .orElse("")),
                now -> now.inKey(
                        now.song().transpose(way.keySemitones()),
                        now.instrument().withTuning(way.tuning()).withCapo(way.capo()),
                        false));
    }

    public void setCapo(int capo) {
        edit(
                wording("Workbench.capo", capo),
                now -> now.withInstrument(now.instrument().withCapo(capo)));
    }

    /** Sets the tuning from its notes or its name. */
    public void setTuning(String text) {
        edit(
                wording("Workbench.tuning", text),
                now -> now.withInstrument(now.instrument().withTuning(shelf.tuning(text))));
    }

    public void setTempo(int tempo) {
        edit(wording("Workbench.tempo", tempo), now -> now.withSong(now.song().withTempo(tempo)));
    }

    public void setPartialCapo(Optional<PartialCapo> capo) {
        String what = capo.map(PartialCapo::label)
                .map(label -> wording("Workbench.partial-capo-at", label))
                .orElse(wording("Workbench.no-partial-capo"));
        edit(what, now -> now.withInstrument(now.instrument().withPartial(capo)));
    }

    /** Puts another guitar into the lap, or other strings on it; the next song starts with it too. */
    public void setGuitar(Guitar guitar, StringSet strings, String what) {
        edit(what, now -> now.withGuitar(guitar, strings));
        keepSetup();
    }

    /** Changes what is known of the hand; the next song starts with it too. */
    public void setHand(UnaryOperator<Hand> change, String what) {
        edit(what, now -> now.withHand(change.apply(now.hand())));
        keepSetup();
    }

    /** Changes how the right hand plays. */
    public void setPicking(String what, UnaryOperator<Picking> change) {
        edit(what, now -> now.withPicking(change.apply(now.picking())));
    }

    /** Holds a shape; locks that it overlaps are released. */
    public void lock(ShapeLock lock) {
        edit(wording("Workbench.lock-from", lock.held().shape(), placeOf(lock)), now -> now.withLock(lock));
    }

    /** Keeps a decision of the player, or lets it go. */
    public void decide(String what, UnaryOperator<Project> change) {
        edit(what, now -> {
            Project next = change.apply(now);
            if (next.equals(now)) {
                message.set(Message.plain(wording("Workbench.that-is-so-already", what)));
            }
            return next;
        });
    }

    /** Keeps the whole song to a way that goes faster. */
    public void take(FasterWay way) {
        edit(
                String.format(Words.figures(), wording("Workbench.the-way-that-goes-to"), Math.floor(way.ceiling())),
                now -> now.lockedTo(way.locks()));
    }

    /** Lets the engine choose again; where the chart itself gives the frets, they are taken out of it. */
    public void release(ShapeLock lock) {
        edit(wording("Workbench.release-of-from", lock.held().shape(), placeOf(lock)), now -> now.locks().stream()
                .filter(own -> own.equals(lock)
                        || own instanceof CascadeLock cascade && cascade.shape().equals(lock))
                .findFirst()
                .map(now::withoutLock)
                .orElseGet(() -> now.withSong(withoutFrets(now.song(), lock.startTick()))));
    }

    private Song withoutFrets(Song song, int tick) {
        // what is shown has a name for every chord
        ChordChange free = arrangement().stream()
                .flatMap(now -> now.song().chart().stream())
                .filter(change -> change.startTick() == tick)
                .findFirst()
                .orElseThrow()
                .withoutFrets();
        return song.withChart(song.chart().stream()
                .map(change -> change.startTick() == tick ? free : change)
                .toList());
    }

    private String placeOf(ShapeLock lock) {
        return wording(
                "Workbench.bar",
                project()
                        .map(now -> now.song().barAt(lock.startTick()).number())
                        .orElse(1));
    }

    private void keepSetup() {
        project().ifPresent(now -> shelf.keep(shelf.library().with(now.setup())));
    }

    /** What the player keeps beside the songs. */
    public Shelf shelf() {
        return shelf;
    }

    /** Who has the tune, in which octave, what is held, how phrases end. */
    public void setWishes(String what, UnaryOperator<Wishes> change) {
        edit(what, now -> now.withWishes(change.apply(now.wishes())));
    }

    private interface Edit {
        Project apply(Project now);
    }

    private void edit(String what, Edit edit) {
        Project now = project.get();
        if (now == null) {
            message.set(Message.error(wording("Workbench.no-song-is-open-yet")));
            return;
        }
        try {
            Project next = edit.apply(now);
            if (!next.equals(now)) {
                change(next, wording("Workbench.set", what, EditWords.besides(now, next, what.equals(ANEW))), what);
            }
        } catch (IllegalArgumentException e) {
            message.set(Message.error(wording("Workbench.nothing-was-changed", e.getMessage())));
        }
    }

    /** Another song in place of the one before. */
    private void begin(Document opened, String done) {
        file.begin(opened);
        rescue.saved();
        solve(History.of(opened.saved()), done);
    }

    /** Opens work that was never saved; it counts as changed, beside the file it belongs to. */
    public void rescue(Rescue.Found found) {
        Project work = found.work().project();
        Document own = found.work()
                .file()
                .flatMap(Workbench::read)
                .orElseGet(() -> Document.unnamed(
                        Project.of(TuneEdit.empty("", Key.C_MAJOR, NEW_TEMPO, Meter.COMMON, 1), work.setup())));
        own.file()
                .ifPresentOrElse(
                        from -> file.readFrom(OpenDocument.Source.project(from, List.of())), file::readFromNone);
        file.begin(own);
        solve(
                History.of(work),
                wording("Workbench.unsaved-work-of-is-open", work.song().title()));
        rescue.taken(found);
    }

    /** Unsaved work that was found is not wanted. */
    public void putAway(Rescue.Found found) {
        rescue.putAway(found);
    }

    private static Optional<Document> read(Path file) {
        try {
            ProjectFile.Opened opened = new ProjectFile().open(file);
            return opened.report().isEmpty() ? Optional.of(Document.in(file, opened.project())) : Optional.empty();
        } catch (FormatException e) {
            return Optional.empty();
        }
    }

    private void change(Project next, String done, String what) {
        solve(history.orElseThrow().then(next, what), wording("Workbench.ctrl-z-takes-it-back", done));
    }

    public void undo() {
        history.flatMap(History::back)
                .ifPresentOrElse(
                        back -> go(
                                back,
                                wording(
                                        "Workbench.took-back-ctrl-y-brings",
                                        back.later().get(0).what())),
                        () -> message.set(Message.plain(wording("Workbench.there-is-nothing-to-take"))));
    }

    public void redo() {
        history.flatMap(History::again)
                .ifPresentOrElse(
                        again -> go(
                                again,
                                wording(
                                        "Workbench.again-ctrl-z-takes-it",
                                        again.earlier().get(0).what())),
                        () -> message.set(Message.plain(wording("Workbench.there-is-nothing-to-bring"))));
    }

    private void go(History there, String done) {
        boolean otherSetup =
                !there.now().setup().equals(history.orElseThrow().now().setup());
        solve(there, done);
        if (otherSetup) {
            keepSetup();
        }
        returns.forEach(told -> told.accept(there.tick()));
    }

    /** Notes where the player is in the song: a step that is taken back leads there again. */
    public void at(int tick) {
        history = history.map(now -> now.at(tick));
    }

    /** Tells where the player was, in ticks, when a step is taken back or brought again. */
    public void onReturn(IntConsumer told) {
        returns.add(told);
    }

    /** Looks for other ways, faster ones, and levels. */
    public Solver solver() {
        return solver;
    }

    private void solve(History next, String done) {
        show(next);
        solver.solve(next, done);
    }

    /** Gives up all work in hand: the window closes. */
    void stop() {
        solver.stop();
    }

    /** Gives up the work in hand; the project goes back to the one that is shown. */
    public void cancel() {
        project().ifPresent(solver::cancel);
    }

    /** An edit was stopped, or could not be solved. */
    private void goBack(History shown) {
        show(shown);
        returns.forEach(told -> told.accept(shown.tick()));
    }

    private void show(History next) {
        history = Optional.of(next);
        project.set(next.now());
        file.tell(next.now());
    }

    /** Arranges the tune of notes that were written afresh. */
    public void arrangeAnew() {
        edit(ANEW, Project::anew);
    }

    /** The file of the open song: where it stands, whether it has changed. */
    public OpenDocument file() {
        return file;
    }

    /** Whether there is something that would be lost without saving. */
    public boolean isChanged() {
        return project().filter(file::isChanged).isPresent();
    }

    /** The player does not want what is not saved. */
    public void dropChanges() {
        rescue.saved();
    }

    /** Saves the project in the background: the song and all that the player has decided about it. */
    public void save(Path to) {
        save(to, () -> {});
    }

    /**
     * The same.
     *
     * @param then done on the interface thread once it is saved; not when it could not be
     */
    public void save(Path to, Runnable then) {
        project()
                .ifPresentOrElse(
                        now -> file.save(now, to, () -> {
                            file.tell(project.get());
                            message.set(Message.plain(wording("Workbench.saved", to.toAbsolutePath())));
                            then.run();
                        }),
                        () -> message.set(Message.error(wording("Workbench.there-is-no-song-to"))));
    }

    /** Writes the arrangement to a file in the background. */
    public void export(Path file) {
        StringSet strings = project.get() == null ? null : project.get().strings();
        export(file, shown -> Exports.write(shown, file, strings, Exports.HEARD));
    }

    /** How an arrangement is written to a file. */
    public interface Writing {
        /** @throws FormatException naming the file and the reason */
        void write(Arrangement arrangement) throws FormatException;
    }

    /** Writes the arrangement to a file in the background in some way. */
    public void export(Path file, Writing writing) {
        Arrangement shown = solver.arrangementProperty().get();
        if (shown == null) {
            message.set(Message.error(wording("Workbench.there-is-no-arrangement-to")));
            return;
        }
        solver.busy(true);
        background.execute(() -> {
            Message result = written(shown, file, writing);
            interfaceThread.execute(() -> {
                solver.busy(false);
                message.set(result);
            });
        });
    }

    private static Message written(Arrangement shown, Path file, Writing writing) {
        try {
            writing.write(shown);
            String lacks = Exports.cannotHold(file);
            return Message.plain(wording(
                    "Workbench.wrote",
                    file.toAbsolutePath(),
                    lacks.isEmpty() ? "" : wording("Workbench.it-holds", lacks)));
        } catch (FormatException e) {
            return Message.error(e.getMessage());
        }
    }

    /** Shows a line at the bottom of the window. */
    public void say(Message line) {
        message.set(line);
    }
}
