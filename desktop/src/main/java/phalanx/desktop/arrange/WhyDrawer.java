package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.arrange.advice.FasterWay;
import phalanx.arrange.advice.OtherWay;
import phalanx.arrange.colour.AttackAdvice;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.TempoCeiling;
import phalanx.cost.Effort;
import phalanx.desktop.View;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.ChangeDrawing;
import phalanx.desktop.widget.ChangeWords;
import phalanx.desktop.widget.EffortBars;
import phalanx.desktop.widget.NeckCrop;
import phalanx.lefthand.track.Change;
import phalanx.project.Version;
import phalanx.project.remedy.Remedy;
import phalanx.song.Bar;
import phalanx.song.Moved;
import phalanx.song.Song;
import phalanx.technique.Attack;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/** What the selected moment asks of the hands, and why. */
final class WhyDrawer extends ScrollPane {
    private static final double WIDTH = 320;

    private final Label place = new Label();
    private final NeckCrop neck = new NeckCrop();
    private final VBox notes = new VBox(4);
    private final EffortBars effort = new EffortBars();
    private final Label ceiling = Cards.quiet("");
    private final Label changeTitle = Cards.heading("");
    private final ChangeDrawing drawing = new ChangeDrawing();
    private final VBox moves = new VBox(2);
    /** What the hand does next. */
    private final VBox change = new VBox(4, changeTitle, drawing, moves);

    private final VBox findings = new VBox(8);
    private final VBox ways = new VBox(6);
    /** What holds for the whole song stands at the top. */
    private final VBox written = new VBox(6);

    private final VBox faster = new VBox(6);
    private final Legend legend = new Legend();
    private final Actions actions;
    private View view = View.FIRST;

    /**
     * What the buttons do.
     *
     * @param lock keep the moment as it is, or as another way has it
     * @param release let the engine choose again
     * @param findFaster look for a way that goes faster
     * @param take keep the song to one
     * @param listFindings list those of the whole song
     * @param help look for what helps against a finding
     * @param cure do what helps
     * @param letStand has a finding stand for a reason, or with an empty one count again
     * @param listVersions show the versions of the arrangement
     * @param hearChange play what the hand does next over and over
     */
    record Actions(
            Consumer<ShapeLock> lock,
            Consumer<ShapeLock> release,
            Runnable findFaster,
            Consumer<FasterWay> take,
            Runnable listFindings,
            BiConsumer<Finding, Help> help,
            Consumer<Remedy> cure,
            BiConsumer<Finding, String> letStand,
            Runnable listVersions,
            Runnable hearChange) {}

    /**
     * What comes of looking for help.
     *
     * @param found takes what helps
     * @param givenUp told when the search was stopped
     */
    record Help(Consumer<List<Remedy>> found, Runnable givenUp) {}

    /** @param decisions shown below the findings */
    WhyDrawer(Actions actions, Decisions decisions) {
        this.actions = actions;
        ways.setId("other-ways");
        change.getChildren()
                .add(Cards.button(
                        "hear-change",
                        wording("WhyDrawer.hear-it-over-and-over"),
                        wording("WhyDrawer.this-moment-and-the-next"),
                        actions.hearChange));
        ceiling.setId("bar-ceiling");
        changeTitle.setId("next-change");
        written.setManaged(false);
        place.setId("place");
        place.getStyleClass().add("heading");
        findings.setId("findings");
        // other ways come later than the rest: what is pressed must not move away
        Button all = Cards.button(
                "all-findings",
                wording("WhyDrawer.all-findings-and-figures-f"),
                wording("WhyDrawer.those-of-the-whole-song"),
                actions.listFindings);
        Button versions = Cards.button(
                "all-versions",
                wording("WhyDrawer.versions-and-what-if-v"),
                wording("WhyDrawer.keep-try-and-compare-versions"),
                actions.listVersions);
        VBox content = new VBox(
                place, written, neck, notes, effort, findings, decisions, faster, ways, ceiling, change, all, versions,
                legend);
        content.getStyleClass().add("why");
        getStyleClass().add("why-drawer");
        setContent(content);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setPrefWidth(WIDTH);
        setMinWidth(WIDTH);
        setFocusTraversable(false);
    }

    void useView(View next) {
        view = next;
        neck.useView(next);
        drawing.useView(next);
    }

    /**
     * @param decided whether the player has decided anything in the song
     * @param version that is shown
     */
    void show(Arrangement arrangement, int tick, boolean decided, Version version) {
        Bar bar = arrangement.song().barAt(tick);
        place.setText(Spoken.place(bar, tick));
        ArrangedSlot slot = arrangement.slotAt(tick);
        List<ArrangedNote> struck =
                arrangement.notes().stream().filter(note -> note.tick() == tick).toList();
        List<Integer> strings = struck.stream().map(ArrangedNote::string).toList();
        neck.show(arrangement.request().instrument(), arrangement.request().hand(), slot.fingering(), strings);
        notes.getChildren()
                .setAll(struck.stream().map(note -> noteLine(arrangement, note)).toList());
        AttackKeys.note(arrangement, tick).stream()
                .flatMap(note -> ways(arrangement, note).stream())
                .forEach(words -> notes.getChildren().add(Cards.small(words)));
        effort.show(slot.effort(), view);
        show(neck, true);
        showFindings(arrangement, List.of(bar.number()), wording("WhyDrawer.this-bar"), version);
        legend.show(arrangement, decided, view);
    }

    /**
     * What the hand does next.
     *
     * @param tick where it has come
     */
    void showChange(Arrangement arrangement, int tick, Change next) {
        Bar bar = arrangement.song().barAt(tick);
        changeTitle.setText(wording("WhyDrawer.next-to-bar-beat", bar.number(), Words.figure(bar.beatOf(tick))));
        drawing.show(arrangement.request().instrument(), next);
        moves.getChildren().setAll(ChangeWords.lines(next));
        show(change, true);
    }

    /** From here on the hand stays. */
    void showNoChange() {
        show(change, false);
    }

    /** What it tells about. */
    String place() {
        return place.getText();
    }

    /** What sets the pace of a bar. */
    void showCeiling(Bar bar, TempoCeiling limit) {
        ceiling.setText(String.format(
                Words.figures(),
                wording("WhyDrawer.bar-can-go-to-bpm"),
                bar.number(),
                Math.floor(limit.tempo()),
                limit.reason()));
    }

    /** What marked bars ask of the hands together. */
    void showBars(Arrangement arrangement, Moved.Stretch bars, Version version, List<TempoCeiling> ceilings) {
        Song song = arrangement.song();
        int first = song.barIndexAt(bars.from());
        int last = song.barIndexAt(bars.to() - 1);
        List<Integer> numbers =
                song.bars().subList(first, last + 1).stream().map(Bar::number).toList();
        place.setText(
                first == last
                        ? wording("WhyDrawer.bar-whole", numbers.get(0))
                        : wording("WhyDrawer.bars-to", numbers.get(0), numbers.get(numbers.size() - 1)));
        show(neck, false);
        show(change, false);
        notes.getChildren().clear();
        Effort.Sum sum = new Effort.Sum();
        arrangement.slots().stream()
                .filter(slot -> slot.startTick() >= bars.from() && slot.startTick() < bars.to())
                .forEach(slot -> sum.add(slot.effort()));
        effort.show(sum.done(), view);
        int slowest = IntStream.rangeClosed(first, last)
                .boxed()
                .min(Comparator.comparingDouble(bar -> ceilings.get(bar).tempo()))
                .orElseThrow();
        showCeiling(song.bars().get(slowest), ceilings.get(slowest));
        showFindings(arrangement, numbers, wording("WhyDrawer.these-bars"), version);
        written.getChildren().clear();
        ways.getChildren().clear();
    }

    private static void show(Node node, boolean shown) {
        node.setVisible(shown);
        node.setManaged(shown);
    }

    /** What S, B and H do with a note, where they do something; nearly every note can waver. */
    private static List<String> ways(Arrangement arrangement, ArrangedNote note) {
        AttackLock.Way now = AttackKeys.now(note);
        if (now != AttackLock.Way.PLUCKED) {
            return List.of(wording("WhyDrawer.pluck-it-again", AttackKeys.key(now)));
        }
        AttackAdvice advice = new AttackAdvice(arrangement);
        return Stream.of(AttackLock.Way.SLURRED, AttackLock.Way.BENT, AttackLock.Way.HARMONIC)
                .flatMap(way -> advice.words(note, way).map(words -> AttackKeys.key(way) + ": " + words).stream())
                .toList();
    }

    /** The digit that plucks it, or the sign of its slur. */
    private static String sign(ArrangedNote note) {
        return note.attack() instanceof Attack.Slur slur
                ? slur.kind().sign()
                : note.right().symbol();
    }

    private static Node noteLine(Arrangement arrangement, ArrangedNote note) {
        String pitch = Pitch.printed(note.midi(), arrangement.song().key());
        String finger = note.left()
                .map(left -> wording("WhyDrawer.finger", left.symbol()))
                .orElse(wording("WhyDrawer.open"));
        Label label = new Label(String.format(
                wording("WhyDrawer.6s-3s-string"), sign(note), note.role().label(), pitch, note.string(), finger));
        label.getStyleClass().add("mono");
        label.setStyle("-fx-font-size: 13px;");
        return label;
    }

    /** Shows the lock that holds at the moment, or offers one; other ways follow when they are found. */
    void showLock(ArrangedSlot slot, Optional<ShapeLock> lock) {
        written.getChildren().clear();
        written.setManaged(false);
        ways.getChildren().setAll(Cards.heading(wording("WhyDrawer.other-ways")));
        if (lock.isPresent()) {
            ways.getChildren()
                    .addAll(
                            Cards.quiet(wording(
                                    "WhyDrawer.locked", lock.get().held().shape())),
                            Cards.button(
                                    "release-lock",
                                    wording("WhyDrawer.release-u"),
                                    wording("WhyDrawer.let-the-engine-choose-again"),
                                    () -> actions.release.accept(lock.get())));
            return;
        }
        ways.getChildren()
                .add(Cards.button(
                        "lock-this",
                        wording("WhyDrawer.lock-this-k"),
                        wording("WhyDrawer.keep-this-moment-as-it"),
                        () -> actions.lock.accept(slot.lock())));
    }

    /** Says that the notes are those of a file, and offers to choose them anew. */
    void showWritten(Runnable anew) {
        ways.getChildren().clear();
        written.setManaged(true);
        written.getChildren()
                .setAll(
                        Cards.heading(wording("WhyDrawer.kept-as-written")),
                        Cards.quiet(wording("WhyDrawer.strings-and-frets-are-those")),
                        Cards.button(
                                "arrange-anew",
                                wording("WhyDrawer.arrange-anew"),
                                wording("WhyDrawer.choose-strings-and-frets-afresh"),
                                anew));
    }

    /** Adds other ways, the least additional effort first; choosing one locks it. */
    void showOtherWays(List<OtherWay> found) {
        if (found.isEmpty()) {
            ways.getChildren().add(1, Cards.quiet(wording("WhyDrawer.there-is-no-other-way")));
        }
        int at = 1;
        for (OtherWay way : found) {
            String text = String.format(
                    Locale.ROOT,
                    "%s  %s  %+.1f%s",
                    way.held().shape(),
                    String.join("", way.held().fingers()).replace('0', '-'),
                    way.moreEffort(),
                    way.decides().map(term -> ", " + term.label()).orElse(""));
            Button button = Cards.button(
                    "other-way-" + at,
                    text,
                    wording("WhyDrawer.lock-this-way-the-figure"),
                    () -> actions.lock.accept(way.lock()));
            button.setWrapText(true);
            button.setMinWidth(0);
            button.getStyleClass().add("way");
            ways.getChildren().add(at++, button);
        }
    }

    /** Offers to look for a way that goes faster than the song's ceiling. */
    void offerFaster(double ceiling) {
        faster.getChildren()
                .setAll(Cards.button(
                        "find-faster",
                        wording("WhyDrawer.find-a-faster-way"),
                        String.format(Words.figures(), wording("WhyDrawer.look-for-a-way-that"), ceiling),
                        () -> {
                            faster.getChildren().setAll(Cards.quiet(wording("WhyDrawer.looking-for-a-faster-way")));
                            actions.findFaster.run();
                        }));
    }

    void hideFaster() {
        faster.getChildren().clear();
    }

    /** Shows the way that goes faster, if there is one. */
    void showFaster(Optional<FasterWay> found, double ceiling) {
        if (found.isEmpty()) {
            faster.getChildren()
                    .setAll(Cards.quiet(
                            String.format(Words.figures(), wording("WhyDrawer.no-way-was-found-that"), ceiling)));
            return;
        }
        FasterWay way = found.get();
        Button button = Cards.button(
                "faster-way",
                String.format(
                        Words.figures(),
                        wording("WhyDrawer.to-bpm-effort-1f"),
                        Math.floor(way.ceiling()),
                        way.moreEffort()),
                wording("WhyDrawer.lock-the-whole-song-to"),
                () -> actions.take.accept(way));
        button.getStyleClass().add("way");
        faster.getChildren().setAll(Cards.heading(wording("WhyDrawer.a-faster-way")), button);
    }

    private void offerHelp(Finding finding, VBox help, VBox stand, int number) {
        Button helps = Cards.button(
                "helps-" + number,
                wording("WhyDrawer.what-helps"),
                wording("WhyDrawer.tries-changes-on-the-whole"),
                () -> {
                    help.getChildren().setAll(Cards.quiet(wording("WhyDrawer.trying-what-could-help")));
                    actions.help.accept(
                            finding,
                            new Help(found -> showHelp(help, found), () -> offerHelp(finding, help, stand, number)));
                });
        HBox.setHgrow(stand, Priority.ALWAYS);
        help.getChildren().setAll(new HBox(6, helps, stand));
    }

    private void showHelp(VBox help, List<Remedy> found) {
        help.getChildren().clear();
        if (found.isEmpty()) {
            help.getChildren().add(Cards.quiet(wording("WhyDrawer.nothing-that-was-tried-helps")));
        }
        for (Remedy remedy : found) {
            Button button = Cards.button(
                    "",
                    String.format(
                            Locale.ROOT,
                            "%s  %+.1f%s",
                            remedy.name(),
                            remedy.moreEffort(),
                            remedy.gone() ? "" : wording("WhyDrawer.less-severe")),
                    wording("WhyDrawer.was-tried-on-the-whole"),
                    () -> actions.cure.accept(remedy));
            button.setWrapText(true);
            button.setMinWidth(0);
            button.getStyleClass().add("remedy");
            help.getChildren().add(button);
        }
    }

    private void showFindings(Arrangement arrangement, List<Integer> bars, String where, Version version) {
        List<Finding> here = arrangement.findings().stream()
                .filter(finding -> bars.contains(finding.bar()))
                .toList();
        String heading = here.isEmpty()
                ? wording("WhyDrawer.no-findings-in", where)
                : here.size() == 1
                        ? wording("WhyDrawer.finding-in", where)
                        : wording("WhyDrawer.findings-in", here.size(), where);
        Label title = new Label(heading);
        title.getStyleClass().add("heading");
        findings.getChildren().setAll(title);
        for (int i = 0; i < here.size(); i++) {
            Finding finding = here.get(i);
            int number = i + 1;
            findings.getChildren()
                    .add(version.ignores(finding)
                            .map(reason -> standing(finding, reason, number))
                            .orElseGet(() -> findingBox(finding, number)));
        }
    }

    /** A finding that the player lets stand, and why. */
    private Node standing(Finding finding, String reason, int number) {
        Button count = Cards.button(
                "count-" + number,
                wording("WhyDrawer.count-it-again"),
                wording("WhyDrawer.among-the-song-s-findings"),
                () -> actions.letStand.accept(finding, ""));
        return new VBox(4, Cards.quiet(finding.message()), Cards.small(wording("WhyDrawer.stands", reason)), count);
    }

    /** A finding, and what helps against it when the player asks. */
    private Node findingBox(Finding finding, int number) {
        Label text = new Label(finding.message());
        text.setWrapText(true);
        text.setMinHeight(Region.USE_PREF_SIZE);
        VBox help = new VBox(6);
        help.setId("help-" + number);
        VBox stand = new VBox();
        stand.getChildren()
                .add(Cards.button(
                        "stand-" + number,
                        wording("WhyDrawer.let-it-stand"),
                        wording("WhyDrawer.it-is-no-longer-counted"),
                        () -> askReason(finding, stand, number)));
        offerHelp(finding, help, stand, number);
        VBox box = new VBox(6, text, help);
        box.getStyleClass().add("finding");
        if (finding.severity() == Finding.Severity.LOW) {
            box.getStyleClass().add("low");
        }
        return box;
    }

    private void askReason(Finding finding, VBox stand, int number) {
        TextField reason = new TextField();
        reason.setId("reason-" + number);
        reason.setPromptText(wording("WhyDrawer.why-it-may-stand-then"));
        reason.setAccessibleText(wording("WhyDrawer.let-this-finding-stand-why"));
        reason.setOnAction(event -> {
            if (!reason.getText().isBlank()) {
                actions.letStand.accept(finding, reason.getText());
            }
        });
        stand.getChildren().setAll(reason);
        reason.requestFocus();
    }
}
