package phalanx.desktop.song;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.layout.VBox;
import phalanx.desktop.widget.Cards;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.SongHarmony;
import phalanx.theory.Pitch;

/** The key that is heard, the chords from outside it and where they come from, the range of the tune. */
final class HarmonyCard extends VBox {
    private static final int MOST_LINES = 5;

    HarmonyCard() {
        super(6);
        setId("harmony");
        getStyleClass().add("card");
    }

    void show(Song song, SongHarmony harmony) {
        getChildren().setAll(Cards.heading("Key: " + harmony.key().words()));
        Map<String, String> outside = new LinkedHashMap<>();
        for (SongHarmony.Placed placed : harmony.chords()) {
            if (!placed.function().diatonic()) {
                int bar = song.barAt(placed.startTick()).number();
                outside.putIfAbsent(
                        placed.chord().text() + ", bar " + bar,
                        placed.function().words());
            }
        }
        outside.entrySet().stream().limit(MOST_LINES).forEach(line -> getChildren()
                .add(Cards.line(line.getKey(), line.getValue())));
        if (outside.isEmpty() && !harmony.chords().isEmpty()) {
            getChildren().add(Cards.quiet("All chords belong to it."));
        }
        if (outside.size() > MOST_LINES) {
            getChildren().add(Cards.small("and " + (outside.size() - MOST_LINES) + " more, marked * in the bars"));
        }
        harmony.pedals().stream().limit(1).forEach(pedal -> getChildren()
                .add(Cards.line("pedal, bar " + song.barAt(pedal.startTick()).number(), pedal.bass() + " held")));
        song.melody().stream().mapToInt(MelodyNote::midi).min().ifPresent(low -> {
            int high = song.melody().stream().mapToInt(MelodyNote::midi).max().orElse(low);
            getChildren()
                    .add(Cards.line("tune", Pitch.of(low, harmony.key()) + " to " + Pitch.of(high, harmony.key())));
        });
    }
}
