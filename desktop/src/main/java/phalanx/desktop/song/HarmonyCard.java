package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.widget.Cards;
import phalanx.song.MelodyNote;
import phalanx.song.Reharmony;
import phalanx.song.Song;
import phalanx.song.SongHarmony;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Pitch;

/** The key that is heard, the chords from outside it and where they come from, the tune's range, other chords. */
final class HarmonyCard extends VBox {
    private static final int MOST_LINES = 5;
    private static final int MOST_HINTS = 4;

    private final VBox hints = new VBox(6);
    private final BiConsumer<Integer, ChordSymbol> use;
    private Optional<Song> song = Optional.empty();
    private Key key = Key.C_MAJOR;
    private int hintsFor = -1;

    /** @param use takes a chord of the chart, by its index, and the chord that shall stand in its place */
    HarmonyCard(BiConsumer<Integer, ChordSymbol> use) {
        super(6);
        this.use = use;
        setId("harmony");
        getStyleClass().add("card");
    }

    void show(Song song, SongHarmony harmony) {
        this.song = Optional.of(song);
        this.key = harmony.key();
        getChildren()
                .setAll(Cards.heading(wording("HarmonyCard.key", harmony.key().words())));
        if (harmony.keys().size() > 1) {
            harmony.keys().forEach(stretch -> getChildren()
                    .add(Cards.line(
                            wording(
                                    "HarmonyCard.from-bar",
                                    song.barAt(stretch.startTick()).number()),
                            stretch.key().words())));
        }
        Map<String, String> outside = new LinkedHashMap<>();
        for (SongHarmony.Placed placed : harmony.chords()) {
            if (!placed.function().diatonic()) {
                int bar = song.barAt(placed.startTick()).number();
                outside.putIfAbsent(
                        wording("HarmonyCard.bar", placed.chord(), bar),
                        placed.function().words());
            }
        }
        outside.entrySet().stream().limit(MOST_LINES).forEach(line -> getChildren()
                .add(Cards.line(line.getKey(), line.getValue())));
        if (outside.isEmpty() && !harmony.chords().isEmpty()) {
            getChildren().add(Cards.quiet(wording("HarmonyCard.all-chords-belong-to-it")));
        }
        if (outside.size() > MOST_LINES) {
            getChildren().add(Cards.small(wording("HarmonyCard.and-more-marked-in-the", outside.size() - MOST_LINES)));
        }
        harmony.pedals().stream().limit(1).forEach(pedal -> getChildren()
                .add(Cards.line(
                        wording(
                                "HarmonyCard.pedal-bar",
                                song.barAt(pedal.startTick()).number()),
                        wording("HarmonyCard.held", pedal.bass()))));
        song.melody().stream().mapToInt(MelodyNote::midi).min().ifPresent(low -> {
            int high = song.melody().stream().mapToInt(MelodyNote::midi).max().orElse(low);
            getChildren()
                    .add(Cards.line(
                            wording("HarmonyCard.tune"),
                            wording(
                                    "HarmonyCard.to",
                                    Pitch.printed(low, harmony.key()),
                                    Pitch.printed(high, harmony.key()))));
        });
        getChildren().add(hints);
        int tick = hintsFor;
        hintsFor = -1;
        showHints(Math.max(0, tick));
    }

    /** Offers other chords for the one that sounds at a tick, where the tune allows any. */
    void showHints(int tick) {
        song.filter(shown -> tick != hintsFor).ifPresent(shown -> {
            hintsFor = tick;
            hints.getChildren().clear();
            int index = -1;
            while (index + 1 < shown.chart().size()
                    && shown.chart().get(index + 1).startTick() <= tick) {
                index++;
            }
            List<Reharmony.Hint> offered = index < 0 ? List.of() : new Reharmony(shown, key).hints(index);
            if (!offered.isEmpty()) {
                int at = index;
                String here = wording(
                        "HarmonyCard.bar",
                        Note.said(shown.chart().get(at).symbol()),
                        shown.barAt(shown.chart().get(at).startTick()).number());
                hints.getChildren().add(Cards.heading(wording("HarmonyCard.the-tune-allows-for", here)));
                offered.stream().limit(MOST_HINTS).forEach(hint -> hints.getChildren()
                        .add(row(at, hint)));
            }
        });
    }

    private Node row(int index, Reharmony.Hint hint) {
        Button button = Cards.button(
                "hint-" + hint.chord().text(),
                hint.chord().spoken(),
                wording("HarmonyCard.put-there-undo-returns", hint.chord()),
                () -> use.accept(index, hint.chord()));
        button.getStyleClass().add("small");
        button.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(8, button, Cards.quiet(hint.words()));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
