package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.beans.value.ObservableValue;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.shape.SVGPath;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Chip;
import phalanx.desktop.widget.ChoiceEditor;
import phalanx.guitar.Instrument;
import phalanx.guitar.NamedTuning;
import phalanx.project.Project;
import phalanx.righthand.Level;
import phalanx.song.Song;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.words.Words;

/** Song title, the chips for tuning, capo, key, tempo, tune and level, play, open and export. */
final class TopBar extends HBox {
    private static final String PLAY = "M0 0 L14 8 L0 16 Z";
    private static final String STOP = "M0 0 H14 V14 H0 Z";
    private static final int MOST_CAPO_CHOICES = 9;
    private static final int[] TEMPO_STEPS = {-20, -10, -5, 5, 10, 20};

    /**
     * What the buttons do.
     *
     * @param open choose a song
     * @param openFile open one
     * @param export choose a file to write
     * @param pages show what would be printed
     * @param play start or stop
     * @param retune go to the retuning steps
     */
    record Actions(
            Runnable open,
            Consumer<Path> openFile,
            Consumer<Demo> demo,
            Runnable export,
            Runnable pages,
            Runnable play,
            Runnable retune) {}

    private static final List<String> TONICS = List.of("C", "Db", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B");

    /** The choice about a sung tune's sound. */
    private static final String VOICE = "voice";

    /** Chips that are understood by their value. */
    private static final Set<String> SPEAKING = Set.of("tuning", "tune", "level", "speed");

    private static final double WIDE = 1200;
    private static final PseudoClass TIGHT = PseudoClass.getPseudoClass("tight");

    private final Workbench workbench;
    private final Playback playback;
    private Supplier<List<Path>> recentFiles = List::of;

    TopBar(Workbench workbench, Playback playback, Actions actions) {
        this.workbench = workbench;
        this.playback = playback;
        getStyleClass().add("top");
        Label title = new Label();
        title.setId("title");
        title.getStyleClass().add("title");
        title.setMinWidth(40);
        title.textProperty().bind(project(project -> project.song().title()).orElse("Phalanx"));
        Tooltip whole = new Tooltip();
        whole.textProperty().bind(title.textProperty());
        title.setTooltip(whole);
        Region space = new Region();
        setHgrow(space, Priority.ALWAYS);
        getChildren()
                .addAll(
                        title,
                        space,
                        tuning(actions.retune),
                        capo(),
                        key(),
                        tempo(),
                        tune(),
                        level(),
                        play(playback, actions.play),
                        speed());
        getChildren()
                .add(plain("open", wording("TopBar.open"), wording("TopBar.open-a-lead-sheet-ctrl"), actions.open));
        getChildren().add(recent(actions));
        getChildren().add(export(actions));
        widthProperty().addListener((property, before, now) -> fit(now.doubleValue()));
    }

    /** In a narrow window all stands closer, and the chips whose values speak for themselves go without their names. */
    private void fit(double width) {
        lookupAll(".chip").stream()
                .filter(node -> node instanceof Chip && SPEAKING.contains(node.getId()))
                .forEach(node -> ((Chip) node).showName(width >= WIDE));
        pseudoClassStateChanged(TIGHT, width < WIDE);
    }

    /** Takes what lists the songs that were open lately. */
    void useRecent(Supplier<List<Path>> files) {
        recentFiles = files;
    }

    private Node export(Actions actions) {
        Button button = plain("export", wording("TopBar.export"), wording("TopBar.pages-to-print-ctrl-p"), () -> {});
        MenuItem pages = new MenuItem(wording("TopBar.pages-to-print-look-at"));
        pages.setOnAction(chosen -> actions.pages.run());
        MenuItem file = new MenuItem(wording("TopBar.notes-or-sound-musicxml-tablature"));
        file.setOnAction(chosen -> actions.export.run());
        ContextMenu menu = new ContextMenu(pages, file);
        button.setOnAction(event -> menu.show(button, Side.BOTTOM, 0, 4));
        return button;
    }

    private Node recent(Actions actions) {
        Button button = plain("recent", "\u25be", wording("TopBar.songs-that-were-open-lately"), () -> {});
        button.getStyleClass().add("narrow");
        ContextMenu menu = new ContextMenu();
        button.setOnAction(event -> {
            menu.getItems().clear();
            for (Path file : recentFiles.get()) {
                MenuItem item = new MenuItem(file.getFileName() + "   " + file.getParent());
                item.setMnemonicParsing(false);
                item.setOnAction(chosen -> actions.openFile.accept(file));
                menu.getItems().add(item);
            }
            if (menu.getItems().isEmpty()) {
                MenuItem none = new MenuItem(wording("TopBar.no-song-was-opened-from"));
                none.setDisable(true);
                menu.getItems().add(none);
            }
            menu.getItems().add(new SeparatorMenuItem());
            for (Demo demo : Demo.values()) {
                MenuItem item = new MenuItem(wording("TopBar.demo", demo.title()));
                item.setOnAction(chosen -> actions.demo.accept(demo));
                menu.getItems().add(item);
            }
            menu.show(button, Side.BOTTOM, 0, 4);
        });
        return button;
    }

    private <T> ObservableValue<T> project(Function<Project, T> of) {
        return workbench.projectProperty().map(of);
    }

    private Node tuning(Runnable retune) {
        Chip chip = new Chip("tuning", wording("TopBar.tuning"), wording("TopBar.tuning-by-name-or-by"));
        chip.valueProperty()
                .bind(project(project -> project.instrument().tuning().label()).orElse("-"));
        chip.setEditor(() -> {
            ChoiceEditor editor = new ChoiceEditor(
                    wording("TopBar.notes-from-the-lowest-string"), "D A D G B E", applied(workbench::setTuning, chip));
            for (NamedTuning named : NamedTuning.values()) {
                editor.addChoice(named.label(), named.label());
            }
            workbench
                    .shelf()
                    .libraryProperty()
                    .get()
                    .tunings()
                    .forEach(own -> editor.addChoice(own.name(), own.name()));
            editor.addAction(wording("TopBar.how-to-retune-string-by"), () -> {
                chip.close();
                retune.run();
            });
            editor.addCaution(wording("TopBar.tune-up-by-a-tone"));
            return editor;
        });
        return chip;
    }

    private Node capo() {
        Chip chip = new Chip("capo", wording("TopBar.capo"), wording("TopBar.fret-of-the-capo"));
        chip.valueProperty()
                .bind(project(project -> project.instrument().capo())
                        .map(capo -> capo == 0 ? wording("TopBar.none") : capo.toString())
                        .orElse("-"));
        chip.setEditor(() -> {
            ChoiceEditor editor = new ChoiceEditor(
                    wording("TopBar.fret-0-to", Instrument.HIGHEST_CAPO),
                    "0",
                    applied(text -> number(text, wording("TopBar.capo"), workbench::setCapo), chip));
            for (int fret = 0; fret <= MOST_CAPO_CHOICES; fret++) {
                editor.addChoice(
                        fret == 0 ? wording("TopBar.none") : wording("TopBar.fret", fret), String.valueOf(fret));
            }
            return editor;
        });
        return chip;
    }

    private Node key() {
        Chip chip = new Chip("key", wording("TopBar.key"), wording("TopBar.the-key-as-fingered-and"));
        chip.valueProperty()
                .bind(workbench.arrangementProperty().map(TopBar::keyText).orElse("-"));
        chip.setEditor(() -> {
            ChoiceEditor editor = new ChoiceEditor(
                    wording("TopBar.key-to-move-the-song"),
                    workbench
                            .project()
                            .map(project -> project.song().key().tonic().spoken())
                            .orElse("C"),
                    applied(workbench::setKey, chip));
            for (String tonic : TONICS) {
                editor.addChoice(Note.said(tonic), Note.said(tonic));
            }
            editor.addCaution(wording("TopBar.locks-are-released-their-shapes"));
            return editor;
        });
        return chip;
    }

    private static String keyText(Arrangement arrangement) {
        Key sounding = arrangement.song().key();
        int capo = arrangement.request().instrument().capo();
        return capo == 0 ? sounding.spoken() : wording("TopBar.sounds", sounding.transpose(-capo), sounding);
    }

    private Node tempo() {
        Chip chip = new Chip("tempo", wording("TopBar.tempo"), wording("TopBar.quarter-notes-a-minute"));
        chip.valueProperty()
                .bind(project(project -> String.valueOf(project.song().tempo())).orElse("-"));
        chip.setEditor(() -> {
            int now = workbench.project().map(project -> project.song().tempo()).orElse(0);
            ChoiceEditor editor = new ChoiceEditor(
                    wording("TopBar.quarter-notes-a-minute-to", Song.SLOWEST, Song.FASTEST),
                    String.valueOf(now),
                    applied(text -> number(text, wording("TopBar.tempo"), workbench::setTempo), chip));
            for (int step : TEMPO_STEPS) {
                editor.addChoice(
                        wording("TopBar.to", (step > 0 ? "+" : "") + step, now + step), String.valueOf(now + step));
            }
            return editor;
        });
        return chip;
    }

    private Node tune() {
        Chip chip = new Chip("tune", wording("TopBar.tune"), wording("TopBar.who-has-the-tune-and"));
        chip.valueProperty()
                .bind(workbench.arrangementProperty().map(TopBar::tuneText).orElse("-"));
        chip.setEditor(() -> {
            ChoiceEditor editor = new ChoiceEditor(
                    wording("TopBar.played-sung-or-none-an"),
                    workbench
                            .project()
                            .map(project -> project.wishes().tune().label())
                            .orElse(""),
                    applied(this::setTune, chip));
            for (TuneUse use : TuneUse.values()) {
                editor.addChoice(use.label(), use.label());
            }
            if (sung()) {
                editor.addChoice(
                        playback.hearsSungTune()
                                ? wording("TopBar.silent-when-played")
                                : wording("TopBar.heard-softly-when-played"),
                        VOICE);
            }
            editor.addChoice(wording("TopBar.octave-where-it-lies-best"), Octave.BEST.label());
            editor.addChoice(wording("TopBar.octave-as-written"), Octave.AS_WRITTEN.label());
            editor.addChoice(wording("TopBar.an-octave-lower"), Octave.DOWN.label());
            editor.addChoice(wording("TopBar.an-octave-higher"), Octave.UP.label());
            workbench.arrangement().flatMap(Arrangement::octave).ifPresent(choice -> editor.addCaution(choice.words()));
            return editor;
        });
        return chip;
    }

    private boolean sung() {
        return workbench
                .arrangement()
                .filter(now -> now.request().tune() == TuneUse.SUNG)
                .isPresent();
    }

    private void setTune(String text) {
        if (text.trim().equals(VOICE)) {
            playback.setHearsSungTune(!playback.hearsSungTune());
            workbench.say(Message.plain(
                    playback.hearsSungTune()
                            ? wording("TopBar.the-sung-tune-is-heard")
                            : wording("TopBar.the-sung-tune-is-not")));
            return;
        }
        boolean octave =
                Arrays.stream(Octave.values()).anyMatch(one -> one.label().equalsIgnoreCase(text.trim()));
        workbench.setWishes(
                octave ? wording("TopBar.the-tune-s-octave", text.trim()) : wording("TopBar.the-tune", text.trim()),
                wishes -> octave ? wishes.withOctave(Octave.parse(text)) : wishes.withTune(TuneUse.parse(text)));
    }

    private static String tuneText(Arrangement arrangement) {
        int octaves = Math.floorDiv(arrangement.movedBy(), 12);
        String use = arrangement.request().tune().label();
        return octaves == 0 || arrangement.request().tune() != TuneUse.PLAYED
                ? use
                : wording("TopBar.oct", use, octaves > 0 ? "+" : "−", Math.abs(octaves));
    }

    private Node level() {
        Chip chip = new Chip("level", wording("TopBar.level-word"), wording("TopBar.how-much-is-played-plain"));
        chip.valueProperty()
                .bind(project(project -> project.picking().plan().level().label())
                        .orElse("-"));
        chip.setEditor(() -> {
            ChoiceEditor editor = new ChoiceEditor(
                    wording("TopBar.plain-thumb-and-tune-even"),
                    workbench
                            .project()
                            .map(project -> project.picking().plan().level().label())
                            .orElse(""),
                    applied(this::setLevel, chip));
            for (Level level : Level.values()) {
                editor.addChoice(level.label(), level.label());
            }
            Label figures = new Label(wording("TopBar.effort-and-ceiling-of-each"));
            figures.setId("level-figures");
            figures.setWrapText(true);
            figures.getStyleClass().add("quiet");
            editor.getChildren().add(figures);
            workbench.project().ifPresent(project -> workbench
                    .solver()
                    .levels(
                            project,
                            all -> figures.setText(all.stream()
                                    .map(one -> String.format(
                                            Words.figures(),
                                            wording("TopBar.effort-ceiling-bpm"),
                                            one.level().label(),
                                            one.effort(),
                                            Math.floor(one.tempoCeiling())))
                                    .collect(Collectors.joining("\n")))));
            return editor;
        });
        return chip;
    }

    private void setLevel(String text) {
        try {
            Level level = Level.parse(text);
            workbench.setPicking(wording("TopBar.level", level.label()), picking -> picking.withLevel(level));
        } catch (IllegalArgumentException e) {
            workbench.say(Message.error(wording("TopBar.nothing-was-changed", e.getMessage())));
        }
    }

    private static Consumer<String> applied(Consumer<String> set, Chip chip) {
        return text -> {
            chip.close();
            set.accept(text);
        };
    }

    private void number(String text, String what, Consumer<Integer> set) {
        if (text.trim().matches("\\d{1,4}")) {
            set.accept(Integer.parseInt(text.trim()));
        } else {
            workbench.say(Message.error(wording("TopBar.is-not-a-number-for", text, what)));
        }
    }

    private Node play(Playback playback, Runnable play) {
        SVGPath icon = new SVGPath();
        icon.getStyleClass().add("icon");
        icon.contentProperty().bind(playback.playingProperty().map(playing -> playing ? STOP : PLAY));
        Button button = new Button("", icon);
        button.setId("play");
        button.getStyleClass().add("play");
        button.setAccessibleText(wording("TopBar.play-or-stop"));
        button.setTooltip(new Tooltip(wording("TopBar.play-from-the-selected-moment")));
        button.setOnAction(event -> play.run());
        HBox.setMargin(button, new Insets(0, 8, 0, 8));
        return button;
    }

    private Node speed() {
        Chip chip = new Chip("speed", wording("TopBar.speed"), wording("TopBar.how-it-is-played-speed"));
        chip.valueProperty().bind(playback.habitsProperty().map(TopBar::speedText));
        chip.setEditor(() -> new SoundPanel(playback));
        return chip;
    }

    private static String speedText(Playback.Habits habits) {
        boolean some = habits.mix().levels().entrySet().stream()
                .anyMatch(level -> level.getKey().isUsual() && level.getValue() == 0);
        return habits.percent() + " %" + (habits.loop() ? wording("TopBar.loop") : "") + (some ? " \u2026" : "");
    }

    private static Button plain(String id, String text, String help, Runnable action) {
        Button button = new Button(text);
        button.setId(id);
        button.getStyleClass().add("plain");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setTooltip(new Tooltip(help));
        button.setAlignment(Pos.CENTER);
        button.setOnAction(event -> action.run());
        return button;
    }
}
