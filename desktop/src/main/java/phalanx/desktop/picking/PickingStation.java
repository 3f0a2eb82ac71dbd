package phalanx.desktop.picking;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.arrange.demand.Holding;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.Playback;
import phalanx.desktop.View;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Viewed;
import phalanx.desktop.widget.WhenShown;
import phalanx.project.Project;
import phalanx.righthand.HandPlace;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternStroke;
import phalanx.righthand.PatternText;
import phalanx.righthand.Picking;
import phalanx.righthand.School;
import phalanx.righthand.Speeds;
import phalanx.song.Bar;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.technique.Groove;
import phalanx.words.Words;

/** The picking station: patterns to browse and build, put on a bar, a section or the song, and what the hand does. */
public final class PickingStation extends HBox implements Viewed {
    private static final double GAP = 12;
    private static final double LIST = 236;
    private static final double LEAST_LIST = 190;
    private static final double CHOICES = 216;
    private static final double GROOVES = 180;
    private static final String OWN = "own";

    private final Workbench workbench;
    private final Playback playback;
    private final PatternList patterns = new PatternList(this::load, this::tryOut);
    private final StepGrid grid = new StepGrid(this::edited);
    private final TextField name = new TextField();
    private final ComboBox<Integer> steps = new ComboBox<>();
    private final ToggleButton twoBars = new ToggleButton(wording("PickingStation.two-bars"));
    private final Label status = Cards.small("");
    private final HandView hand = new HandView();
    private final HandChoices choices = new HandChoices(new Choices());
    private final Label place = Cards.heading("");
    private final Label motions = Cards.quiet("");
    private final Label joining = Cards.quiet("");
    private final ToggleGroup scopes = new ToggleGroup();
    private Pattern pattern = PatternText.parse("My pattern\nfamily: own\ngrid: 2\nbass x . x . x . x .");
    private Scope scope = Scope.SONG;
    /** Index of the bar that is looked at; the first whole one until the player goes elsewhere. */
    private int bar = -1;

    private boolean loading;
    /** The song with a pattern that is only tried. */
    private Optional<Arrangement> tried = Optional.empty();

    /** What a pattern is put on. */
    private enum Scope {
        BAR,
        SECTION,
        SONG
    }

    /** @param playback to hear bars with */
    public PickingStation(Workbench workbench, Playback playback) {
        super(GAP);
        this.workbench = workbench;
        this.playback = playback;
        setId("picking-station");
        getStyleClass().add("station-content");
        setFocusTraversable(true);
        setAccessibleText(wording("PickingStation.picking-f2-patterns-f3-grid"));
        patterns.setPrefWidth(LIST);
        patterns.setMinWidth(LEAST_LIST);
        VBox middle = new VBox(8, editor(), reading());
        HBox.setHgrow(middle, Priority.ALWAYS);
        middle.setMinWidth(0);
        getChildren().addAll(patterns, scrolled(middle), scrolledSide(choices));
        addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        workbench.shelf().libraryProperty().addListener((property, before, now) -> workbench
                .project()
                .ifPresent(this::showList));
        load(pattern);
        WhenShown.follow(this, workbench.projectProperty(), (before, now) -> show(now));
        WhenShown.follow(this, workbench.arrangementProperty(), (before, now) -> solved(now));
    }

    private static ScrollPane scrolled(VBox content) {
        ScrollPane pane = new ScrollPane(content);
        pane.setFitToWidth(true);
        pane.setFitToHeight(true);
        pane.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        pane.getStyleClass().add("clear-scroll");
        pane.setFocusTraversable(false);
        HBox.setHgrow(pane, Priority.ALWAYS);
        return pane;
    }

    private static ScrollPane scrolledSide(VBox content) {
        ScrollPane pane = scrolled(content);
        HBox.setHgrow(pane, Priority.NEVER);
        pane.setFitToHeight(false);
        pane.setPrefWidth(CHOICES + 12);
        pane.setMinWidth(CHOICES + 12);
        return pane;
    }

    private VBox editor() {
        name.setId("pattern-name");
        name.setAccessibleText(wording("PickingStation.name-of-the-pattern"));
        name.setPrefColumnCount(12);
        name.textProperty().addListener((property, before, now) -> {
            if (!loading && !now.isBlank()) {
                pattern = pattern.withName(now.trim());
            }
        });
        for (int each = 1; each <= Pattern.FINEST_GRID; each++) {
            steps.getItems().add(each);
        }
        steps.setId("pattern-steps");
        steps.setAccessibleText(wording("PickingStation.steps-a-beat"));
        steps.setOnAction(event -> reshape());
        twoBars.setId("pattern-bars");
        twoBars.getStyleClass().addAll("plain", "small");
        twoBars.setOnAction(event -> reshape());
        status.setId("pattern-status");
        FlowPane head = new FlowPane(
                8,
                6,
                name,
                Cards.before(wording("PickingStation.steps-a-beat-2")),
                steps,
                twoBars,
                Cards.button(
                        "pattern-new",
                        wording("PickingStation.new"),
                        wording("PickingStation.an-empty-pattern-in-the"),
                        this::clear),
                Cards.button(
                        "pattern-save",
                        wording("PickingStation.save"),
                        wording("PickingStation.keep-it-in-your-library"),
                        this::save));
        head.setAlignment(Pos.CENTER_LEFT);
        FlowPane foot = new FlowPane(8, 6, Cards.before(wording("PickingStation.put-on")));
        foot.setAlignment(Pos.CENTER_LEFT);
        for (Scope each : Scope.values()) {
            ToggleButton button = new ToggleButton(Words.name(each));
            button.setId("scope-" + each.name().toLowerCase(Locale.ROOT));
            button.getStyleClass().addAll("plain", "small");
            button.setToggleGroup(scopes);
            button.setSelected(each == scope);
            button.setOnAction(event -> {
                scope = each;
                button.setSelected(true);
            });
            foot.getChildren().add(button);
        }
        Button put = Cards.button(
                "pattern-apply",
                wording("PickingStation.put-it-on"),
                wording("PickingStation.ctrl-enter-undo-returns"),
                this::apply);
        put.getStyleClass().add("main");
        foot.getChildren()
                .addAll(
                        put,
                        Cards.button(
                                "pattern-hear",
                                wording("PickingStation.hear"),
                                wording("PickingStation.the-bar-as-it-is"),
                                this::hear),
                        grooves(),
                        status);
        return Cards.card(wording("PickingStation.pattern"), head, grid, foot);
    }

    /** The word and its choice, which go to the next line together. */
    private HBox grooves() {
        ComboBox<Optional<Groove>> box = choices.grooves();
        box.setPrefWidth(GROOVES);
        HBox both = new HBox(8, Cards.before(wording("PickingStation.groove")), box);
        both.setAlignment(Pos.CENTER_LEFT);
        return both;
    }

    private VBox reading() {
        place.setId("picking-bar");
        motions.setId("picking-motions");
        joining.setId("picking-joining");
        HBox head = new HBox(
                8,
                place,
                Cards.space(),
                Cards.button("bar-before", "\u2039", wording("PickingStation.the-bar-before"), () -> go(-1)),
                Cards.button("bar-after", "\u203a", wording("PickingStation.the-next-bar"), () -> go(1)));
        head.setAlignment(Pos.CENTER_LEFT);
        VBox card = new VBox(4, head, motions, hand, joining);
        card.getStyleClass().add("card");
        return card;
    }

    /** Goes to the last section and puts a pattern on it. */
    public void showOnSection(Pattern chosen) {
        workbench.project().ifPresent(project -> {
            List<Section> sections = project.song().sections();
            bar = sections.isEmpty()
                    ? 0
                    : project.song()
                            .barIndexAt(sections.get(sections.size() - 1).startTick());
            scopes.getToggles().get(Scope.SECTION.ordinal()).setSelected(true);
            scope = Scope.SECTION;
            load(chosen);
            patterns.mark(chosen);
            apply();
        });
    }

    @Override
    public void useView(View view) {
        grid.useView(view);
        hand.useView(view);
    }

    private void show(Project project) {
        List<Bar> bars = project.song().bars();
        if (bar < 0) {
            bar = bars.get(0).number() == 0 && bars.size() > 1 ? 1 : 0;
        }
        bar = Math.min(bar, bars.size() - 1);
        Picking picking = project.picking();
        choices.show(picking, picking.planAt(here(project.song()).startTick()), project.wishes());
        showList(project);
    }

    private void showList(Project project) {
        patterns.show(
                workbench.shelf().libraryProperty().get().patternLibrary().all(),
                here(project.song()).meter());
    }

    private Bar here(Song song) {
        return song.bars().get(Math.max(0, Math.min(bar, song.bars().size() - 1)));
    }

    private void solved(Arrangement arrangement) {
        tried = Optional.empty();
        explain(arrangement);
    }

    private void explain(Arrangement arrangement) {
        Bar shown = here(arrangement.song());
        BarReading reading = new BarReading(arrangement, shown);
        School school = arrangement.request().picking().school();
        String own = arrangement
                .request()
                .picking()
                .planAt(shown.startTick())
                .pattern()
                .map(Pattern::name)
                .orElse(wording("PickingStation.pinch-and-fill"));
        place.setText(wording(
                "PickingStation.bar", shown.number(), own, tried.isPresent() ? wording("PickingStation.tried") : ""));
        motions.setText(String.join(
                " ", reading.moments().stream().map(BarReading.Moment::motion).toList()));
        hand.show(reading, school, choices.planting());
        joining.setText(
                wording("PickingStation.in-the-song", arrangement.joining().words()));
    }

    private void go(int by) {
        workbench.arrangement().ifPresent(shown -> {
            bar = Math.max(0, Math.min(shown.song().bars().size() - 1, bar + by));
            tried = Optional.empty();
            explain(shown);
            workbench.project().ifPresent(this::show);
        });
    }

    private void load(Pattern shown) {
        forgetTried();
        loading = true;
        pattern = shown;
        name.setText(shown.name());
        steps.setValue(shown.grid());
        twoBars.setSelected(shown.bars() == 2);
        grid.show(shown);
        check();
        loading = false;
    }

    private void edited(Pattern next) {
        forgetTried();
        pattern = next;
        check();
    }

    /** Says what is wrong with what was drawn; such a pattern is not put on. */
    private boolean check() {
        List<PatternText.Mistake> mistakes =
                PatternText.read(PatternText.write(pattern)).mistakes();
        status.setText(mistakes.isEmpty() ? "" : mistakes.get(0).message());
        return mistakes.isEmpty();
    }

    /** Another grid or number of bars; strokes keep their places in time where the new grid has them. */
    private void reshape() {
        if (loading) {
            return;
        }
        int bars = twoBars.isSelected() ? 2 : 1;
        try {
            List<PatternStroke> kept = new ArrayList<>();
            for (PatternStroke stroke : pattern.strokes()) {
                int scaled = stroke.step() * steps.getValue();
                int step = scaled / pattern.grid();
                if (scaled % pattern.grid() == 0
                        && step < pattern.stepsABar() * bars * steps.getValue() / pattern.grid()) {
                    kept.add(new PatternStroke(
                            step, stroke.row(), stroke.digit(), stroke.weight(), stroke.manner(), stroke.hit()));
                }
            }
            load(new Pattern(
                    pattern.name(),
                    pattern.family(),
                    pattern.serves(),
                    pattern.meter(),
                    steps.getValue(),
                    bars,
                    kept,
                    Optional.empty()));
        } catch (IllegalArgumentException e) {
            workbench.say(Message.error(wording("PickingStation.the-pattern-stays-as-it", e.getMessage())));
            load(pattern);
        }
    }

    private void clear() {
        workbench.project().ifPresent(project -> {
            var meter = here(project.song()).meter();
            int fine = meter.compound() ? 3 : 2;
            load(new Pattern(
                    wording("PickingStation.my-pattern"), OWN, "", meter, fine, 1, List.of(), Optional.empty()));
            grid.requestFocus();
        });
    }

    private void save() {
        if (check()) {
            workbench.shelf().keep(workbench.shelf().libraryProperty().get().with(pattern));
            workbench.say(Message.plain(wording("PickingStation.saved-in-your-library", pattern.name())));
        }
    }

    private void tryOut(Pattern chosen) {
        load(chosen);
        if (!check()) {
            return;
        }
        workbench.project().ifPresent(project -> {
            Bar here = here(project.song());
            Picking.Span span = new Picking.Span(here.startTick(), here.endTick(), plan());
            workbench.solver().aside(project.withPicking(project.picking().withSpan(span)), false, arrangement -> {
                if (pattern.equals(chosen)) {
                    tried = Optional.of(arrangement);
                    explain(arrangement);
                    hear();
                }
            });
        });
    }

    /** What is heard and explained is the song again. */
    private void forgetTried() {
        if (tried.isPresent()) {
            tried = Optional.empty();
            workbench.arrangement().ifPresent(this::explain);
        }
    }

    private Picking.Plan plan() {
        return new Picking.Plan(
                Optional.of(pattern), choices.bass(), choices.level(), choices.strings(), choices.groove());
    }

    /** Puts the pattern on what is chosen. */
    private void apply() {
        if (!check()) {
            workbench.say(Message.error(wording("PickingStation.what-was-played-before-stays", status.getText())));
            return;
        }
        workbench.project().ifPresent(project -> put(project, plan(), pattern.name() + shortened(project.song())));
    }

    /** Said of a pattern of more bars than it is put on. */
    private String shortened(Song song) {
        int[] range = scope == Scope.SONG ? new int[] {0, song.endTick()} : range(song);
        long bars = song.bars().stream()
                .filter(each -> each.startTick() >= range[0] && each.startTick() < range[1])
                .count();
        return pattern.bars() > bars ? wording("PickingStation.its-first-bar-alone") : "";
    }

    private void put(Project project, Picking.Plan plan, String what) {
        if (scope == Scope.SONG) {
            workbench.setPicking(wording("PickingStation.on-the-song", what), picking -> picking.withPlan(plan));
            return;
        }
        int[] range = range(project.song());
        workbench.setPicking(
                wording("PickingStation.on", what, Words.name(scope)),
                picking -> picking.withSpan(new Picking.Span(range[0], range[1], plan)));
    }

    /** From and to of the bar or the section that the station stands in. */
    private int[] range(Song song) {
        Bar shown = here(song);
        if (scope == Scope.BAR) {
            return new int[] {shown.startTick(), shown.endTick()};
        }
        int from = 0;
        int to = song.endTick();
        for (Section section : song.sections()) {
            if (section.startTick() <= shown.startTick()) {
                from = section.startTick();
            } else {
                to = Math.min(to, section.startTick());
            }
        }
        return new int[] {from, to};
    }

    private void hear() {
        tried.or(workbench::arrangement).ifPresent(shown -> {
            Bar heard = here(shown.song());
            playback.hear(shown, heard.startTick(), heard.endTick());
            workbench.say(Message.plain(
                    playback.audible()
                            ? wording("PickingStation.bar-is-heard", heard.number(), withTried())
                            : wording("PickingStation.no-sound-card-the-bar", withTried())));
        });
    }

    private String withTried() {
        return tried.isPresent() ? wording("PickingStation.with-which-is-only-tried", pattern.name()) : "";
    }

    private void onKey(KeyEvent event) {
        boolean typing = name.isFocused();
        KeyCode code = event.getCode();
        boolean handled = true;
        if (code == KeyCode.ENTER && event.isShortcutDown()) {
            apply();
        } else if (code == KeyCode.K && event.isShortcutDown()) {
            save();
        } else if (code == KeyCode.F2) {
            patterns.lookup("#patterns").requestFocus();
        } else if (code == KeyCode.F3) {
            grid.requestFocus();
        } else if (!typing && !event.isShortcutDown() && code == KeyCode.OPEN_BRACKET) {
            go(-1);
        } else if (!typing && !event.isShortcutDown() && code == KeyCode.CLOSE_BRACKET) {
            go(1);
        } else if (!typing && !grid.isFocused() && !event.isShortcutDown() && code == KeyCode.H) {
            hear();
        } else {
            handled = false;
        }
        if (handled) {
            event.consume();
        }
    }

    /** Takes the choices at the side. */
    private final class Choices implements HandChoices.Listener {
        @Override
        public void school(School chosen) {
            workbench.setPicking(
                    wording("PickingStation.school", chosen.label()), picking -> picking.withSchool(chosen));
        }

        @Override
        public void place(HandPlace chosen) {
            workbench.setPicking(chosen.label(), picking -> picking.withPlace(chosen));
        }

        @Override
        public void speeds(UnaryOperator<Speeds> change) {
            workbench.setPicking(
                    wording("PickingStation.speed-of-the-right-hand"),
                    picking -> picking.withSpeeds(change.apply(picking.speeds())));
        }

        @Override
        public void plan() {
            workbench.project().ifPresent(project -> {
                Picking.Plan now = project.picking().planAt(here(project.song()).startTick());
                Picking.Plan next = new Picking.Plan(
                        now.pattern(), choices.bass(), choices.level(), choices.strings(), choices.groove());
                put(
                        project,
                        next,
                        wording(
                                "PickingStation.bass",
                                choices.bass().label(),
                                choices.level().label(),
                                choices.groove()
                                        .map(groove -> ", " + groove.label())
                                        .orElse("")));
            });
        }

        @Override
        public void hold(Holding chosen) {
            workbench.setWishes(wording("PickingStation.hold", chosen.label()), wishes -> wishes.withHolding(chosen));
        }

        @Override
        public void fullEnds(boolean full) {
            workbench.setWishes(
                    full
                            ? wording("PickingStation.fuller-ends-of-phrases")
                            : wording("PickingStation.plain-ends-of-phrases"),
                    wishes -> wishes.withFullEnds(full));
        }

        @Override
        public void slurs(boolean wanted) {
            workbench.setWishes(
                    wanted
                            ? wording("PickingStation.slurs-where-they-help")
                            : wording("PickingStation.every-note-plucked"),
                    wishes -> wishes.withSlurs(wanted));
        }

        @Override
        public void planting() {
            workbench.arrangement().ifPresent(PickingStation.this::explain);
        }
    }
}
