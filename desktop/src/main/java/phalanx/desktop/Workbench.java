package phalanx.desktop;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Function;
import java.util.function.IntConsumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import phalanx.arrange.advice.FasterWay;
import phalanx.arrange.advice.KeyAdvice;
import phalanx.arrange.demand.CascadeLock;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.session.Document;
import phalanx.desktop.session.History;
import phalanx.desktop.session.Message;
import phalanx.desktop.session.Rescue;
import phalanx.desktop.session.Solver;
import phalanx.formats.SongFiles;
import phalanx.formats.library.Library;
import phalanx.formats.library.LibraryFile;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.PartialCapo;
import phalanx.guitar.StringSet;
import phalanx.guitar.Tuning;
import phalanx.project.Answers;
import phalanx.project.Project;
import phalanx.project.Version;
import phalanx.righthand.Picking;
import phalanx.song.BarEdit;
import phalanx.song.ChartText;
import phalanx.song.ChordChange;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.TuneEdit;
import phalanx.theory.Key;

/**
 * The open project and its arrangement. Every change of the project solves it anew in the background; a change that
 * comes meanwhile makes the earlier result void. All properties change on the interface thread.
 */
public final class Workbench {
    private static final String ANEW = "the song to be arranged anew";

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
            new ReadOnlyObjectWrapper<>(Message.plain("Open a lead sheet: Ctrl+O, or drop a file here."));
    private final ReadOnlyObjectWrapper<Source> source = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Library> library = new ReadOnlyObjectWrapper<>(Library.FIRST);
    private final LibraryFile libraryFile;
    /** The document whose change by another program was told. */
    private Document noticed;

    private final ReadOnlyObjectWrapper<Document> document = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyStringWrapper title = new ReadOnlyStringWrapper("Phalanx");

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
        this.libraryFile = libraryFile;
        this.rescue = rescue;
        this.solver = new Solver(background, interfaceThread, message, this::goBack, answers);
        library.set(readLibrary());
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
        source().ifPresent(now -> open(now.file(), choice));
    }

    private void open(Path file, Choice choice) {
        solver.busy(true);
        background.execute(() -> {
            try {
                if (ProjectFile.isProject(file)) {
                    ProjectFile.Opened opened = new ProjectFile().open(file);
                    boolean later = !opened.report().isEmpty();
                    Document saved = later ? Document.unnamed(opened.project()) : Document.in(file, opened.project());
                    String words = later ? " A later Phalanx wrote it: what was left out stands in Song." : "";
                    interfaceThread.execute(() -> {
                        source.set(new Source(file, List.of(), Choice.LIKELIEST, opened.report()));
                        begin(saved, "Opened " + file.getFileName() + "." + words);
                    });
                    return;
                }
                Reading reading = SongFiles.read(file, choice);
                interfaceThread.execute(() -> {
                    source.set(
                            new Source(file, reading.choices(), choice.withTune(reading.chosen()), reading.report()));
                    opened(reading, String.valueOf(file.getFileName()));
                });
            } catch (FormatException e) {
                interfaceThread.execute(() -> refused(e.getMessage()));
            }
        });
    }

    /**
     * The file that was opened last.
     *
     * @param file where
     * @param choices its parts, tracks or tunes by name; empty where there is one
     * @param chosen which of them are open
     * @param report what was mended or left out, a line for each
     */
    public record Source(Path file, List<String> choices, Choice chosen, List<String> report) {
        public Source {
            choices = List.copyOf(choices);
            report = List.copyOf(report);
        }
    }

    public Optional<Source> source() {
        return Optional.ofNullable(source.get());
    }

    public ReadOnlyObjectProperty<Source> sourceProperty() {
        return source.getReadOnlyProperty();
    }

    /** Opens the song that is shipped as a first example. */
    public void openDemo() {
        openDemo(Demo.SLATE_HARBOUR);
    }

    /** Opens a song that is shipped as an example. */
    public void openDemo(Demo demo) {
        source.set(null);
        try (InputStream in = Workbench.class.getResourceAsStream(demo.resource())) {
            byte[] bytes = in.readAllBytes();
            if (demo == Demo.SLATE_HARBOUR) {
                opened(new MusicXmlReader("Demo").read(bytes), "the demo song");
            } else {
                begin(Document.unnamed(new ProjectFile().read(bytes)), "Opened the demo song " + demo.title() + ".");
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (FormatException e) {
            throw new IllegalStateException(e);
        }
    }

    private void refused(String reason) {
        solver.busy(false);
        String kept = project.get() == null ? "" : " " + project.get().song().title() + " stays open.";
        message.set(Message.error(reason + (reason.endsWith(".") ? "" : ".") + kept));
    }

    private void opened(Reading reading, String from) {
        List<String> report = reading.report();
        String more = report.isEmpty()
                ? ""
                : " " + report.get(0)
                        + (report.size() > 1 ? " (" + (report.size() - 1) + " more lines stand in Song)." : ".");
        Project fresh = Project.of(reading.song(), library.get().setup());
        Project tuned = asNow(fresh);
        Project next = reading.written().map(tuned::withWritten).orElse(tuned);
        begin(Document.unnamed(next), "Opened " + from + "." + more);
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
        edit("chart", now -> {
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
        boolean byCapo = text.trim().toLowerCase(Locale.ROOT).endsWith("capo");
        // a minor song stays minor, whether the player types A or Am
        String tonic = text.trim().replaceFirst("(?i)\\s*capo$", "").replaceFirst("(?<=[A-Ga-g#b])m$", "");
        edit("key " + text.trim(), now -> {
            Key key = now.song().key();
            Key wanted = Key.parse(tonic
                    + (key.mode() == Key.Mode.MAJOR
                            ? ""
                            : " " + key.mode().name().toLowerCase(Locale.ROOT)));
            int up = Math.floorMod(wanted.tonic().pitchClass() - key.tonic().pitchClass(), 12);
            if (byCapo) {
                int higher = now.instrument().capo() + up;
                int steps = higher > Instrument.HIGHEST_CAPO ? up - 12 : up;
                return now.inKey(
                        now.song().transpose(steps).inKey(wanted),
                        now.instrument().withCapo(now.instrument().capo() + steps),
                        true);
            }
            int near = up > 6 ? up - 12 : up;
            Song moved = now.song().transpose(near).inKey(wanted);
            return near == 0 ? now.withSong(moved) : now.inKey(moved, now.instrument(), false);
        });
    }

    /** Starts an empty song on the player's guitar. */
    public void newSong() {
        source.set(null);
        Song empty = TuneEdit.empty("New song", Key.C_MAJOR, NEW_TEMPO, Meter.COMMON, 1);
        Project fresh = Project.of(empty, library.get().setup());
        begin(Document.unnamed(asNow(fresh)), "A new song. Type its chart.");
    }

    /** Moves the song to another key, tuning and capo. Locks are released: their shapes belong to the key before. */
    public void moveTo(KeyAdvice way) {
        edit(
                "key " + way.key() + ", capo " + way.capo()
                        + project()
                                .filter(now -> !now.instrument().tuning().equals(way.tuning()))
                                .map(now -> ", tuning " + way.tuning().label())
                                .orElse(""),
                now -> now.inKey(
                        now.song().transpose(way.keySemitones()),
                        now.instrument().withTuning(way.tuning()).withCapo(way.capo()),
                        false));
    }

    public void setCapo(int capo) {
        edit("capo " + capo, now -> now.withInstrument(now.instrument().withCapo(capo)));
    }

    /** Sets the tuning from its notes or its name. */
    public void setTuning(String text) {
        edit("tuning " + text, now -> now.withInstrument(now.instrument().withTuning(tuning(text))));
    }

    /** A tuning by its notes, by a known name or by a name of the player's own. */
    public Tuning tuning(String text) {
        return library.get().tunings().stream()
                .filter(own -> own.name().equalsIgnoreCase(text.trim()))
                .map(Library.OwnTuning::tuning)
                .findFirst()
                .orElseGet(() -> Tuning.parse(text));
    }

    public void setTempo(int tempo) {
        edit("tempo " + tempo, now -> now.withSong(now.song().withTempo(tempo)));
    }

    public void setPartialCapo(Optional<PartialCapo> capo) {
        String what = capo.map(PartialCapo::label)
                .map(label -> "partial capo at " + label)
                .orElse("no partial capo");
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
        edit("lock " + lock.held().shape() + " from " + placeOf(lock), now -> now.withLock(lock));
    }

    /** Keeps a decision of the player, or lets it go. */
    public void decide(String what, UnaryOperator<Project> change) {
        edit(what, now -> {
            Project next = change.apply(now);
            if (next.equals(now)) {
                message.set(Message.plain("That is so already: " + what + "."));
            }
            return next;
        });
    }

    /** Keeps the whole song to a way that goes faster. */
    public void take(FasterWay way) {
        edit(
                String.format(Locale.ROOT, "the way that goes to %.0f bpm", Math.floor(way.ceiling())),
                now -> now.lockedTo(way.locks()));
    }

    /** Lets the engine choose again; where the chart itself gives the frets, they are taken out of it. */
    public void release(ShapeLock lock) {
        edit("release of " + lock.held().shape() + " from " + placeOf(lock), now -> now.locks().stream()
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
        return "bar "
                + project()
                        .map(now -> now.song().barAt(lock.startTick()).number())
                        .orElse(1);
    }

    /** What the player keeps beside the songs. */
    public ReadOnlyObjectProperty<Library> libraryProperty() {
        return library.getReadOnlyProperty();
    }

    private void keepSetup() {
        project().ifPresent(now -> keep(library.get().with(now.setup())));
    }

    /** Keeps a changed library, on disk in the background. */
    public void keep(Library changed) {
        if (changed.equals(library.get())) {
            return;
        }
        library.set(changed);
        background.execute(() -> {
            try {
                libraryFile.write(changed);
            } catch (FormatException e) {
                interfaceThread.execute(() -> message.set(Message.error(e.getMessage())));
            }
        });
    }

    /** Reads the library; a broken one is left alone and a fresh one is used until it is mended. */
    private Library readLibrary() {
        try {
            return libraryFile.read().orElse(Library.FIRST);
        } catch (FormatException e) {
            message.set(Message.error(e.getMessage() + " Your saved things are not shown; the file is kept as "
                    + libraryFile.setAside().map(Path::toString).orElse("it is") + "."));
            return Library.FIRST;
        }
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
            message.set(Message.error("No song is open yet. Open one with Ctrl+O."));
            return;
        }
        try {
            Project next = edit.apply(now);
            if (!next.equals(now)) {
                boolean frees = now.written().isPresent() && next.written().isEmpty() && !what.equals(ANEW);
                String freed = frees ? " The notes that were kept as written are arranged anew." : "";
                change(
                        next,
                        "Set " + what + "." + freed + othersFreed(now, next) + goneWithBars(now, next)
                                + gaveWay(now, next),
                        what);
            }
        } catch (IllegalArgumentException e) {
            message.set(Message.error(e.getMessage() + ". Nothing was changed."));
        }
    }

    /** Which other versions were kept as written and are arranged anew from now on. */
    private static String othersFreed(Project now, Project next) {
        String names = now.versions().stream()
                .filter(before -> before.written().isPresent() && before != now.version())
                .filter(before -> next.versions().stream()
                        .anyMatch(after -> after.name().equals(before.name())
                                && after.written().isEmpty()))
                .map(Version::name)
                .collect(Collectors.joining(", "));
        return names.isEmpty() ? "" : " No longer kept as written: version " + names + ".";
    }

    /** Another song in place of the one before. */
    private void begin(Document opened, String done) {
        document.set(opened);
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
        source.set(own.file()
                .map(file -> new Source(file, List.of(), Choice.LIKELIEST, List.of()))
                .orElse(null));
        document.set(own);
        solve(History.of(work), "Unsaved work of " + work.song().title() + " is open. It is not saved yet: Ctrl+S.");
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

    /** A word about notes and locks that went with their bars. */
    private static String goneWithBars(Project before, Project after) {
        if (before.song().bars().equals(after.song().bars())) {
            return "";
        }
        int notes = before.song().melody().size()
                + before.song().bass().size()
                - after.song().melody().size()
                - after.song().bass().size();
        int locks = before.locks().size() - after.locks().size();
        String gone = Stream.of(
                        notes <= 0 ? "" : notes == 1 ? "a note" : notes + " notes",
                        locks <= 0 ? "" : locks == 1 ? "a lock" : locks + " locks")
                .filter(words -> !words.isEmpty())
                .collect(Collectors.joining(" and "));
        return gone.isEmpty()
                ? ""
                : " " + gone.substring(0, 1).toUpperCase(Locale.ROOT) + gone.substring(1) + " went with the bars.";
    }

    /** Which decisions a new one has taken the place of. */
    private static String gaveWay(Project before, Project after) {
        boolean decided = before.song().bars().equals(after.song().bars())
                && !before.locks().containsAll(after.locks());
        String gone = before.locks().stream()
                .filter(lock -> decided && !after.locks().contains(lock))
                .map(lock -> lock.words() + " in bar "
                        + before.song().barAt(lock.startTick()).number())
                .collect(Collectors.joining(", "));
        return gone.isEmpty() ? "" : " It takes the place of " + gone + ".";
    }

    private void change(Project next, String done, String what) {
        solve(history.orElseThrow().then(next, what), done + " Ctrl+Z takes it back.");
    }

    public void undo() {
        history.flatMap(History::back)
                .ifPresentOrElse(
                        back -> go(back, "Took back: " + back.later().get(0).what() + ". Ctrl+Y brings it again."),
                        () -> message.set(Message.plain("There is nothing to take back.")));
    }

    public void redo() {
        history.flatMap(History::again)
                .ifPresentOrElse(
                        again -> go(again, "Again: " + again.earlier().get(0).what() + ". Ctrl+Z takes it back."),
                        () -> message.set(Message.plain("There is nothing to bring again.")));
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
        tellChanges();
    }

    private void tellChanges() {
        Project now = project.get();
        boolean changed = isChanged();
        title.set(now.song().title() + (changed ? " *" : "") + " \u2013 Phalanx");
        if (changed) {
            rescue.changed(now, document.get().file());
        } else {
            rescue.saved();
        }
    }

    /** Whether there is something that would be lost without saving. */
    public boolean isChanged() {
        return project.get() != null && !project.get().equals(document.get().saved());
    }

    /** The song's title, marked where it has unsaved changes. */
    public ReadOnlyStringProperty titleProperty() {
        return title.getReadOnlyProperty();
    }

    /** Whether another program has changed the file of the open project since it was opened or saved. */
    public boolean isChangedOutside() {
        return document.get() != null && document.get().changedOutside();
    }

    /** Says once when another program or window has changed the file of the open project. */
    void noticeOthers() {
        Document now = document.get();
        if (now != null && now.changedOutside() && !now.equals(noticed)) {
            noticed = now;
            String name = String.valueOf(now.file().orElseThrow().getFileName());
            message.set(
                    Message.plain(name + " was changed by another program or window since it was opened here. Ctrl+S"
                            + " asks before it is overwritten; Ctrl+O opens it anew."));
        }
    }

    /** The player does not want what is not saved. */
    public void dropChanges() {
        rescue.saved();
    }

    /** Arranges the tune of notes that were written afresh. */
    public void arrangeAnew() {
        edit(ANEW, Project::anew);
    }

    /** What is open, and where it stands. */
    ReadOnlyObjectProperty<Document> documentProperty() {
        return document.getReadOnlyProperty();
    }

    /** The project file that is open, if the song was opened from one or saved to one. */
    public Optional<Path> projectFile() {
        return Optional.ofNullable(document.get()).flatMap(Document::file);
    }

    /** Saves the project in the background: the song and all that the player has decided about it. */
    public void save(Path file) {
        save(file, () -> {});
    }

    /**
     * The same.
     *
     * @param then done on the interface thread once it is saved; not when it could not be
     */
    public void save(Path file, Runnable then) {
        Project now = project.get();
        if (now == null) {
            message.set(Message.error("There is no song to save yet."));
            return;
        }
        background.execute(() -> {
            try {
                new ProjectFile().write(now, file);
                interfaceThread.execute(() -> {
                    document.set(Document.in(file, now));
                    source.set(new Source(file, List.of(), Choice.LIKELIEST, List.of()));
                    tellChanges();
                    message.set(Message.plain("Saved " + file.toAbsolutePath() + "."));
                    then.run();
                });
            } catch (FormatException e) {
                interfaceThread.execute(() -> message.set(Message.error(e.getMessage())));
            }
        });
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
            message.set(Message.error("There is no arrangement to write yet."));
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
            return Message.plain(
                    "Wrote " + file.toAbsolutePath() + "." + (lacks.isEmpty() ? "" : " It holds " + lacks + "."));
        } catch (FormatException e) {
            return Message.error(e.getMessage());
        }
    }

    /** Shows a line at the bottom of the window. */
    public void say(Message line) {
        message.set(line);
    }
}
