package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.arrange.demand.Added;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.Lock;
import phalanx.desktop.Workbench;
import phalanx.desktop.widget.Cards;
import phalanx.project.Project;
import phalanx.song.Bar;
import phalanx.song.Section;
import phalanx.song.Song;

/** What the player has decided in a bar, to be released one by one or all at once, and the limits of its section. */
final class Decisions extends VBox {
    private static final List<Integer> FRETS = List.of(3, 4, 5, 7, 9, 12);
    private static final String ANY = wording("Decisions.any");

    private final Workbench workbench;
    private final Runnable done;

    /** @param done called after a control was used: the score takes the keys again */
    Decisions(Workbench workbench, Runnable done) {
        super(6);
        this.workbench = workbench;
        this.done = done;
        setId("decisions");
    }

    /** A stretch that limits hold for: a section, or the song where it has none. */
    private record Stretch(int from, int to, String name) {
        static Stretch around(Song song, int tick) {
            Optional<Section> here = song.sections().stream()
                    .filter(section -> section.startTick() <= tick)
                    .reduce((first, later) -> later);
            Optional<Section> next = song.sections().stream()
                    .filter(section -> section.startTick() > tick)
                    .findFirst();
            String before = next.map(section -> wording("Decisions.the-bars-before-section", section.name()))
                    .orElse(wording("Decisions.the-song"));
            return new Stretch(
                    here.map(Section::startTick).orElse(0),
                    song.sectionEnd(tick),
                    here.map(section -> wording("Decisions.section", section.name()))
                            .orElse(before));
        }
    }

    void show(Project project, int tick) {
        Bar bar = project.song().barAt(Math.min(tick, project.song().endTick() - 1));
        List<Lock> here = project.locks().stream()
                .filter(lock -> lock.startTick() < bar.endTick() && lock.endTick() > bar.startTick())
                .toList();
        if (here.isEmpty() && project.written().isPresent()) {
            getChildren().clear();
            return;
        }
        getChildren()
                .setAll(Cards.heading(
                        here.isEmpty()
                                ? wording("Decisions.nothing-decided-in-this-bar")
                                : wording("Decisions.decided-in-this-bar")));
        for (int i = 0; i < here.size(); i++) {
            getChildren().add(line(here.get(i), i + 1));
        }
        long chosen = chosen(project).count();
        if (chosen > 1) {
            getChildren()
                    .add(Cards.button(
                            "release-all",
                            wording("Decisions.release-all-in-the-song", chosen),
                            wording("Decisions.the-engine-chooses-everything-again"),
                            () -> decide(wording("Decisions.release-of-all-decisions"), Decisions::free)));
        }
        if (project.written().isEmpty()) {
            addLimits(project, Stretch.around(project.song(), tick));
        }
    }

    /** What the engine would choose otherwise: added bars it would not. */
    private static Stream<Lock> chosen(Project project) {
        return project.locks().stream().filter(lock -> !(lock instanceof AddedLock));
    }

    /** Without any such lock; notes that were written stay so where locks on their beginnings alone go. */
    private static Project free(Project project) {
        Project free = project;
        for (Lock lock : chosen(project).toList()) {
            free = free.withoutLock(lock);
        }
        return free;
    }

    private HBox line(Lock lock, int number) {
        Label words = new Label(lock.words());
        words.setWrapText(true);
        words.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(words, Priority.ALWAYS);
        Button release = lock instanceof AddedLock added
                ? Cards.button(
                        "release-" + number,
                        wording("Decisions.take-out"),
                        gone(added.what()),
                        () -> decide(takingOut(added), now -> now.without(added)))
                : Cards.button(
                        "release-" + number,
                        wording("Decisions.release"),
                        wording("Decisions.let-the-engine-choose-again", lock.words()),
                        () -> decide(wording("Decisions.release-of", lock.words()), now -> now.withoutLock(lock)));
        release.setMinWidth(USE_PREF_SIZE);
        HBox line = new HBox(8, words, release);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    private static String gone(Added what) {
        if (what instanceof Added.Bars) {
            return wording("Decisions.the-bars-go-with-all-in-them");
        }
        if (what instanceof Added.Bass) {
            return wording("Decisions.the-bass-is-the-pickings-again");
        }
        return what instanceof Added.Tune
                ? wording("Decisions.the-tune-is-as-it-was")
                : wording("Decisions.picked-as-it-was");
    }

    static String takingOut(AddedLock added) {
        return wording("Decisions.without", added.name());
    }

    private void addLimits(Project project, Stretch stretch) {
        Optional<LimitLock> now = project.locks().stream()
                .filter(LimitLock.class::isInstance)
                .map(LimitLock.class::cast)
                .filter(limit -> limit.startTick() == stretch.from && limit.endTick() == stretch.to)
                .findFirst();
        ComboBox<String> fret = new ComboBox<>();
        fret.setId("highest-fret");
        fret.setAccessibleText(wording("Decisions.highest-fret-in", stretch.name));
        fret.getItems().add(ANY);
        FRETS.forEach(one -> fret.getItems().add(String.valueOf(one)));
        fret.setValue(now.filter(limit -> limit.highestFret().isPresent())
                .map(limit -> String.valueOf(limit.highestFret().getAsInt()))
                .orElse(ANY));
        CheckBox barre = new CheckBox(wording("Decisions.no-barre"));
        barre.setId("no-barre");
        barre.setAccessibleText(wording("Decisions.no-barre-in", stretch.name));
        barre.setSelected(now.map(LimitLock::noBarre).orElse(false));
        Runnable change = () -> limit(stretch, now, fret.getValue(), barre.isSelected());
        fret.setOnAction(event -> change.run());
        barre.setOnAction(event -> change.run());
        HBox limits = new HBox(8, Cards.before(wording("Decisions.up-to-fret")), fret, barre);
        limits.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(Cards.quiet(wording("Decisions.limits-in", stretch.name)), limits);
    }

    private void limit(Stretch stretch, Optional<LimitLock> before, String fret, boolean noBarre) {
        OptionalInt highest = fret.equals(ANY) ? OptionalInt.empty() : OptionalInt.of(Integer.parseInt(fret));
        Optional<LimitLock> limit = highest.isPresent() || noBarre
                ? Optional.of(new LimitLock(stretch.from, stretch.to, highest, noBarre))
                : Optional.empty();
        String what = wording(
                "Decisions.in", limit.map(LimitLock::words).orElse(wording("Decisions.no-limits")), stretch.name);
        decide(what, now -> {
            Project free = before.map(now::withoutLock).orElse(now);
            return limit.map(free::withLock).orElse(free);
        });
    }

    private void decide(String what, UnaryOperator<Project> edit) {
        workbench.decide(what, edit);
        done.run();
    }
}
